import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { Schemas } from '@/api/client'

/** What why is asked: one person at one place, in force or as drafted. */
export interface WhyTarget {
  person: string
  place: string
  drafted?: boolean
  /** An earlier instant to ask about; now if left out. */
  at?: string | undefined
  /** A document of this type that is not there yet, in the place. */
  type?: string
  /** What is not in the draft yet: as it is without, or as it would be after it. */
  changes?: Schemas['Change'][]
  after?: boolean
}

/** Which why is open: asked from every room, shown by the frame in the panel of the room why. */
export const useWhy = defineStore('why', () => {
  const target = ref<WhyTarget>()
  let opener: HTMLElement | null = null

  function ask(person: string, place: string, drafted = false, at?: string) {
    opener = document.activeElement instanceof HTMLElement ? document.activeElement : null
    target.value = { person, place, drafted, at }
  }

  function close() {
    target.value = undefined
    opener?.focus()
    opener = null
  }

  return { target, ask, close }
})
