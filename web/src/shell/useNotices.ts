import { defineStore } from 'pinia'
import { ref } from 'vue'
import { ProblemError } from '@/api/problem'

/** Short messages: what happened, to what. Errors stay until they are closed. */
export const useNotices = defineStore('notices', () => {
  const text = ref('')
  const failed = ref(false)
  const open = ref(false)

  function say(message: string) {
    text.value = message
    failed.value = false
    open.value = true
  }

  function fail(error: unknown) {
    text.value = error instanceof ProblemError ? error.problem.detail : String(error)
    failed.value = true
    open.value = true
  }

  return { text, failed, open, say, fail }
})
