import type { FittingRecord } from '../core/record/schema'
import type { ComplaintPlace, DeviceKind, Side } from '../core/record/vocabulary'
import { dayAfter } from '../core/followup/wearInPlan'
import { madeUpFeet, NO_SIGNS, record, withDevice } from './people'

type Row = [name: string, bornOn: string, sex: 'female' | 'male' | 'other', lengthMm: number, what: string, activity: string, foot: Side, at: ComplaintPlace, pain: [number, number | null, number | null], comfort: [number, number | null, number | null], kind: DeviceKind, layer: object | null, handedOverDaysAgo: number]

const PAD = { kind: 'metPad', heightMm: 4 }
const SKIVE = { kind: 'medialSkive', depthMm: 3 }
/** What was made in the last months and how it went; nulls: they did not come back, or not yet. */
const ROWS: Row[] = [
  ['Esme Vandersloot', '1979-05-05', 'female', 244, 'cellist', 'walking', 'right', 'secondMetHead', [6, 3, 2], [40, 66, 74], 'heat-moulded', PAD, 96],
  ['Hamish Corrigal', '1963-10-12', 'male', 275, 'ferryman', 'walking', 'left', 'thirdMetHead', [5, 4, 3], [51, 58, 63], 'heat-moulded', PAD, 120],
  ['Ayo Brandvold', '1990-01-23', 'male', 281, 'rope access', 'mountaineering', 'left', 'secondMetHead', [7, 4, 4], [33, 55, 60], 'full-custom', PAD, 88],
  ['Tamsin Oduya', '1986-07-07', 'female', 238, 'night nurse', 'ward', 'right', 'thirdMetHead', [6, 2, 1], [45, 72, 80], 'heat-moulded', PAD, 140],
  ['Viggo Halloran', '1958-02-28', 'male', 268, 'cooper', 'walking', 'right', 'secondMetHead', [4, 4, 5], [60, 58, 55], 'trim-to-fit', PAD, 75],
  ['Petra Nakashima', '1972-09-16', 'female', 241, 'teacher', 'walking', 'left', 'fourthMetHead', [5, 2, 2], [48, 70, 71], 'heat-moulded', PAD, 110],
  ['Leif Adeyemi', '1995-03-31', 'male', 285, 'skater', 'hockey', 'right', 'secondMetHead', [5, 3, null], [50, 62, null], 'full-custom', PAD, 30],
  ['Corisande Bell', '1948-12-24', 'female', 236, 'retired', 'walking', 'left', 'secondMetHead', [7, 5, 4], [30, 44, 52], 'heat-moulded', PAD, 160],
  ['Jonty Marchbanks', '1982-06-02', 'male', 277, 'surveyor', 'walking', 'right', 'thirdMetHead', [6, null, null], [42, null, null], 'heat-moulded', PAD, 70],
  ['Ruta Kowalczyk', '1969-08-19', 'female', 248, 'baker', 'ward', 'left', 'secondMetHead', [6, 3, 3], [44, 61, 66], 'heat-moulded', PAD, 132],
  ['Mateus Lindgren', '1988-11-11', 'male', 271, 'patroller', 'ski-touring', 'left', 'thirdMetHead', [5, 3, 1], [47, 63, 78], 'full-custom', PAD, 101],
  ['Saskia Ferreira', '1976-04-04', 'female', 246, 'florist', 'ward', 'right', 'secondMetHead', [5, 4, 3], [52, 57, 64], 'trim-to-fit', PAD, 93],
  ['Orla Whitcombe', '1984-02-09', 'female', 250, 'hut keeper', 'ski-touring', 'right', 'medialAnkle', [6, 4, 2], [38, 55, 70], 'full-custom', SKIVE, 85],
  ['Dag Tremblay', '1991-05-27', 'male', 283, 'avalanche crew', 'ski-touring', 'left', 'medialAnkle', [7, 5, 3], [35, 50, 64], 'full-custom', SKIVE, 99],
  ['Minna Okonjo', '2000-10-30', 'female', 240, 'student', 'running', 'right', 'archPlantar', [5, 5, 3], [50, 52, 60], 'heat-moulded', SKIVE, 66],
  ['Rafferty Sundqvist', '1966-01-15', 'male', 279, 'postman', 'walking', 'left', 'heelPlantar', [8, 5, 3], [28, 50, 66], 'full-custom', SKIVE, 125],
  ['Yasmin Thorburn', '1993-09-09', 'female', 243, 'climbing coach', 'mountaineering', 'left', 'medialAnkle', [4, null, null], [55, null, null], 'full-custom', SKIVE, 52],
  ['Einar Castellane', '1955-07-22', 'male', 269, 'sexton', 'walking', 'right', 'archPlantar', [6, 4, null], [41, 56, null], 'full-custom', SKIVE, 44],
]

/** Made-up clients who were handed over in the last months, with what became of it. */
export function pastRecords(today: string): Record<string, FittingRecord> {
  return Object.fromEntries(
    ROWS.map(([name, bornOn, sex, lengthMm, occupation, activity, foot, at, pain, comfort, kind, layer, ago], i) => {
      const on = dayAfter(today, -ago)
      const visits = [[0, 0], [14, 1], [42, 2]].flatMap(([days, k]) => (pain[k!] === null || pain[k!] === undefined ? [] : [{ on: dayAfter(on, days!), pain: [{ foot, at, score: pain[k!]! }], ...(comfort[k!] != null && { comfort: comfort[k!]! }), ...(days! > 0 && { daysUsed: days! - 2, hoursADay: 4 + (i % 5) }) }]))
      return [
        name.toLowerCase().replace(/ /g, '-'),
        record({
          client: { code: `HR-0${200 + i}`, name, bornOn, sex, massKg: 55 + ((i * 7) % 40), heightMm: 1600 + ((i * 37) % 280), occupation },
          visit: { on: dayAfter(on, -12), reason: 'as told in the story' },
          story: { activity, ability: 'able', intent: 'comfort', hours: 6, school: 'comfort', complaints: [{ foot, at, score: pain[0] }], conditions: [], signs: NO_SIGNS },
          feet: withDevice(madeUpFeet(lengthMm, { width: 0.375 + (i % 4) * 0.006, waist: 0.9 + (i % 5) * 0.015, drop: 2 + (i % 3) }), kind, layer ? [layer] : []),
          handover: { on, wearInStart: dayAfter(on, 1), checks: { flat: 'good', edge: 'good', liner: i % 6 === 0 ? 'watch' : 'good', arches: 'good', stand: i % 7 === 3 ? 'stop' : 'good', toes: 'good', marks: 'good' } },
          followups: visits,
        }),
      ]
    }),
  )
}
