import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import FootwearTablesPane from '../../app/settings/FootwearTablesPane.vue'
import StoryActivity from '../../app/stations/story/StoryActivity.vue'
import { ACTIVITIES } from '../../core/kinds/activities/all'
import { beginOwn, type OwnActivity } from '../../core/kinds/activities/own'
import { HOUSE_TABLES } from '../../core/record/tables'
import { button, field, offered, pick, textOf, type } from './find'
import { demo, mountWith } from './mountWith'
import { settingsPane } from './settingsTables'

const SLEDGE: OwnActivity = {
  ...beginOwn('Sledge racing', 'ski-race'),
  ask: 'Do you brake with the heels?',
  cautions: ['Spikes through the sole: look at what they press on.'],
  terrains: ['ice run', 'road'],
}

async function settings(own: OwnActivity[] = []) {
  const pane = await settingsPane(FootwearTablesPane, { tables: { ownActivities: own } })
  await pane.tab('Our activities')
  return pane
}

test('one is added: what it is like fills in the rest, which can be changed', async () => {
  const { wrapper, change } = await settings()
  expect(textOf(wrapper)).toContain('None yet.')
  await button(wrapper, 'Add an activity').trigger('click')
  await type(wrapper, 'What it is called', 'Sledge racing')
  await pick(wrapper, 'Most like', ACTIVITIES.of('ski-race').name)
  expect(field(wrapper, 'What it is called').element.value).toBe('Sledge racing')
  expect(field(wrapper, 'What to ask next').element.value).toBe(ACTIVITIES.of('ski-race').ask)
  await type(wrapper, 'What to ask next', SLEDGE.ask)
  await type(wrapper, 'Grounds, one a line', 'ice run\n\n road ')
  await type(wrapper, 'Cautions, one a line', SLEDGE.cautions[0]!)
  await wrapper.find('form.form').trigger('submit')
  expect(change()!.ownActivities).toEqual([SLEDGE])
})

test('without a name or with another’s it is not taken over, and says why', async () => {
  const { wrapper, change } = await settings([SLEDGE])
  await button(wrapper, 'Add an activity').trigger('click')
  await wrapper.find('form.form').trigger('submit')
  expect(change()).toBeUndefined()
  expect(textOf(wrapper)).toContain('write some words')
  await type(wrapper, 'What it is called', ' sledge RACING ')
  await nextTick()
  expect(textOf(wrapper)).toContain('another of ours has this name')
  await wrapper.find('form.form').trigger('submit')
  expect(change()).toBeUndefined()
})

test('one is changed where it stands, and removed', async () => {
  const other = beginOwn('Curling', 'court')
  const { wrapper, change } = await settings([SLEDGE, other])
  await button(wrapper, /^Sledge racing like/).trigger('click')
  await type(wrapper, 'What it is called', 'Natural track')
  await wrapper.find('form.form').trigger('submit')
  expect(change()!.ownActivities!.map((o) => o.name)).toEqual(['Natural track', 'Curling'])
  await button(wrapper, /^Curling like/).trigger('click')
  await button(wrapper, 'Remove').trigger('click')
  expect(change()!.ownActivities!.map((o) => o.name)).toEqual(['Sledge racing'])
})

test('Story offers it first, asks its question and keeps it with the fitting', async () => {
  const record = demo('Tove')
  record.story = { complaints: [], conditions: [] }
  const { wrapper, fitting } = await mountWith(StoryActivity, { record })
  fitting.tables = { ...HOUSE_TABLES, ownActivities: [SLEDGE] }
  await nextTick()
  expect(offered(wrapper, 'Activity').slice(0, 2)).toEqual(['Ours', 'Sledge racing'])
  await pick(wrapper, 'Activity', 'Sledge racing')
  expect(fitting.record.story).toMatchObject({
    activity: 'ski-race',
    ownActivity: SLEDGE,
    force: 'hard',
  })
  expect(textOf(wrapper)).toContain(SLEDGE.ask)
  expect(textOf(wrapper)).toContain(SLEDGE.cautions[0])
  await button(wrapper, 'ice run').trigger('click')
  expect(fitting.record.story!.terrain).toBe('ice run')
  // Something else is told: nothing of it stays.
  await pick(wrapper, 'Activity', 'Walking')
  expect(fitting.record.story).toMatchObject({ activity: 'walking' })
  expect(fitting.record.story).not.toHaveProperty('ownActivity')
  expect(fitting.record.story).not.toHaveProperty('terrain')
})

test('what the shop has no more is still told in the fittings that were told so', async () => {
  const record = demo('Tove')
  record.story = { complaints: [], conditions: [], activity: 'ski-race', ownActivity: SLEDGE }
  const { wrapper } = await mountWith(StoryActivity, { record })
  expect(offered(wrapper, 'Activity')).toContain('Sledge racing')
  expect(textOf(wrapper)).toContain(SLEDGE.ask)
})
