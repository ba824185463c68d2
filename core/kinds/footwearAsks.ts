import { registry } from './registry'

/** What footwear can be asked for instead of, or beside, a device: for the bench, for the client. */
const LIST = [
  { kind: 'rocker', name: 'rocker sole', plain: 'a shoe with a rolling sole' },
  { kind: 'wider', name: 'wider footwear', plain: 'wider footwear' },
  { kind: 'longer', name: 'half a size longer', plain: 'footwear half a size longer' },
  { kind: 'instepRoom', name: 'instep room', plain: 'more room over the instep' },
  {
    kind: 'cuff',
    name: 'cuff set to the leg',
    plain: 'setting the boot’s cuff to your leg',
  },
  { kind: 'soft', name: 'soft upper', plain: 'softer footwear' },
] as const

export type FootwearAsk = (typeof LIST)[number]['kind']
export const FOOTWEAR_ASKS = registry<{ kind: FootwearAsk; name: string; plain: string }>(LIST)
