/**
 * A made-up lab: reads an order as text, looks at what it is asked to print with its own few rules,
 * and answers as text. It shares nothing with the code that builds devices: it takes the
 * prescription as written and the STL as bytes.
 */
export function standinLab(text: string): string {
  const document = JSON.parse(text) as LabOrder | LabCancel
  return JSON.stringify(
    document.format === 'gentle-arch/lab-cancel' ? takenBack(document) : lookedAt(document),
  )
}

/** An order is taken back until two working days before it is ready: then it is in the oven. */
const takenBack = ({ order, on, dueOn }: LabCancel) => ({
  status: dueOn !== null && workingDaysAfter(on, 2) > dueOn ? 'accepted' : 'cancelled',
  queries: [],
  reference: referenceOf(order),
  ...(dueOn !== null && { dueOn }),
})
const referenceOf = (order: string) => `L-${order.slice(0, 8)}`

const LEAD_DAYS = 7

function lookedAt(order: LabOrder) {
  const queries: { foot: string; code: string; words: string }[] = []
  for (const [foot, { device }] of Object.entries(order.prescription.feet)) {
    if (device.kind === 'none') continue
    const ask = (code: string, words: string) => queries.push({ foot, code, words })
    const least = LEAST_MM[device.shell.material]
    const heavy = (order.client.massKg ?? 0) > 95 ? 0.5 : 0
    const thinnest = Math.min(
      device.shell.thicknessMm,
      device.shell.graded?.heelMm ?? 99,
      device.shell.graded?.archMm ?? 99,
      device.shell.graded?.frontMm ?? 99,
    )
    if (least === undefined)
      ask('material', `We do not stock "${device.shell.material}". Which of ours may we take?`)
    else if (thinnest < least + heavy)
      ask(
        'too-thin',
        `${thinnest} mm of ${device.shell.material} is thinner than we can warrant${heavy ? ' at this body weight' : ''}; we need ${least + heavy} mm. Shall we go up?`,
      )
    const on = device.layers.filter((l) => l.on !== false).map((l) => l.kind)
    if (on.includes('firstRayCutOut') && device.posts.length === 0)
      ask('no-post', 'A first-ray cut-out without a post: is a post missing, or is it meant so?')
    if (device.heelLiftMm > 10)
      ask('lift', `A lift of ${device.heelLiftMm} mm inside the shoe: please confirm.`)
    const stl = order.files.find((f) => f.name === `${foot}.stl`)
    if (!stl) ask('no-file', `There is no ${foot}.stl in the order.`)
    else {
      const bytes = Buffer.from(stl.base64, 'base64')
      if (bytes.length < 84 || bytes.length !== 84 + 50 * bytes.readUInt32LE(80))
        ask('broken-file', `${foot}.stl is cut short. Please send it again.`)
      else addsUp(order, foot, device, bytes, ask)
    }
  }
  const dueOn = workingDaysAfter(order.on, LEAD_DAYS)
  if (order.wantedOn && order.wantedOn < dueOn)
    queries.push({
      foot: 'both',
      code: 'too-soon',
      words: `You want it on ${order.wantedOn}; we need until ${dueOn}. Is that day as good?`,
    })
  // What was answered is settled; a broken file is not mended by words.
  const open = queries.filter(
    (q) =>
      NO_WORDS_MEND.includes(q.code) ||
      !order.replies?.some((r) => r.foot === q.foot && r.code === q.code),
  )
  return {
    status: open.length ? 'queries' : 'accepted',
    queries: open,
    reference: referenceOf(order.order),
    ...(open.length === 0 && { dueOn }),
  }
}
const NO_WORDS_MEND: readonly string[] = ['no-file', 'broken-file']

/** What a shell is made by, in this lab. */
const MADE_BY: Record<string, readonly string[]> = {
  polypropylene: ['pressed', 'milled'],
  pa12: ['printed'],
  carbon: ['pressed'],
  'eva-60': ['milled'],
  cork: ['milled', 'pressed'],
}

/** Does what came fit together: the solid with the foot, the foot with its footwear, the way with the material? */
function addsUp(
  { feet, footwear }: LabOrder,
  foot: string,
  { shell }: LabDevice,
  stl: Buffer,
  ask: (code: string, words: string) => void,
): void {
  const told = feet?.[foot]
  if (
    told?.making &&
    told.making !== 'blank' &&
    MADE_BY[shell.material]?.includes(told.making) === false
  )
    ask('making', `${shell.material} is not ${told.making} here. Shall we make it the usual way?`)
  const footMm = told?.readings?.footLengthMm
  if (footMm === undefined) return
  const longMm = lengthOf(stl)
  if (longMm > 0 && (longMm < 0.55 * footMm || longMm > 1.02 * footMm))
    ask(
      'length',
      `The solid is ${Math.round(longMm)} mm long, the foot ${Math.round(footMm)}. Is it the right file?`,
    )
  const sizeMm = footwear?.sizeMm?.[foot]
  if (sizeMm !== undefined && sizeMm < footMm - 6)
    ask(
      'footwear',
      `The footwear is ${sizeMm} mm, the foot ${Math.round(footMm)}. Which of the two is right?`,
    )
}

/** Length of the body in an STL along y, mm. */
function lengthOf(stl: Buffer): number {
  let [low, high] = [Infinity, -Infinity]
  for (let at = 84; at + 50 <= stl.length; at += 50)
    for (const corner of [0, 1, 2]) {
      const y = stl.readFloatLE(at + 12 + 12 * corner + 4)
      low = Math.min(low, y)
      high = Math.max(high, y)
    }
  return high > low ? high - low : 0
}

interface LabOrder {
  format?: 'gentle-arch/lab-order'
  on: string
  order: string
  client: { massKg?: number }
  prescription: { feet: Record<string, { device: LabDevice }> }
  files: { name: string; base64: string }[]
  wantedOn?: string | null
  footwear?: { sizeMm?: Record<string, number> }
  feet?: Record<string, { readings?: { footLengthMm?: number }; making?: string }>
  replies?: { foot: string; code: string }[]
}

interface LabCancel {
  format: 'gentle-arch/lab-cancel'
  order: string
  on: string
  dueOn: string | null
}

interface LabDevice {
  kind: string
  shell: {
    material: string
    thicknessMm: number
    graded?: { heelMm?: number; archMm?: number; frontMm?: number }
  }
  layers: { kind: string; on?: boolean }[]
  posts: unknown[]
  heelLiftMm: number
}

/** What this lab prints and the thinnest it warrants, mm. */
const LEAST_MM: Record<string, number> = {
  polypropylene: 2.5,
  pa12: 2,
  carbon: 1.2,
  'eva-60': 4,
  cork: 4,
}

function workingDaysAfter(day: string, count: number): string {
  const date = new Date(`${day}T12:00:00Z`)
  for (let left = count; left > 0;) {
    date.setUTCDate(date.getUTCDate() + 1)
    if (date.getUTCDay() !== 0 && date.getUTCDay() !== 6) left--
  }
  return date.toISOString().slice(0, 10)
}
