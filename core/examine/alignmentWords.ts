import type { Findings } from '../record/schema'
import { degreesText, directed, inversionWords, varusWords } from './angleSummary'
import type { Norms } from '../record/tables'
import type { FootExamination } from './examination'
import type { PostureClass } from './verdicts'

export const JOINT_WORDS: Record<string, string> = {
  ankle: 'ankle',
  subtalar: 'rearfoot',
  midtarsal: 'midfoot',
  firstRay: 'first ray',
  firstToe: 'big toe',
  lesserToes: 'small toes',
}

export const POSTURE_WORDS: Record<PostureClass, string> = {
  normal: 'usual',
  pronated: 'pronated',
  stronglyPronated: 'strongly pronated',
  supinated: 'supinated',
  stronglySupinated: 'strongly supinated',
}

const TOE_WORDS: Record<NonNullable<FootExamination['firstToe']>, string> = {
  usual: 'big toe bends freely',
  limited: 'big toe limited',
  functionalLimit: 'big toe free in the air, blocked under load',
  rigid0: 'big toe range as in grade 0',
  rigid1: 'big toe range as in grade 1',
  rigid2: 'big toe range as in grade 2',
  rigid3: 'big toe range as in grade 3',
  rigid4: 'big toe range as in grade 4',
}
const ANKLE_WORDS: Record<NonNullable<FootExamination['ankle']>, string> = {
  usual: 'ankle range usual',
  calfLimited: 'ankle limited by the calf',
  jointLimited: 'ankle limited at the joint',
}

const joined = (names: readonly string[]) => names.map((n) => JOINT_WORDS[n] ?? n).join(', ')

/**
 * One plain and exact sentence about how a foot stands: each clause is made from one number and its
 * sign, so that none can contradict it. What is stiff and what is loose is named; nothing is said
 * about what was not taken.
 *
 * For instance `alignmentWords(…)` is 'Rearfoot neutral 1.2° varus; heel stands 5° everted, rolls in 6°
 *   to get down; forefoot 7° varus, 11.8 mm across, beyond the usual.'
 */
export function alignmentWords(
  exam: Omit<FootExamination, 'words'>,
  findings: Findings | undefined,
  child: boolean,
  norms: Pick<Norms, 'usualForefootDeg'>,
): string {
  const clauses: string[] = []
  const neutral = exam.neutralDeg ?? exam.angles.neutralPalpatedDeg?.meanDeg
  if (neutral !== undefined)
    clauses.push(
      `rearfoot neutral ${varusWords(neutral)}${exam.neutralDeg === null ? ' by palpation' : ''}`,
    )
  if (exam.relaxed) clauses.push(stance(exam))
  if (exam.forefoot) clauses.push(forefoot(exam, norms))
  const ray = findings?.firstRay
  if (ray?.rest && ray.rest !== 'level')
    clauses.push(
      `first ray ${ray.rest}${ray.stiffness ? `, ${ray.stiffness === 'stiff' ? 'rigid' : 'flexible'}` : ''}`,
    )
  if (findings?.fifthRay && findings.fifthRay !== 'level')
    clauses.push(`fifth ray ${findings.fifthRay}`)
  if (exam.ankle && exam.ankle !== 'usual') clauses.push(ANKLE_WORDS[exam.ankle])
  if (exam.firstToe && exam.firstToe !== 'usual') clauses.push(TOE_WORDS[exam.firstToe])
  if (exam.postureClass && exam.postureSum !== null)
    clauses.push(
      `posture ${exam.postureSum > 0 ? '+' : exam.postureSum < 0 ? '−' : ''}${Math.abs(exam.postureSum)}, ${POSTURE_WORDS[exam.postureClass]}`,
    )
  else if (exam.postureSum !== null && child)
    clauses.push(`posture sum ${exam.postureSum}, growing foot: no class`)
  else if (findings?.posture?.some((item) => item !== null))
    clauses.push('posture not seen in all six items')
  if (exam.stiff.length) clauses.push(`stiff: ${joined(exam.stiff)}`)
  if (exam.loose.length) clauses.push(`loose: ${joined(exam.loose)}`)
  if (clauses.length === 0)
    return isExamined(findings) ? 'Nothing unusual in what was examined.' : 'Not examined yet.'
  const sentence = clauses.join('; ')
  return `${sentence[0]!.toUpperCase()}${sentence.slice(1)}.`
}

/** Was anything looked at? An empty list of tries is nothing. */
function isExamined(findings: Findings | undefined): boolean {
  const holds = (value: unknown): boolean =>
    Array.isArray(value)
      ? value.some((v) => v !== null)
      : typeof value === 'object' && value !== null
        ? Object.values(value).some(holds)
        : value !== undefined
  // How an angle was taken is nothing that was found.
  const { taken: _, ...found } = findings ?? {}
  return holds(found)
}

function stance(exam: Omit<FootExamination, 'words'>): string {
  const parts = [`heel stands ${inversionWords(exam.relaxed!.meanDeg)}`]
  if (exam.rollDeg !== null)
    parts.push(
      directed(
        exam.rollDeg,
        'of roll inward to get down',
        'of roll outward to get down',
        'no roll to get down',
      ),
    )
  if (exam.uncompensatedDeg !== null && exam.uncompensatedDeg >= 0.5)
    parts.push(`${degreesText(exam.uncompensatedDeg)}° not got down`)
  if (exam.eversionLeftDeg !== null)
    parts.push(
      exam.eversionLeftDeg <= 2
        ? 'at the end of its eversion'
        : `${degreesText(exam.eversionLeftDeg)}° of eversion left`,
    )
  return parts.join(', ')
}

function forefoot(
  exam: Omit<FootExamination, 'words'>,
  { usualForefootDeg: [low, high] }: Pick<Norms, 'usualForefootDeg'>,
): string {
  const deg = exam.forefoot!.meanDeg
  const across = exam.forefootMm === null ? '' : `, ${degreesText(exam.forefootMm)} mm across`
  return `forefoot ${varusWords(deg)}${across}, ${deg >= low && deg <= high ? 'usual' : 'beyond the usual'}`
}
