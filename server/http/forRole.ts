import { benchCautions } from '../../core/advice/benchCautions'
import type { PartContent, PartName } from '../../core/record/parts'
import type { FittingState, PartState } from '../../shared/contracts'
import { BENCH_PARTS, type Role } from '../../shared/permissions'

/** What a binding was tested for holds the body's weight: nobody makes anything by it. */
const without = <T extends object, K extends keyof T>(value: T, key: K): Omit<T, K> => {
  const { [key]: _, ...rest } = value
  return rest
}

type Cuts = { [P in PartName]?: (content: PartContent<P>) => unknown }

const findingsForShape = ({ forefootDeg }: PartContent<'findings.left'>) =>
  forefootDeg === undefined ? {} : { forefootDeg }

/** What of a part a job needs, where it is not all of it. */
const CUTS: Cuts = {
  // A drawing of the device stands on the foot's own angle.
  'findings.left': findingsForShape,
  'findings.right': findingsForShape,
  // What is to be done, for which foot and on whose account; nothing of how it felt.
  rounds: (rounds) =>
    rounds.map(
      ({ checks: _, evenFeel: __, minutesInFootwear: ___, allTheSame: ____, ...round }) => round,
    ),
  // The shells and the work on them; nothing of what was felt, asked or said in them.
  footwear: ({ sockMm, socks, chosen, brought }) => ({
    candidates: [],
    ...(brought && { brought: brought.map(({ words: _, ...own }) => own) }),
    ...(sockMm !== undefined && { sockMm }),
    ...(socks !== undefined && { socks }),
    ...(chosen && {
      chosen: {
        ...without(chosen, 'binding'),
        shellChecks: [],
        tryOn: [],
        work: chosen.work.map(({ because: _, ...work }) => work),
      },
    }),
  }),
}

/** A part as a role may see it: a bench hand gets of it what a job needs. */
export function partForRole(name: PartName, part: PartState, role: Role): PartState {
  const cut = CUTS[name] as ((content: unknown) => unknown) | undefined
  return role === 'bench' && cut && part.content ? { ...part, content: cut(part.content) } : part
}

/** A fitting as a role may see it: a bench hand gets what a job needs, under the client's code. */
export function forRole(state: FittingState, role: Role): FittingState {
  if (role !== 'bench') return state
  const parts = Object.fromEntries(
    Object.entries(state.parts)
      .filter(([name]) => (BENCH_PARTS as readonly string[]).includes(name))
      .map(([name, part]) => [name, partForRole(name as PartName, part, role)]),
  )
  const { code } = state.client
  return {
    ...state,
    client: { ...state.client, details: { code } },
    cautions: benchCautions(state),
    parts: {
      ...parts,
      ...(parts.visit && { visit: { ...parts.visit, content: { on: state.openedOn } } }),
    },
  }
}
