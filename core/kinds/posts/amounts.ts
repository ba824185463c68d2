import type { PostAmount } from './definition'

const said = (value: number) => Number(value.toFixed(1)).toString()

/** The angle of a post; + is varus. */
export const angleDeg = (name: string, note: string): PostAmount => ({
  key: 'angleDeg',
  name,
  note,
  label: 'angle, + varus',
  unit: '°',
  step: 1,
  range: [-45, 45],
  start: 2,
  usual: [-8, 8],
  sheet: () => null,
})

/** Length of a block: from the heel, or behind the front edge. */
export const lengthMm: PostAmount = {
  key: 'lengthMm',
  name: 'its length',
  note: 'from the heel',
  label: 'length',
  unit: 'mm',
  step: 5,
  range: [10, 140],
  start: 60,
  usual: null,
  sheet: ({ lengthMm: mm }) => (mm ? `${said(mm)} mm long` : null),
}

/** How far a block lets the heel roll in before its whole base lies on the floor. */
export const motionDeg: PostAmount = {
  key: 'motionDeg',
  name: 'its motion',
  note: 'inner base ground up',
  label: 'motion',
  unit: '°',
  step: 1,
  range: [0, 12],
  start: 4,
  usual: [0, 6],
  sheet: ({ motionDeg: deg }) => (deg ? `${said(deg)}° of motion` : null),
}
