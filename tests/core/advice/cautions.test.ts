import { HOUSE_TABLES } from '../../../core/record/tables'
import { describe, expect, it } from 'vitest'
import { cautionsOf } from '../../../core/advice/cautions'
import { ticketOf } from '../../../core/formats/papers/ticket'
import { prescription } from '../../../core/formats/papers/prescription'
import { DEMO_RECORDS } from '../../../demo/records'

describe('cautions', () => {
  const anselm = DEMO_RECORDS['anselm-quarrie']!
  it('follow the client whatever was decided in the ledger', () => {
    const aside = {
      ...anselm,
      ledger: [
        {
          code: 'risk-foot',
          foot: 'both' as const,
          decision: 'set-aside' as const,
          reason: 'seen',
        },
      ],
    }
    expect(cautionsOf(aside).map((c) => c.code)).toEqual(cautionsOf(anselm).map((c) => c.code))
    expect(cautionsOf(anselm).map((c) => c.code)).toEqual(
      expect.arrayContaining(['refer-first', 'risk-foot']),
    )
  })
  it('stand on ticket and prescription, without a name', () => {
    const ticket = ticketOf(anselm, [], HOUSE_TABLES.processes)
    expect(ticket.cautions.join(' ')).toMatch(/foot at risk.*no heat on the foot/i)
    expect(prescription(anselm, '2026-11-25').cautions.join(' ')).toMatch(/Refer first/)
    expect(JSON.stringify([ticket, prescription(anselm, '2026-11-25')])).not.toContain('Anselm')
  })
})
