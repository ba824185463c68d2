import { describe, expect, test } from 'vitest'
import KeepingPane from '../../app/settings/KeepingPane.vue'
import Settings from '../../app/pages/settings.vue'
import { textOf } from './find'
import { mountWith, settled } from './mountWith'

const hoursAgo = (hours: number) => new Date(Date.now() - hours * 3_600_000).toISOString()
const night = (hours: number, problem: string | null = null) => ({
  at: hoursAgo(hours),
  file: `night-${hours}.arch`,
  bytes: problem ? null : 4_200_000,
  problem,
})
async function pane(backups: ReturnType<typeof night>[], freeBytes = 80e9) {
  const lastGood = backups.find((b) => !b.problem) ?? null
  const answers = { backups: { lastGood, backups, freeBytes } }
  const { wrapper } = await mountWith(KeepingPane, { answers })
  await settled()
  return textOf(wrapper)
}
describe('how things are kept', () => {
  test('tells the last good backup, and that it is in time', async () => {
    const text = await pane([night(7), night(31)])
    expect(text).toMatch(/night-7\.arch, 4\.2 MB/)
    expect(text).toContain('in time')
    expect(text).toContain('80 GB left')
  })
  test('says what failed, and that the good one is old', async () => {
    const text = await pane([night(7, 'pg_dump failed'), night(50)])
    expect(text).toContain('pg_dump failed')
    expect(text).toContain('older than it should be')
    expect(text).toMatch(/night-50\.arch/)
  })
  test('says that there is none yet', async () => {
    const text = await pane([])
    expect(text).toContain('none yet')
    expect(text).toContain('No backup was made yet.')
  })
  test('is the owner’s to see', async () => {
    const answers = { norms: { versions: [] } }
    const tabs = async (role: 'owner' | 'fitter') => {
      const { wrapper } = await mountWith(Settings, { role, answers })
      await settled()
      return wrapper.findAll('[role="tab"]').map((tab) => tab.text())
    }
    expect(await tabs('owner')).toContain('Backups')
    expect(await tabs('fitter')).not.toContain('Backups')
  })
})
