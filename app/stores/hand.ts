import { defineStore } from 'pinia'
import { ROUND, stepFrom, viewOf } from '../../core/measure/round'
import type { Posture, Side } from '../../core/tables/vocabulary'
import type { ReadingKind } from '../../core/kinds/readings/all'

const SPEAK_KEY = 'gentle-arch:speak-back'

/**
 * What the fitter has in hand: reading, posture and foot; shared by page, keys and call-out line.
 */
export const useHand = defineStore('hand', {
  state: () => ({
    what: 'footLengthMm' as ReadingKind,
    posture: 'standing' as Posture,
    side: 'left' as Side,
    pad: false,
    /** reading under the pointer or the focus: number, drawing and spine show it together */
    hot: null as ReadingKind | null,
    /** the round goes to the next reading by itself */
    round: false,
    speak: typeof localStorage !== 'undefined' && localStorage.getItem(SPEAK_KEY) === 'yes',
    show: false,
    copyAcross: null as (() => void) | null,
  }),
  getters: {
    view: (state) => viewOf(state.what),
  },
  actions: {
    /** Begins the guided round where it begins, or leaves it. */
    setRound(on: boolean) {
      this.round = on
      if (on) Object.assign(this, ROUND[0]!)
    },
    step(by: 1 | -1) {
      Object.assign(this, stepFrom({ what: this.what, posture: this.posture }, by))
    },
    take(what: ReadingKind, posture?: Posture) {
      this.what = what
      if (posture) this.posture = posture
    },
    setSpeak(on: boolean) {
      this.speak = on
      localStorage.setItem(SPEAK_KEY, on ? 'yes' : 'no')
    },
    /** Reads back what was kept, where the browser can. */
    say(words: string) {
      if (!this.speak || typeof speechSynthesis === 'undefined') return
      speechSynthesis.cancel()
      speechSynthesis.speak(new SpeechSynthesisUtterance(words))
    },
  },
})
