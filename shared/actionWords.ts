import { partWords } from '../core/record/clashWords'

/** What people did, by the beginning of its code; what follows the beginning is said behind it. */
const WORDS: [begins: string, words: string][] = [
  ['client.see', 'looked at the client'],
  ['fitting.see', 'looked at the fitting'],
  ['photo.see', 'looked at a photo'],
  ['scan.see', 'looked at a scan'],
  ['client.add', 'new client'],
  ['client.change', 'changed the client'],
  ['client.erase', 'erased the client'],
  ['client.export', 'took the client’s record out'],
  ['record.import', 'read a record in'],
  ['fitting.open', 'opened a fitting'],
  ['fitting.place', 'took the fitting elsewhere'],
  ['fitting.export', 'took the fitting out'],
  ['visit.', 'visit:'],
  ['due.remind', 'wrote a letter of reminder'],
  ['due.', 'what is due:'],
  ['readings.add:', 'took'],
  ['readings.set:', 'changed'],
  ['jobs.step:', 'worked on'],
  ['work.found:', 'measured the work in'],
  ['work.follows', 'by it changed'],
  ['part.put:', 'changed'],
  ['photo.add', 'new photo'],
  ['photo.drop', 'took a photo away'],
  ['scan.add', 'new scan'],
  ['scan.drop', 'took a scan away'],
  ['device.order', 'ordered from a lab'],
  ['document.', 'printed or took out:'],
  ['norms.version', 'house table'],
  ['models.import', 'read a catalogue in'],
  ['models.details', 'changed a model of the catalogue'],
  ['models.measure', 'measured a shell'],
  ['models.remove', 'took a model out'],
  ['models.stock', 'counted a shelf'],
  ['models.shelf', 'moved pairs on a shelf by the handover'],
  ['preset.add', 'new preset'],
  ['preset.drop', 'took a preset away'],
  ['double-reading.add', 'double reading:'],
  ['double-reading.drop', 'took a double reading away'],
  ['bench.plan', 'kept the plan of'],
  ['owner.claimed', 'became the first owner'],
  ['owner.lock ', 'pages hide after'],
  ['place.open ', 'opened the place'],
  ['place.name ', 'named a place'],
  ['place.close ', 'closed the place'],
  ['place.people', 'said who works where'],
  ['person.invite ', 'invited'],
  ['person.change ', 'changed what is told of'],
  ['person.left ', 'said farewell to'],
  ['person.code ', 'gave a code to'],
  ['person.claimed', 'took up their code'],
  ['shop.details', 'changed what papers say of the shop'],
  ['self.password', 'changed their password'],
  ['self.fingers', 'measured their fingers'],
  ['self.pin', 'changed their PIN'],
  ['self.place', 'went to another place'],
  ['standin.', 'used the stand-in'],
  ['sign-in.refused', 'was refused at sign-in'],
  ['sign-in', 'signed in'],
  ['sign-out.ended ', 'ended a session of'],
  ['sign-out', 'signed out'],
]
/** Codes that name a part of a fitting behind them. */
const OF_PART = /^(?:part\.put|readings\.(?:add|set)|jobs\.step):(.+)$/

/** Name of the part that an action changed, without its side; empty where it changed none. */
export const partOfAction = (action: string): string =>
  OF_PART.exec(action)?.[1]?.split('.')[0] ?? ''

/**
 * A line of the trail in words; a code that is not known stays as it is.
 *
 * @example actionWords('readings.add:readings.left') // 'took left readings'
 */
export function actionWords(action: string): string {
  const known = WORDS.find(([begins]) => action.startsWith(begins))
  if (!known) return action
  const [begins, words] = known
  const rest = OF_PART.test(action)
    ? partWords(OF_PART.exec(action)![1]!)
    : action
        .slice(begins.length)
        .replace(/^:/, '')
        .replaceAll(/[.-](?=[a-z])/g, ' ')
  return `${words} ${rest}`.trim()
}
