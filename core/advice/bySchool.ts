import type { MaterialRows } from '../device/materialNames'
import { normsOf } from '../record/tables'
import { LAYERS } from '../kinds/layers/all'
import type { FittingRecord } from '../record/schema'
import { SCHOOLS, type School } from '../tables/vocabulary'
import { judge } from './advise'
import { changeWords } from './applyChange'
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
    const [varus, valgus] = [
      groups.get(`${foot} rearfoot post varus`),
      groups.get(`${foot} rearfoot post valgus`),
    ]
    return varus && valgus
      ? [
          {
            foot: foot as Entry['foot'],
            what: 'rearfoot post varus against valgus',
            schools: [...varus.schools, ...valgus.schools],
          },
        ]
      : []
  })
  return { views, agree, against }
}
