import { bench, describe } from 'vitest'
import { deviceSchema } from '../../core/record/schema'
import { bundled } from './bundled'
import type * as Core from './benchCore'
import { REFERENCE_SOLE } from '../fixtures/referenceSole'

const core = await bundled<typeof Core>('benchCore')
const field = core.sampleSole(REFERENCE_SOLE, 1)
const made = Array.from({ length: 8 }, (_, k) => {
  const device = deviceSchema.parse({ shell: { thicknessMm: 3 + k / 8 } })
  return {
    device,
    body: core.buildShell(core.buildSurface(field, device), device, core.HOUSE_NORMS),
  }
})
const material = core.HOUSE_NORMS.shellMaterials[0]!

describe('shell', () => {
  let k = 0
  const next = () => made[++k % made.length]!
  const one = core.archStiffness(made[0]!.body, made[0]!.device, material)
  bench('one linear solve of a 4 mm mesh, order kept', () => {
    core.solveShell({
      ...one.seated.ready,
      model: {
        ...one.seated.ready.model,
        foundation: { ...one.seated.ready.model.foundation!, unilateral: false },
      },
    })
  })
  bench('arch of another thickness on 4 mm, contact from nothing (bar 1000 ms)', () => {
    const { device, body } = next()
    core.archStiffness(body, device, material)
  })
  let from = one
  bench('the same, from the answer of a moment ago', () => {
    const { device, body } = next()
    from = core.archStiffness(body, device, material, { from })
  })
  let coarse = core.archStiffness(made[0]!.body, made[0]!.device, material, { stepMm: 6 })
  bench('6 mm while something is dragged', () => {
    const { device, body } = next()
    coarse = core.archStiffness(body, device, material, { stepMm: 6, from: coarse })
  })
})
