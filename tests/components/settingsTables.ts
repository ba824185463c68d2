import type { Component } from 'vue'
import { HOUSE_TABLES, type ShopTables } from '../../core/record/tables'
import { mountWith, type Answers } from './mountWith'

/** A pane of Settings over a draft of the shop's tables: what it changes, and what it refuses. */
export async function settingsPane(
  component: Component,
  {
    may = true,
    tables = {},
    answers = {},
  }: { may?: boolean; tables?: Partial<ShopTables>; answers?: Answers } = {},
) {
  const draft: ShopTables = { ...structuredClone(HOUSE_TABLES), ...tables }
  const { wrapper } = await mountWith(component, { props: { draft, may }, answers })
  const last = <T>(event: string) => wrapper.emitted<[T]>(event)?.at(-1)?.[0]
  return {
    wrapper,
    draft,
    changes: () => (wrapper.emitted<[Partial<ShopTables>]>('change') ?? []).map(([part]) => part),
    change: () => last<Partial<ShopTables>>('change'),
    /** The last thing that was said; '' once something was right again. */
    trouble: () => last<string>('trouble'),
    tab: (name: string) =>
      wrapper
        .findAll('[role="tab"]')
        .find((tab) => tab.text() === name)!
        .trigger('click'),
  }
}
