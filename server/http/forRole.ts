import type { FittingState } from '../../shared/contracts'
import { BENCH_PARTS, type Role } from '../../shared/permissions'

/** A fitting as a role may see it: a bench hand gets what a job needs, under the client's code. */
export function forRole(state: FittingState, role: Role): FittingState {
  if (role !== 'bench') return state
  const parts = Object.fromEntries(
    Object.entries(state.parts).filter(([name]) =>
      (BENCH_PARTS as readonly string[]).includes(name),
    ),
  )
  const { code, massKg } = { massKg: undefined, ...state.client.details, code: state.client.code }
  return {
    ...state,
    client: { ...state.client, details: { code, ...(massKg !== undefined && { massKg }) } },
    parts: {
      ...parts,
      ...(parts.visit && { visit: { ...parts.visit, content: { on: state.openedOn } } }),
    },
  }
}
