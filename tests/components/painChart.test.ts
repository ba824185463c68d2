import { describe, expect, test } from 'vitest'
import PainChart from '../../app/stations/followup/PainChart.vue'
import { mountWith } from './mountWith'

const POINTS = [
  { on: '2026-11-01', score: 6 },
  { on: '2026-11-15', score: 5 },
  { on: '2026-11-29', score: 3 },
]
async function chart(props: object) {
  const { wrapper } = await mountWith(PainChart, { props: { points: POINTS, counts: 2, ...props } })
  const svg = wrapper.find('svg')
  const dots = svg.findAll('circle').map((c) => ({
    x: Number(c.attributes('cx')),
    y: Number(c.attributes('cy')),
    filled: c.attributes('fill') === 'currentColor',
  }))
  return { svg, dots, text: svg.findAll('text').map((t) => t.text()) }
}

describe('a value by date', () => {
  test('is said in words, with its days at both ends', async () => {
    const { svg, text } = await chart({})
    expect(svg.attributes('aria-label')).toBe('Pain 2026-11-01: 6, 2026-11-15: 5, 2026-11-29: 3')
    expect(text.slice(-2)).toEqual(['1 Nov', '29 Nov'])
  })

  test('goes to the right by its days and up by its score', async () => {
    const { dots } = await chart({})
    const [a, b, c] = dots
    expect(b!.x - a!.x).toBeCloseTo(c!.x - b!.x, 0)
    // Two points are twice as high as one.
    expect(c!.y - b!.y).toBeCloseTo(2 * (b!.y - a!.y), 6)
    expect(b!.y).toBeGreaterThan(a!.y)
  })

  test('outside what is believed it is filled, inside it is hollow', async () => {
    expect((await chart({})).dots.map((d) => d.filled)).toEqual([false, false, true])
    expect((await chart({ counts: 4 })).dots.map((d) => d.filled)).toEqual([false, false, false])
  })

  test('the value at handover is what the others are held against', async () => {
    const { dots, svg } = await chart({ handoverOn: '2026-11-20' })
    // Held against 5: 6 and 3 are one and two away.
    expect(dots.map((d) => d.filled)).toEqual([false, false, true])
    expect(svg.findAll('path[stroke-dasharray]')).toHaveLength(1)
    const early = await chart({ handoverOn: '2026-10-01', counts: 3 })
    expect(early.dots.map((d) => d.filled)).toEqual([false, false, true])
    expect(early.svg.findAll('path[stroke-dasharray]')).toHaveLength(0)
  })

  test('one value alone stands at the left', async () => {
    const { dots, text } = await chart({ points: POINTS.slice(0, 1) })
    expect(dots).toHaveLength(1)
    expect(dots[0]!.x).toBe(26)
    expect(text.at(-1)).toBe('1 Nov')
  })

  test('comfort has its own most', async () => {
    const { text } = await chart({ what: 'Comfort', most: 100, counts: 9 })
    expect(text.slice(0, 3)).toEqual(['0', '50', '100'])
  })
})
