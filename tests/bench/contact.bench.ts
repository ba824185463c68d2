import { bench, describe } from 'vitest'
import { deviceSchema } from '../../core/record/schema'
import { bundled } from './bundled'
import type * as Core from './benchCore'
import { REFERENCE_SOLE } from '../fixtures/referenceSole'

const core = await bundled<typeof Core>('benchCore')
const parameters = REFERENCE_SOLE

describe('contact', () => {
  for (const [stepMm, bar] of [
    [2, 30],
    [1, 50],
  ] as const) {
    const ground = core.contactGround(core.sampleSole(parameters, stepMm), core.HOUSE_NORMS, 75)
    const made = Array.from({ length: 10 }, (_, k) => {
      const device = deviceSchema.parse({ layers: [{ kind: 'medialSkive', depthMm: 2 + k / 5 }] })
      return {
        device,
        body: core.buildShell(core.buildSurface(ground.field, device), device, core.HOUSE_NORMS),
      }
    })
    let last = core.contactOnDevice(ground, made[0]!.device, { body: made[0]!.body })
    let k = 0
    bench(
      `one change of a skive, spring and fixed roll, ${stepMm} mm grid, warm (bar ${bar} ms)`,
      () => {
        const { device, body } = made[++k % made.length]!
        last = core.contactOnDevice(ground, device, { body, start: last })
      },
    )
  }
})
