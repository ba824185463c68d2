/**
 * A made-up lab: reads an order as text, looks at what it is asked to print with its own few rules,
 * and answers as text. It shares nothing with the code that builds devices: it takes the
 * prescription as written and the STL as bytes.
 */
export function standinLab(text: string): string {
  const order = JSON.parse(text) as {
    on: string
    order: string
    client: { massKg?: number }
    prescription: { feet: Record<string, { device: LabDevice }> }
    files: { name: string; base64: string }[]
  }
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
    }
  }
  return JSON.stringify({
    status: queries.length ? 'queries' : 'accepted',
    queries,
    reference: `L-${order.order.slice(0, 8)}`,
    ...(queries.length === 0 && { dueOn: workingDaysAfter(order.on, 7) }),
  })
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
