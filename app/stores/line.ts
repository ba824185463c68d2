import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, ApiError } from '~/browser/api'
import { openFor } from '~/browser/sealing'
import { dropAnswer, lastAnswer, rememberAnswer } from '~/browser/lastAnswers'

/**
 * What is read from the server, or, where it does not answer, what it said last to this person on
 * this device. Then it is told from when that is.
 */
export const useLine = defineStore('line', () => {
  /** what is shown is as old as this, ms since 1970; null where the server has answered */
  const shownFrom = ref<number | null>(null)
  /** paths that are shown as they were */
  const old = new Map<string, number>()
  function tell(path: string, at: number | null) {
    if (at === null) old.delete(path)
    else old.set(path, at)
    shownFrom.value = at === null ? null : Math.min(...old.values())
    if (at === null) old.clear()
  }
  /** @throws ApiError where the server says no, or is silent and nothing is known from before */
  async function read<T>(path: string): Promise<T> {
    const asker = openFor()
    try {
      const answer = await api<T>(path)
      tell(path, null)
      void rememberAnswer(path, answer, asker).catch(() => undefined)
      return answer
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      if (error.status === 403 || error.status === 404) void dropAnswer(path).catch(() => undefined)
      const last = error.passing ? await lastAnswer<T>(path).catch(() => null) : null
      if (!last) throw error
      tell(path, last.at)
      return last.answer
    }
  }
  return { shownFrom, read }
})
