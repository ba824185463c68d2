import type { MaterialRows } from '../device/materialNames'
import { normsOf } from '../record/tables'
import { LAYERS } from '../kinds/layers/all'
import type { FittingRecord } from '../record/schema'
import { SCHOOLS, type School } from '../tables/vocabulary'
import { judge } from './advise'
import { changeWords } from './changeWords'
import type { Entry } from './entry'

/** What one school would do, and what of it others would do too. */
export interface SchoolView {
  school: School
  entries: Entry[]
}

/** The same change on the same foot, proposed by more than one school. */
export interface Agreement {
  foot: Entry['foot']
  what: string
  schools: School[]
}

/** What a change is about, whatever its amount: two schools agree on a post, not on its degrees. */
function subject(entry: Entry, rows: MaterialRows): string | null {
  const { change } = entry
  if (!change) return null
  if ('layer' in change) return LAYERS.of(change.layer).name.toLowerCase()
  if ('post' in change)
    return `${change.post.at} post ${change.post.angleDeg > 0 ? 'varus' : 'valgus'}`
  if ('shell' in change)
    return 'heelCupMm' in change.shell
      ? 'deeper heel cup'
      : 'coverMm' in change.shell || 'coverMaterial' in change.shell
        ? 'another cover'
        : 'another shell'
  if ('heelLiftMm' in change) return 'heel lift'
  return changeWords(change, rows)
}

/**
 * The same feet read by all five schools side by side, where two and more propose the same, and
 * where they pull against each other.
 */
export function bySchool(record: FittingRecord): {
  views: SchoolView[]
  agree: Agreement[]
  against: Agreement[]
} {
  const all = judge(record).filter((e) => e.school !== 'all')
  const views = SCHOOLS.map((school) => ({
    school,
    entries: all.filter((e) => e.school === school),
  }))
  const groups = new Map<string, Agreement>()
  for (const entry of all) {
    const what = subject(entry, normsOf(record))
    if (!what) continue
    const key = `${entry.foot} ${what}`
    const group = groups.get(key) ?? { foot: entry.foot, what, schools: [] }
    if (!group.schools.includes(entry.school as School)) group.schools.push(entry.school as School)
    groups.set(key, group)
  }
  const agree = [...groups.values()].filter((g) => g.schools.length > 1)
  const against = ['left', 'right'].flatMap((foot): Agreement[] => {
    // A heel is pushed to one side in every school; what they differ in is whether to push it at all.
    const leaves = groups.get(`${foot} ${changeWords({ device: 'none' }, normsOf(record))}`)
    const builds = all.filter(
      (e) => e.foot === foot && e.change !== null && ('post' in e.change || 'layer' in e.change),
    )
    const schools = builds.flatMap((e) => (e.school === 'all' ? [] : [e.school]))
    return leaves && schools.length > 0
      ? [
          {
            foot: foot as Entry['foot'],
            what: 'leave it as it is against build something',
            schools: [...new Set([...leaves.schools, ...schools])],
          },
        ]
      : []
  })
  return { views, agree, against }
}
