import type { DeviceKind } from '../record/vocabulary'

/** One step at the bench. Minutes are defaults; waiting leaves the hands free; the client may have to be there. */
export interface Step {
  id: string
  words: string
  minutes: number
  waiting?: boolean
  client?: boolean
  perFoot?: boolean
  caution?: string
}

const COOL = 'Cold packs under the blank, never on skin, five minutes at most.'
const DUST = 'Extraction on, mask on.'

/** How each kind of device is made (workshop defaults, editable). */
export const PROCESSES: Record<Exclude<DeviceKind, 'none'>, readonly Step[]> = {
  'trim-to-fit': [
    { id: 'choose', words: 'Choose the blank by arch length', minutes: 2 },
    { id: 'trim', words: 'Trim to the template', minutes: 4, perFoot: true, caution: 'Cut away from the hand.' },
    { id: 'try', words: 'Try in the footwear', minutes: 3, client: true },
  ],
  'heat-moulded': [
    { id: 'impression', words: 'Vacuum impression, knee over second toe', minutes: 4, client: true, perFoot: true },
    { id: 'oven', words: 'Blank in the oven to its window', minutes: 6, waiting: true, caution: 'Measure the sock side just before the foot goes in.' },
    { id: 'place', words: 'Place under the foot, mould', minutes: 1, client: true, perFoot: true },
    { id: 'cool', words: 'Cool on the tray', minutes: 5, waiting: true, client: true, caution: COOL },
    { id: 'heel', words: 'Flatten the heel base, post', minutes: 6, perFoot: true },
    { id: 'trim', words: 'Trim to the template', minutes: 4, perFoot: true },
    { id: 'grind', words: 'Grind the edge', minutes: 4, perFoot: true, caution: DUST },
    { id: 'try', words: 'Try in the liner', minutes: 3, client: true },
  ],
  'full-custom': [
    { id: 'print', words: 'Print or mill the solid, or order it', minutes: 480, waiting: true },
    { id: 'finish', words: 'Finish the shell, break the edges', minutes: 15, perFoot: true, caution: DUST },
    { id: 'post', words: 'Check post and heel flat on the bench', minutes: 5, perFoot: true },
    { id: 'cover', words: 'Cover, glue ventilated', minutes: 10, perFoot: true, caution: 'Adhesive: air moving.' },
    { id: 'set', words: 'Let the glue set', minutes: 60, waiting: true },
    { id: 'try', words: 'Try in the footwear', minutes: 3, client: true },
  ],
}
