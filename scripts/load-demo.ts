import { demoModels } from '../demo/catalogue'
import { benchRecords } from '../demo/benchRecords'
import { pastRecords } from '../demo/pastRecords'
import { DEMO_RECORDS } from '../demo/records'
import { weekVisits } from '../demo/week'
import { importFitting, importRecord } from '../server/database/fittings'
import { putModels } from '../server/database/models'
import { database, transaction, type Client } from '../server/database/pool'
import { renewFirstCode } from '../server/database/people'
import { addVisit, bookVisit } from '../server/database/visits'
import { probeReading } from '../server/standins/probe'
import { localDay } from '../server/http/day'
import { hashSecret, oneTimeCode } from '../server/security/secrets'
import type { VisitState } from '../shared/contracts'
import type { ShopDetails } from '../shared/shopDetails'

/** What the demo's papers say of it: all invented. */
const DEMO_SHOP: ShopDetails = {
  address: '4 Hollin Row, Upper Tarnside',
  phone: '0555 0147',
  mail: 'bench@hollin-row.example',
  initials: 'HR',
  hours: {
    ...Object.fromEntries(
      ['1', '2', '3', '4', '5'].map((day) => [day, { from: '09:00', to: '18:00' }]),
    ),
    '6': { from: '09:00', to: '13:00' },
  },
}

/** The visits of this week, beside today's, of clients who have been here before. */
async function addWeek(db: Client, shopId: string, fittings: readonly string[]) {
  const { rows } = await db.query('select id, login from people where shop_id = $1', [shopId])
  const ids = new Map(rows.map(({ login, id }) => [login, id]))
  const place = await db.query(
    'select id from places where shop_id = $1 order by position limit 1',
    [shopId],
  )
  const at = { shopId, placeId: place.rows[0].id }
  for (const { client, at: when, minutes, reason, login, isOver } of weekVisits(localDay())) {
    const startsAt = when && new Date(`${when.day}T00:00`)
    startsAt?.setHours(when!.hour, when!.minute)
    const fittingId = fittings[client % fittings.length]!
    const personId = ids.get(login)
    const id = await bookVisit(db, at, {
      fittingId,
      startsAt,
      minutes,
      reason,
      personId,
      chair: startsAt && 1,
    })
    if (isOver) await db.query("update visits set state = 'seen' where id = $1", [id])
  }
}

/**
 * First start: a shop. With `demo` it holds invented people, clients and a catalogue; without, one
 * owner who waits for a one-time code, which is printed: anew at every start until it is taken, so that a slip
 * that was lost locks nobody out.
 */
async function main(demo: boolean) {
  const made = await transaction(async (db) => {
    await db.query('lock table shops in exclusive mode')
    if ((await db.query('select 1 from shops limit 1')).rows.length > 0) {
      const code = await renewFirstCode(db)
      return code && `One-time code for the first owner, made anew: ${code}`
    }
    const { rows } = await db.query(
      'insert into shops (name, demo, details) values ($1, $2, $3) returning id',
      [demo ? 'Hollin Row Fit Room' : 'My fit room', demo, demo ? DEMO_SHOP : {}],
    )
    const shopId: string = rows[0].id
    if (!demo) {
      const code = oneTimeCode()
      await db.query(
        "insert into people (shop_id, name, login, role, one_time_code_hash) values ($1, 'Owner', 'owner', 'owner', $2)",
        [shopId, await hashSecret(code)],
      )
      return `One-time code for the first owner: ${code}`
    }
    for (const [name, login, role] of [
      ['Rhona Ketteridge', 'rhona', 'fitter'],
      ['Bram Oyelaran', 'bram', 'bench'],
      ['Sunniva Hale', 'sunniva', 'owner'],
    ])
      await db.query(
        'insert into people (shop_id, name, login, role, demo) values ($1, $2, $3, $4, true)',
        [shopId, name, login, role],
      )
    const models = demoModels()
    await putModels(db, { shopId }, models)
    const times: Record<string, [hour: number, minute: number, state: VisitState, reason: string]> =
      {
        'mirela-stanhope': [9, 0, 'seen', 'two weeks after handover'],
        'tove-marchetti': [10, 0, 'now', 'devices and shells'],
        'juno-abara': [13, 30, 'waiting', 'outgrown skates'],
        'anselm-quarrie': [14, 15, 'to-come', 'shoes for the stairs at home'],
        'oskar-penhale': [15, 0, 'to-come', 'boots for the fire season'],
      }
    const earlier = Object.entries(DEMO_RECORDS).filter(([file]) => file.endsWith('-earlier'))
    for (const [file, record] of Object.entries(DEMO_RECORDS)) {
      if (file.endsWith('-earlier')) continue
      const { clientId, fittingId } = await importRecord(
        db,
        { shopId },
        record,
        localDay(),
        'Rhona Ketteridge',
      )
      for (const [, before] of earlier.filter(([name]) => name.startsWith(file)))
        await importFitting(db, { shopId }, clientId, before, localDay(), 'Rhona Ketteridge')
      const [hour, minute, state, reason] = times[file]!
      const at = new Date()
      at.setHours(hour, minute, 0, 0)
      await addVisit(db, { shopId }, fittingId, at, reason, state)
    }
    const jobs = benchRecords(localDay())
    for (const { record, visit } of Object.values(jobs)) {
      const { fittingId } = await importRecord(
        db,
        { shopId },
        record,
        localDay(),
        'Rhona Ketteridge',
      )
      if (!visit) continue
      const at = new Date()
      at.setHours(visit.hour, visit.minute, 0, 0)
      await addVisit(db, { shopId }, fittingId, at, visit.reason, 'to-come', visit.minutes)
    }
    // Earlier logs of the oven and the tray: what they say steadies a log that has only begun.
    for (const [i, apparatus] of ['oven', 'tray', 'oven', 'tray', 'oven'].entries()) {
      const readings = Array.from({ length: 61 }, (_, k) => ({
        minutes: k / 4,
        celsius: probeReading(apparatus, k / 4, 1, 21, i + 3),
        drive: 1,
      }))
      const name = apparatus === 'oven' ? `HR-0${i + 391}: right sheet` : `HR-0${i + 391}: blanks`
      await db.query(
        `insert into heat_logs
           (id, shop_id, name, apparatus, heat_window, readings, started_at, stopped_at, made_by)
         values (gen_random_uuid(), $1, $2, $3, $4, $5, now() - make_interval(days => $6),
           now() - make_interval(days => $6) + interval '15 minutes', 'Bram Oyelaran')`,
        [
          shopId,
          name,
          apparatus,
          apparatus === 'oven' ? 'polypropylene' : 'thermoplastic-blank',
          JSON.stringify(readings),
          7 * (i + 1),
        ],
      )
    }
    const past = pastRecords(localDay())
    const fittings: string[] = []
    for (const record of Object.values(past)) {
      const { fittingId } = await importRecord(
        db,
        { shopId },
        record,
        localDay(),
        'Rhona Ketteridge',
      )
      fittings.push(fittingId)
    }
    await addWeek(db, shopId, fittings)
    const clients = [times, jobs, past].reduce((sum, all) => sum + Object.keys(all).length, 0)
    return `Demo data loaded: three invented people, ${clients} invented clients, ${models.length} invented models.`
  })
  if (made) console.log(made)
  await database().end()
}

await main(process.argv.includes('--demo'))
