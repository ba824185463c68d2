import { defineStore } from 'pinia'
import { HOUSE_TABLES, type ShopTables } from '../../core/record/tables'
import { placeAmong, type OwnShare } from '../../core/measure/ownNorms'
import type { ReadingKind } from '../../core/kinds/readings/all'
import { api } from '~/browser/api'

const SIZE_WORDS = {
  small: 'small feet',
  middle: 'middle-sized feet',
  large: 'large feet',
} as const

/** How the shop's own clients lie; asked for once a page. */
export const useOwnNorms = defineStore('ownNorms', {
  state: () => ({
    shares: [] as OwnShare[],
    ownRecords: HOUSE_TABLES.ownRecords as ShopTables['ownRecords'],
    asked: null as Promise<void> | null,
  }),
  actions: {
    load(): Promise<void> {
      this.asked ??= api<{ shares: OwnShare[]; ownRecords: ShopTables['ownRecords'] }>('norms/own')
        .then(({ shares, ownRecords }) => {
          this.shares = shares
          this.ownRecords = ownRecords
        })
        .catch((error: unknown) => {
          this.asked = null
          throw error
        })
      return this.asked
    },
    /**
     * Where a share of foot length lies among the shop's clients, in words; null while too few are
     * held.
     */
    words(of: { what: ReadingKind; share: number; lengthMm: number; child: boolean }) {
      const place = placeAmong(this.shares, of, this.ownRecords)
      if (!place) return null
      const whom = place.size ? SIZE_WORDS[place.size] : 'clients'
      return `${place.percentile} of 100 below, of ${place.clients} ${whom} here`
    },
  },
})
