import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { faultsOf, type FaultLine } from '@/api/problem'
import { useNotices } from '@/common/useNotices'
import { useDraft } from './useDraft'

/** Puts changes into the draft from a form: all of them or none, with every fault in words. */
export function useDrafting() {
  const { add, addMany } = useDraft()
  const notices = useNotices()
  const faults = ref<FaultLine[]>([])
  const busy = computed(() => add.isPending.value || addMany.isPending.value)

  /** Whether it is in the draft now. */
  async function draft(changes: Schemas['Change'][]): Promise<boolean> {
    faults.value = []
    const [only, ...others] = changes
    if (only === undefined) return false
    try {
      if (others.length === 0) await add.mutateAsync(only)
      else await addMany.mutateAsync(changes)
      return true
    } catch (error) {
      faults.value = faultsOf(error)
      return false
    }
  }

  /** The same where there is no form to show faults in. */
  async function draftAt(changes: Schemas['Change'][]): Promise<boolean> {
    const done = await draft(changes)
    if (!done && faults.value.length > 0) notices.refuse(faults.value)
    return done
  }

  return { faults, busy, draft, draftAt }
}
