import { seeded } from '../../core/capture/standin/random'

/** What the stand-in plate knows of the foot that stands on it, mm and kg. */
export interface Stander {
  side: 'left' | 'right'
  lengthMm: number
  widthMm: number
  heelMm: number
  /** 0 a high arch that hardly touches, 1 a low one that touches all along */
  archContact: number
  massKg: number
}

const CELL_MM = 5

/**
 * A stand-in for a pressure plate: blobs under heel, ball, outer edge and toes with sensor noise,
 * written as the file a plate would give. It shares no code with the reading of prints.
 */
export function plateFile(foot: Stander, seed: number): string {
  const { next: random } = seeded(seed)
  const { lengthMm: L, widthMm: W, heelMm: H } = foot
  const blobs = [
    { x: 0, y: 0.13 * L, rx: 0.36 * H, ry: 0.11 * L, p: 1 },
    {
      x: -0.3 * W,
      y: 0.4 * L,
      rx: 0.07 * W + 0.2 * W * foot.archContact,
      ry: 0.21 * L,
      p: 0.2 + 0.28 * foot.archContact,
    },
    { x: 0.3 * W, y: 0.725 * L, rx: 0.16 * W, ry: 0.05 * L, p: 0.8 },
    { x: 0.02 * W, y: 0.735 * L, rx: 0.2 * W, ry: 0.05 * L, p: 0.9 },
    { x: -0.32 * W, y: 0.67 * L, rx: 0.17 * W, ry: 0.055 * L, p: 0.6 },
    { x: 0.28 * W, y: 0.93 * L, rx: 0.12 * W, ry: 0.035 * L, p: 0.55 },
    { x: 0.02 * W, y: 0.93 * L, rx: 0.06 * W, ry: 0.02 * L, p: 0.25 },
    { x: -0.17 * W, y: 0.9 * L, rx: 0.055 * W, ry: 0.018 * L, p: 0.2 },
  ]
  const columns = Math.ceil((W + 30) / CELL_MM)
  const rows = Math.ceil((L + 20) / CELL_MM)
  const flip = foot.side === 'left' ? 1 : -1
  const raw = Array.from({ length: rows }, (_, r) =>
    Array.from({ length: columns }, (_, c) => {
      const x = flip * (c + 0.5 - columns / 2) * CELL_MM
      const y = (rows - r - 0.5) * CELL_MM - 10
      let p = 0
      for (const b of blobs)
        p += b.p * Math.exp(-(((x - b.x) / b.rx) ** 2) * 1.6 - ((y - b.y) / b.ry) ** 2 * 1.6)
      return p
    }),
  )
  const force = foot.massKg * 9.81 * 0.5
  const total = raw.flat().reduce((a, b) => a + (b > 0.06 ? b : 0), 0)
  const scale = force / (total * CELL_MM * CELL_MM * 1e-3)
  const lines = raw.map((row) =>
    row
      .map((p) =>
        p > 0.06
          ? Math.max(0, Math.round(p * scale * (0.96 + 0.08 * random())))
          : random() < 0.02
            ? Math.round(4 * random())
            : 0,
      )
      .join(','),
  )
  return [
    'gentle-arch-footprint,1',
    `side,${foot.side}`,
    `cellMm,${CELL_MM}`,
    'source,stand-in plate',
    ...lines,
    '',
  ].join('\n')
}
