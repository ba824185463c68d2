import { nextTick } from 'vue'
import { VAutocomplete, VSelect } from 'vuetify/components'
import type { DOMWrapper, VueWrapper } from '@vue/test-utils'

const words = (element: Element | null | undefined) =>
  (element?.textContent ?? '').replace(/\s+/g, ' ').trim()

/** A label that names the element by its id, as Vuetify's do. */
const labelOf = (element: Element) =>
  element.id ? element.ownerDocument.querySelector(`label[for="${element.id}"]`) : null

const nameOf = (element: Element): string =>
  element.getAttribute('aria-label') ??
  (words(labelOf(element)) || words(element.closest('label')) || words(element))

const matches = (name: string, wanted: string | RegExp) =>
  typeof wanted === 'string' ? name === wanted : wanted.test(name)

/** Elements as somebody would name them: by their label, else by their text. */
function named<E extends Element>(
  wrapper: VueWrapper,
  selector: string,
  wanted: string | RegExp,
): DOMWrapper<E> {
  const found = wrapper.findAll<E>(selector)
  const hit = found.find(({ element }) => matches(nameOf(element), wanted))
  if (hit) return hit
  const names = found.map(({ element }) => nameOf(element)).join(' | ')
  throw new Error(`nothing is called ${String(wanted)} among: ${names}`)
}

export const button = (wrapper: VueWrapper, wanted: string | RegExp) =>
  named<HTMLButtonElement>(wrapper, 'button, a, [role="button"], [role="checkbox"]', wanted)

export const field = (wrapper: VueWrapper, wanted: string | RegExp) =>
  named<HTMLInputElement>(wrapper, 'input, textarea, select', wanted)

/** Types into a field and leaves it, as people do. */
export async function type(wrapper: VueWrapper, wanted: string | RegExp, text: string) {
  const input = field(wrapper, wanted)
  await input.trigger('focus')
  await input.setValue(text)
  await input.trigger('blur')
}

/** What stands there, in one line. */
export const textOf = (wrapper: VueWrapper): string => words(wrapper.element.parentElement)

/** A list to choose from, by its label, and its lines with their values. */
function listOf(wrapper: VueWrapper, wanted: string | RegExp) {
  const lists = [...wrapper.findAllComponents(VSelect), ...wrapper.findAllComponents(VAutocomplete)]
  const list = lists.find((l) =>
    l.findAll('input').some(({ element }) => matches(nameOf(element), wanted)),
  )
  if (!list) throw new Error(`no list is called ${String(wanted)}`)
  const { items, itemTitle, itemValue } = list.props() as {
    items: (string | Record<string, unknown>)[]
    itemTitle: string
    itemValue: string
  }
  const lines = items.map((item) =>
    typeof item === 'string'
      ? { words: item, value: item }
      : { words: String(item[itemTitle]), value: item[itemValue] },
  )
  return { list, lines }
}

/** What a list offers, in its order. */
export const offered = (wrapper: VueWrapper, wanted: string | RegExp): string[] =>
  listOf(wrapper, wanted).lines.map((line) => line.words)

/** Takes one of a list by its words; a list that has no such line is told with those it has. */
export async function pick(wrapper: VueWrapper, wanted: string | RegExp, words: string) {
  const { list, lines } = listOf(wrapper, wanted)
  const line = lines.find((l) => l.words === words)
  if (!line) throw new Error(`no ${words} among: ${lines.map((l) => l.words).join(' | ')}`)
  list.vm.$emit('update:modelValue', line.value)
  await nextTick()
}
