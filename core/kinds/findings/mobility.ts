import { z } from 'zod'
import { STIFFNESS } from '../../tables/vocabulary'
import { own } from './definition'

export const mobility = own({
  kind: 'mobility',
  group: 'range',
  name: 'Mobility',
  how: 'joint by joint: stiff, usual, loose',
  plain: 'which joints are stiff or loose',
  child: 'loose joints are common: no correction for them alone',
  insensate: 'look, do not ask',
  schema: z.record(z.string(), z.enum(STIFFNESS)),
  sheet: (joints) =>
    Object.entries(joints)
      .filter(([, how]) => how !== 'usual')
      .map(([joint, how]) => `${joint} ${how}`)
      .join(', ') || null,
})
