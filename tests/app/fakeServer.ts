import { HOUSE_TABLES } from '../../core/record/tables'
import { BY_HOUSE, GROWN } from '../fixtures/houseContext'
import { applyCommand, partOf, type Command } from '../../core/record/commands'
import type { PartName } from '../../core/record/parts'
import { Refusal } from '../../core/record/refusal'
import type { PartState } from '../../shared/contracts'

export type Line = 'good' | 'lost on the way' | 'lost on the way back' | 'broken' | 'signed out'

interface Sent {
  id: string
  version: number
  command: Command
}

/**
 * A server in memory with the rules of the real one: one version a part, a command counts once by
 * its id, stale ones are told what stands there.
 */
export class FakeServer {
  parts: Partial<Record<PartName, PartState>> = {}
  /** ids in the order in which they were applied */
  applied: string[] = []
  refused: string[] = []
  line: Line = 'good'

  /** What `fetch` answers. */
  answer = async (
    path: string,
    { method = 'GET', body }: { method?: string; body?: string } = {},
  ): Promise<Response> => {
    if (this.line === 'lost on the way') throw new TypeError('no line')
    if (this.line === 'broken') return new Response('gone', { status: 502 })
    if (this.line === 'signed out') return problem(401, 'signed-out', 'Sign in again.')
    const answer = method === 'GET' ? json(this.state()) : this.take(JSON.parse(body!) as Sent)
    if (this.line === 'lost on the way back') throw new TypeError('no line')
    return answer
  }

  /** Somebody else changes a part. */
  other(command: Command) {
    const part = partOf(command)
    this.keep(part, applyCommand(this.parts[part]?.content, command, BY_HOUSE), 'Idris')
  }

  private take({ id, version, command }: Sent): Response {
    const part = partOf(command)
    const here = this.parts[part]
    if (this.applied.includes(id)) return json({ part, state: here })
    if ((here?.version ?? 0) !== version)
      return problem(
        409,
        'stale',
        'Someone changed this meanwhile.',
        here ?? { content: null, version: 0, changedBy: null, changedAt: '' },
      )
    try {
      this.keep(part, applyCommand(here?.content, command, BY_HOUSE), 'Rhona')
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      this.refused.push(id)
      return problem(400, error.code, error.message)
    }
    this.applied.push(id)
    return json({ part, state: this.parts[part] })
  }
  private keep(part: PartName, content: unknown, changedBy: string) {
    this.parts[part] = {
      content: JSON.parse(JSON.stringify(content)),
      version: (this.parts[part]?.version ?? 0) + 1,
      changedBy,
      changedAt: '2026-11-26T09:00:00Z',
    }
  }
  private state() {
    return {
      id: 'fitting',
      openedOn: '2026-11-26',
      shop: { name: 'Hollin Row', tables: HOUSE_TABLES },
      client: { id: 'client', code: 'HR-0001', version: 1, details: {} },
      parts: this.parts,
      cautions: [],
      blocked: false,
      wearer: GROWN,
    }
  }
}

const json = (content: unknown) => new Response(JSON.stringify(content), { status: 200 })
const problem = (status: number, code: string, detail: string, current?: PartState) =>
  new Response(
    JSON.stringify({
      type: 'about:blank',
      title: code,
      status,
      code,
      detail,
      ...(current && { current }),
    }),
    { status },
  )
