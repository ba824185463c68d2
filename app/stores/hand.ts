import { defineStore } from 'pinia'
import type { Posture, ReadingKind, Side } from '../../core/record/vocabulary'

/** Readings of the round, in the order in which hands move. */
export const ROUND: readonly ReadingKind[] = ['footLengthMm', 'archLengthMm', 'forefootWidthMm', 'heelWidthMm', 'waistGirthMm', 'instepGirthMm', 'heelInstepGirthMm', 'dorsumHeightMm', 'navicularHeightMm']

/** What the fitter has in hand: reading, posture and foot; shared by page, keys and call-out line. */
export const useHand = defineStore('hand', {
  state: () => ({ what: 'footLengthMm' as ReadingKind, posture: 'standing' as Posture, side: 'left' as Side, pad: false, copyAcross: null as (() => void) | null }),
  actions: {
    step(by: 1 | -1) {
      const at = ROUND.indexOf(this.what)
      this.what = ROUND[(at + by + ROUND.length) % ROUND.length]!
    },
    kept(what: ReadingKind) {
      this.what = what
    },
  },
})
