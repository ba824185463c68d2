import { DEVICE_NAMES } from './deviceNames'
import { LAYERS } from '../kinds/layers/all'
import { ROUND_KINDS } from '../record/roundSchema'
import type { PRICE_KINDS } from '../tables/prices'
import type { Process } from '../tables/processes'
import { WORK_KINDS } from '../tables/shellWork'

/** Something that a price may stand for, so that it comes into a quote by itself. */
export interface Priced {
  of: string
  name: string
}

const named = (all: readonly string[]): Priced[] => all.map((of) => ({ of, name: of }))

/** Everything that can be priced, by the kind of its price. */
export const pricedBy = (
  kind: (typeof PRICE_KINDS)[number],
  processes: readonly Pick<Process, 'id' | 'name'>[],
): Priced[] => {
  switch (kind) {
    case 'device':
      return Object.entries(DEVICE_NAMES)
        .filter(([of]) => of !== 'none')
        .map(([of, name]) => ({ of, name }))
    case 'layer':
      return LAYERS.all.map(({ kind, name }) => ({ of: kind, name }))
    case 'work':
      return [...named(WORK_KINDS), { of: 'other', name: 'any other work on a shell' }]
    case 'visit':
      return [
        { of: 'first', name: 'the first visit of a client' },
        { of: 'guarantee', name: 'a visit under guarantee' },
      ]
    case 'round':
      return named(ROUND_KINDS)
    case 'other':
      return processes.map(({ id, name }) => ({ of: id, name }))
  }
}
