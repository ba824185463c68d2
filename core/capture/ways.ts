import type { CorrectionKind } from '../record/captureSchema'
import type { CAPTURE_WAYS } from '../tables/vocabulary'

export type CaptureWay = (typeof CAPTURE_WAYS)[number]

/**
 * One step of a way of capture: what to do, what to look at, and how long it takes where it has to
 * wait.
 */
export interface CaptureStep {
  words: string
  look?: string
  seconds?: number
}

export interface WayOfCapture {
  name: string
  load: 'none' | 'part' | 'full'
  /** what it does to the shape and what follows from it */
  does: string
  /** corrections to the captured sole that follow */
  corrections: readonly { kind: CorrectionKind; amountMm: number; words: string }[]
  steps: readonly CaptureStep[]
}

const HOLD: CaptureStep = {
  words: 'Hold the 4th and 5th met heads up until they stop; heel in neutral',
  look: 'Midfoot locked: the outer border is straight',
}
const TOES: CaptureStep = {
  words: 'Look at the toes',
  look: 'Free and flat, not clawed, nothing holding the first ray',
}
const SEAT: CaptureStep = {
  words: 'Seat the client: hip, knee and ankle near 90°, knee over the second toe',
  look: 'Shin upright from the front',
}

/**
 * Every way of capture with its guided steps (workshop practice; minutes and amounts are house
 * defaults).
 */
export const WAYS: Record<CaptureWay, WayOfCapture> = {
  plaster: {
    name: 'Plaster slipper',
    load: 'none',
    does: 'The foot hangs unloaded: soft tissue has not spread, so the heel is expanded and the outer border filled.',
    corrections: [
      { kind: 'heelExpansion', amountMm: 2, words: 'fat pad, 2 mm a side' },
      { kind: 'lateralFill', amountMm: 2, words: 'outer soft tissue' },
    ],
    steps: [
      {
        words: 'Client prone or supine, foot free over the edge',
        look: 'Leg straight, foot relaxed',
      },
      {
        words: 'Wet and lay two strips, heel first, then the forefoot',
        look: 'No fold under the arch',
      },
      HOLD,
      TOES,
      { words: 'Hold still while it sets', look: 'Heel stays where it is', seconds: 240 },
      { words: 'Loosen the skin, take the slipper off heel first', look: 'Edges hold their shape' },
    ],
  },
  foam: {
    name: 'Foam box',
    load: 'part',
    does: 'The foot is pressed in seated: part of the spread is in the shape; toes go deeper than they should.',
    corrections: [
      { kind: 'heelExpansion', amountMm: 1, words: 'part of the spread is taken' },
      { kind: 'toeLevel', amountMm: 2, words: 'toes are pressed in deeper' },
    ],
    steps: [
      SEAT,
      { words: 'Press the heel straight down with the knee', look: 'Heel upright, not tilted' },
      { words: 'Press the ball and the outer border down', look: 'Heel and ball equally deep' },
      { words: 'Press the toes last and lightly', look: 'Toes level with the ball' },
      { words: 'Lift the foot out straight up', look: 'Walls are not torn' },
    ],
  },
  'bead-tray': {
    name: 'Bead tray',
    load: 'part',
    does: 'As foam; the walls behind the toes are pulled in and are smoothed, toe room is opened.',
    corrections: [
      { kind: 'heelExpansion', amountMm: 1, words: 'part of the spread is taken' },
      { kind: 'toeRoom', amountMm: 1.5, words: 'walls pulled in behind the toes' },
    ],
    steps: [
      SEAT,
      { words: 'Set the foot on the tray, forefoot flat', look: 'Heel and ball evenly loaded' },
      { words: 'Heap the beads along arch and outer border', look: 'No gap under the arch' },
      HOLD,
      { words: 'Draw the air out', look: 'Nothing moves while it stiffens', seconds: 45 },
      TOES,
      {
        words: 'Lift the foot out, look at the print',
        look: 'Outer border straight, first ray not pressed',
      },
    ],
  },
  'standing-vacuum': {
    name: 'Standing vacuum',
    load: 'full',
    does: 'The standing foot: the arch has come down already. It is raised again by half of what the dorsum dropped from seated to standing.',
    corrections: [],
    steps: [
      {
        words: 'Heat the blanks to their window',
        look: 'Bends by its own weight; skin is covered',
      },
      {
        words: 'Client stands on both pads, weight even',
        look: 'Second toes forward, knees over them',
      },
      {
        words: 'Turn the knees until the arches just rise',
        look: 'Heels near neutral, balls stay down',
      },
      { words: 'Draw the air out and hold', look: 'Nobody moves', seconds: 360 },
      {
        words: 'Step off, let the blanks cool in the pads',
        look: 'They keep their shape',
        seconds: 120,
      },
    ],
  },
  scan: {
    name: 'Scan',
    load: 'none',
    does: 'Unloaded as plaster; the fingers at the 4th and 5th heads leave dents that are filled.',
    corrections: [
      { kind: 'heelExpansion', amountMm: 2, words: 'fat pad, 2 mm a side' },
      { kind: 'lateralFill', amountMm: 2, words: 'outer soft tissue' },
    ],
    steps: [
      {
        words: 'Client prone or supine, foot free, 60 mm of leg in view',
        look: 'Nothing else in the picture',
      },
      HOLD,
      TOES,
      {
        words: 'Go once around, then over the sole',
        look: 'No hole under the heel or the ball',
        seconds: 20,
      },
      { words: 'Bring the file in', look: 'Left or right, unit' },
    ],
  },
  parametric: {
    name: 'From the readings',
    load: 'none',
    does: 'A smooth sole drawn from lengths, widths, arch and forefoot angle. No shape was taken.',
    corrections: [],
    steps: [],
  },
}
