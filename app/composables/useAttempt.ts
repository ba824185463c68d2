import { ref } from 'vue'

/** Work that may go wrong, and what is said of it: `trouble` where it did, `done` where there is something to say. */
export function useAttempt() {
  const trouble = ref('')
  const done = ref('')
  async function run(work: () => Promise<unknown>, words = '') {
    trouble.value = done.value = ''
    try {
      await work()
      done.value ||= words
    } catch (error) {
      trouble.value = (error as Error).message
    }
  }
  return { trouble, done, run }
}
