/** One line of a list to choose from, as Vuetify's lists take it. */
export interface Choice<T = string> {
  value: T
  title: string
}

/** Lines of a list: each value with the words that stand for it. */
export const choicesOf = <T>(values: readonly T[], wordsOf: (value: T) => string): Choice<T>[] =>
  values.map((value) => ({ value, title: wordsOf(value) }))

/** Lines of a list of things that have a name and are known by their id. */
export const namedChoices = (things: readonly { id: string; name: string }[]): Choice[] =>
  things.map(({ id, name }) => ({ value: id, title: name }))
