import type { FittingRecord } from '../core/record/schema'
import { addDays } from '../core/record/isoDay'
import { madeUpFeet, NO_SIGNS, record, withDevice } from './people'

export interface DemoJob {
  record: FittingRecord
  visit?: { hour: number; minute: number; minutes: number; reason: string }
}

const done = (step: string, on: string, foot?: 'left' | 'right') => ({
  step,
  ...(foot && { foot }),
  done: true,
  state: 'done',
  doneAt: `${on}T17:30:00.000Z`,
  by: 'Bram Oyelaran',
})

/**
 * Made-up clients whose things are on the bench on a day: two visits for moulding, shells to
 * finish, skates to stretch.
 */
export function benchRecords(today: string): Record<string, DemoJob> {
  const before = addDays(today, -6)
  const person = (
    code: string,
    name: string,
    bornOn: string,
    sex: string,
    massKg: number,
    heightMm: number,
    occupation: string,
  ) => ({
    client: { code, name, bornOn, sex, massKg, heightMm, occupation },
    visit: { on: before },
  })
  const story = (activity: string, hours: number, goal: string, complaints: unknown[] = []) => ({
    story: {
      activity,
      ability: 'able',
      intent: 'comfort',
      hours,
      school: 'comfort',
      goal,
      complaints,
      conditions: [],
      signs: NO_SIGNS,
    },
  })
  return {
    'wendeline-achterberg': {
      record: record({
        ...person(
          'HR-0455',
          'Wendeline Achterberg',
          '1968-04-21',
          'female',
          78,
          1660,
          'ward sister',
        ),
        ...story('ward', 11, 'A double shift without sitting down for the feet.', [
          { foot: 'left', at: 'heelPlantar', score: 5 },
        ]),
        feet: withDevice(madeUpFeet(246, { width: 0.385, waist: 0.94, drop: 3 }), 'heat-moulded', [
          { kind: 'metPad', heightMm: 3 },
        ]),
        making: { promisedOn: today, promisedAt: '12:30' },
      }),
      visit: { hour: 11, minute: 0, minutes: 70, reason: 'moulding on the tray' },
    },
    'idris-fallowfield': {
      record: record({
        ...person('HR-0430', 'Idris Fallowfield', '1999-09-02', 'male', 74, 1790, 'lift mechanic'),
        ...story('ski-touring', 7, 'Warm toes to the col.'),
        feet: withDevice(madeUpFeet(272, { width: 0.37, waist: 0.91, drop: 2 }), 'heat-moulded'),
        making: { promisedOn: today, promisedAt: '17:30' },
      }),
      visit: { hour: 16, minute: 0, minutes: 70, reason: 'moulding on the tray' },
    },
    'paavo-moreau': {
      record: record({
        ...person('HR-0441', 'Paavo Moreau', '2009-02-14', 'male', 62, 1740, 'goalkeeper'),
        ...story('hockey', 2, 'A skate that does not press on the bump.', [
          { foot: 'right', at: 'fifthMetHead', score: 5 },
        ]),
        feet: madeUpFeet(266, { width: 0.4, waist: 0.95, drop: 3 }),
        footwear: {
          chosen: {
            model: 'skar-edge-1',
            sizeLeftMm: 270,
            sizeRightMm: 270,
            work: [
              {
                id: 'right-ball-stretch',
                foot: 'right',
                model: 'skar-edge-1',
                sizeMm: 270,
                station: 'ball',
                does: 'stretch',
                at: { fromHeelMm: 190, heightMm: 20, side: 'lateral' },
                amountMm: 2,
              },
              {
                id: 'left-ball-stretch',
                foot: 'left',
                model: 'skar-edge-1',
                sizeMm: 270,
                station: 'ball',
                does: 'stretch',
                at: { fromHeelMm: 188, heightMm: 20, side: 'lateral' },
                amountMm: 1.5,
              },
            ],
          },
        },
        making: { promisedOn: today, promisedAt: '15:00' },
      }),
    },
    'soraya-benedek': {
      record: record({
        ...person('HR-0399', 'Soraya Benedek', '1981-06-30', 'female', 59, 1680, 'mountain guide'),
        ...story('mountaineering', 10, 'Front points without burning.'),
        feet: withDevice(madeUpFeet(251, { width: 0.375, waist: 0.92, drop: 4 }), 'full-custom', [
          { kind: 'metPad', heightMm: 3 },
        ]),
        jobs: [done('full-custom:print', addDays(today, -1))],
        making: { promisedOn: today, promisedAt: '16:30' },
      }),
    },
    'ngozi-tarrant': {
      record: record({
        ...person(
          'HR-0444',
          'Ngozi Tarrant',
          '1994-12-05',
          'female',
          83,
          1770,
          'hotshot crew lead',
        ),
        ...story('wildland-fire', 14, 'Two weeks on the line with the same feet.'),
        feet: withDevice(madeUpFeet(262, { width: 0.39, waist: 0.95, drop: 5 }), 'full-custom', [
          { kind: 'medialSkive', depthMm: 3 },
        ]),
        jobs: [done('vacuum-shell:positive', addDays(today, -1))],
        making: {
          promisedOn: addDays(today, 1),
          benchOn: today,
          ways: { 'full-custom': 'vacuum-shell' },
        },
      }),
    },
    'cormac-eddowes': {
      record: record({
        ...person('HR-0402', 'Cormac Eddowes', '1950-03-17', 'male', 91, 1720, 'bell ringer'),
        ...story('walking', 4, 'The tower stairs twice on Sundays.'),
        feet: withDevice(madeUpFeet(268, { width: 0.395, waist: 0.97, drop: 2 }), 'trim-to-fit'),
        making: { promisedOn: today },
      }),
    },
    'lioba-rask': {
      record: record({
        ...person('HR-0450', 'Lioba Rask', '2011-08-08', 'female', 41, 1520, 'track rider'),
        ...story('road-riding', 2, 'No numb toes in the last lap.'),
        feet: withDevice(madeUpFeet(228, { width: 0.37, waist: 0.9, drop: 2 }), 'trim-to-fit'),
        making: { promisedOn: addDays(today, 1) },
      }),
    },
    'benedikt-osei': {
      record: record({
        ...person('HR-0437', 'Benedikt Osei', '1977-11-19', 'male', 102, 1900, 'piste grooming'),
        ...story('ski-touring', 6, 'Boots on at five, off at noon, and nothing to remember.'),
        feet: withDevice(madeUpFeet(290, { width: 0.385, waist: 0.94, drop: 3 }), 'full-custom'),
        making: { promisedOn: addDays(today, 4) },
      }),
    },
  }
}
