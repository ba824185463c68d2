import { describe, expect, it } from 'vitest'
import { bindingState } from '../../../core/footwear/bindingCheck'
import { ACTIVITIES } from '../../../core/kinds/activities/all'
import { beginOwn, ownActivities, type OwnActivity } from '../../../core/kinds/activities/own'
import { forceOf } from '../../../core/mechanics/plate/comfort'
import { parseRecord } from '../../../core/record/parse'
import type { FittingRecord, Story } from '../../../core/record/schema'
import {
  activityTold,
  activityWords,
  familiesFor,
  isBootActivity,
} from '../../../core/record/storyActivity'
import { shopTablesSchema } from '../../../core/record/tables'
import { DEMO_RECORDS } from '../../../demo/records'

const SKIJORING: OwnActivity = {
  name: 'Skijoring',
  like: 'piste',
  families: ['rigid-shell'],
  force: 'hard',
  ask: 'Behind a horse or a dog?',
  cautions: ['The pull comes from in front: look at the heel hold.'],
  terrains: ['track', 'lake'],
}
const CURLING: OwnActivity = {
  ...beginOwn('Curling', 'court'),
  families: ['shoe'],
  force: 'light',
}
const story = (told: Partial<Story>): Story => ({ complaints: [], conditions: [], ...told })
const told = (own: OwnActivity) => story({ activity: own.like, ownActivity: own })

describe('a shop’s own activity', () => {
  it('has its own name, footwear, force, question, grounds and cautions', () => {
    const activity = activityTold(told(SKIJORING))!
    expect(activity).toMatchObject({
      name: 'Skijoring',
      ask: SKIJORING.ask,
      terrains: ['track', 'lake'],
      force: 'hard',
    })
    expect(activity.cautions).toEqual([...SKIJORING.cautions, ...ACTIVITIES.of('piste').cautions])
    expect(activityWords(told(CURLING))).toBe('Curling')
    expect(familiesFor(told(CURLING))).toEqual(['shoe'])
    expect(isBootActivity(told(SKIJORING))).toBe(true)
    expect(isBootActivity(told(CURLING))).toBe(false)
  })

  it('is else judged as what it is like: its binding is tested, its force is told', () => {
    const record = structuredClone(DEMO_RECORDS['tove-marchetti']!) as FittingRecord
    record.story = told(SKIJORING)
    record.footwear = {
      candidates: [],
      chosen: { model: 'any', shellChecks: [], tryOn: [], work: [] },
    }
    expect(bindingState(record).kind).toBe('due')
    record.story = told(CURLING)
    expect(bindingState(record).kind).toBe('none')
    expect(forceOf(record)).toBe('light')
  })

  it('counts no more once something else is told', () => {
    const other = story({ activity: 'ward', ownActivity: SKIJORING })
    expect(activityWords(other)).toBe(ACTIVITIES.of('ward').name)
    expect(activityTold(story({ activity: 'yak shaving', ownActivity: SKIJORING }))).toBeUndefined()
    expect(activityWords(story({ activity: 'yak shaving' }))).toBe('yak shaving')
    expect(activityWords(undefined)).toBeUndefined()
    expect(familiesFor(undefined)).toBeNull()
  })

  it('goes with the open file: another shop reads it as it was told', () => {
    const record = structuredClone(DEMO_RECORDS['tove-marchetti']!) as FittingRecord
    record.story = told(SKIJORING)
    const read = parseRecord(JSON.parse(JSON.stringify(record)))
    expect(activityTold(read.story)).toEqual(activityTold(record.story))
  })

  it('begins as what it is like, whatever that is, and may be kept so', () => {
    for (const { kind } of ACTIVITIES.all) {
      const own = beginOwn('Ours', kind)
      expect(ownActivities.schema.safeParse([own]).success, kind).toBe(true)
      const { name: _, plain: __, ...rest } = activityTold(told(own))!
      expect(ACTIVITIES.of(kind)).toMatchObject(rest)
    }
  })

  it('has a name of its own, and footwear that it is done in', () => {
    const kept = (rows: unknown[]) => shopTablesSchema.safeParse({ ownActivities: rows }).success
    expect(kept([SKIJORING, CURLING])).toBe(true)
    expect(kept([SKIJORING, { ...CURLING, name: 'skijoring' }])).toBe(false)
    expect(kept([{ ...SKIJORING, families: [] }])).toBe(false)
    expect(kept([{ ...SKIJORING, name: '  ' }])).toBe(false)
    expect(kept([{ ...SKIJORING, like: 'juggling' }])).toBe(false)
  })
})
