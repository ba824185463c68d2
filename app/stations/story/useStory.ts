import { computed, ref } from 'vue'
import { parseNumber } from '../../../core/measure/parseNumber'
import { FIELD_WORDS, type ClientField } from '../../../core/record/clientChanges'
import type { Client, Story } from '../../../core/record/schema'
import { useFitting } from '~/stores/fitting'
import { useChanges } from '~/stores/changes'

/**
 * The story of the open fitting and its client, with ways to change them; `trouble` says what was
 * not kept.
 */
const trouble = ref('')
export function useStory() {
  const fitting = useFitting()
  const changes = useChanges()
  const story = computed<Story>(() => fitting.record.story ?? { complaints: [], conditions: [] })
  const client = computed<Client>(() => fitting.client?.details ?? {})
  const put = (patch: Partial<Story>, words: string) => {
    const next = Object.fromEntries(
      Object.entries({ ...story.value, ...patch }).filter(([, v]) => v !== undefined),
    ) as Story
    trouble.value = changes.put('story', next, words) ?? ''
  }
  async function putClient(patch: Partial<Client>) {
    const fields = (Object.keys(patch) as ClientField[]).map((field) => FIELD_WORDS[field])
    const words = `${fitting.client?.details.name ?? 'client'}: ${fields.join(', ')}`
    try {
      await fitting.changeClient(patch, words)
      trouble.value = ''
    } catch (error) {
      trouble.value = (error as Error).message
    }
  }
  /**
   * A typed number within limits, or undefined when the field was emptied; otherwise says so and
   * keeps nothing.
   */
  function number(
    text: string,
    low: number,
    high: number,
    name: string,
    keep: (value: number | undefined) => void,
  ) {
    const value = text.trim() ? parseNumber(text) : undefined
    if (value === null || (value !== undefined && (value < low || value > high))) {
      trouble.value = `${name}: a number from ${low} to ${high}. “${text}” was not kept.`
      return
    }
    keep(value)
  }
  return { fitting, story, client, trouble, put, putClient, number }
}

/** A text field's content, undefined when it is empty. */
export const textOr = (text: string): string | undefined => text.trim() || undefined
