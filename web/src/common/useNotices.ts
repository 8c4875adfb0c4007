import { defineStore } from 'pinia'
import { ref } from 'vue'
import { ProblemError, type FaultLine } from '@/api/problem'

/** Short messages: what happened, to what. Errors stay until they are closed. */
export const useNotices = defineStore('notices', () => {
  const text = ref('')
  const failed = ref(false)
  const open = ref(false)
  /** The names along a cycle that was refused; empty if that is not what is said. */
  const cycle = ref<string[]>([])

  /** How often something failed or was refused: a form that is sent is not done with while that goes up. */
  const failures = ref(0)

  function say(message: string) {
    text.value = message
    cycle.value = []
    failed.value = false
    open.value = true
  }

  function fail(error: unknown) {
    show(error instanceof ProblemError ? error.problem.detail : String(error), [])
  }

  /** What was refused, where there is no form to say it in. */
  function refuse(faults: FaultLine[]) {
    show(faults.map((fault) => fault.text).join(' '), faults.find((fault) => fault.cycle.length > 0)?.cycle ?? [])
  }

  function show(failure: string, drawn: string[]) {
    text.value = failure
    cycle.value = drawn
    failed.value = true
    open.value = true
    failures.value++
  }

  return { text, failed, failures, open, cycle, say, fail, refuse }
})
