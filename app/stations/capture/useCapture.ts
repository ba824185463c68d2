import { plainCopy } from '~/browser/plainCopy'
import { computed, reactive, ref, shallowReactive, shallowRef, toRaw, watch } from 'vue'
import { postureOf } from '../../../core/capture/againstHand'
import type { LandmarkName, Landmarks } from '../../../core/capture/foot/landmarks'
import { proposedCorrections } from '../../../core/capture/wayCorrections'
import type { Unit } from '../../../core/geometry/units'
import { outOfFrame, type Vec3 } from '../../../core/geometry/frame'
import type { CapturePart } from '../../../core/record/captureSchema'
import { normsOf } from '../../../core/record/tables'
import { SCAN_INSTRUMENT, SIDES, type Side } from '../../../core/tables/vocabulary'
import { READING_KINDS } from '../../../core/kinds/readings/all'
import type { ScanRow } from '../../../shared/contracts'
import { api } from '~/browser/api'
import { newId } from '~/browser/newId'
import { useFiles } from '~/stores/files'
import { useFitting } from '~/stores/fitting'
import { useSession } from '~/stores/session'
import type { Analysis, ScanRead } from '~/workers/scan.worker'
import { scanSession, type ScanSession } from '~/workers/scanReader'
import { useChanges } from '~/stores/changes'
import { useLine } from '~/stores/line'

type Found = Extract<ScanRead, { ok: true }>
/** A scan that is open for a foot: its stored row, its worker and what was read off it. */
export interface OpenTake {
  scan: ScanRow
  session: ScanSession
  analysis: Analysis
}

/** A scan in the list: at the server, or on its way there from this device. */
export interface ListedScan extends ScanRow {
  /** null where the server has it */
  onItsWay: { words: string; share: number | null } | null
}

/** Left or right by the name of the file, when it says so. */
const sideOfName = (name: string): Side | null =>
  /(^|[^a-z])(l|left|links|li)([^a-z]|$)/i.test(name)
    ? 'left'
    : /(^|[^a-z])(r|right|rechts|re)([^a-z]|$)/i.test(name)
      ? 'right'
      : null
const MOST_BYTES = 120_000_000

/**
 * The station's state: scans on the way in, the take that is open for each foot, and what is kept
 * of it in the record.
 */
export function useCapture() {
  const fitting = useFitting()
  const changes = useChanges()
  const person = useSession()
  const files = useFiles()
  const stored = ref<ScanRow[]>([])
  const trouble = ref('')
  const stage = ref<{
    name: string
    words: string
    share: number | null
    cancel: () => void
  } | null>(null)
  const asked = shallowRef<{
    file: File
    bytes: Uint8Array<ArrayBuffer>
    session: ScanSession
    found: Found
    side: Side | null
    unit: Unit
  } | null>(null)
  const waiting = ref<File[]>([])
  const takes = shallowReactive<Record<Side, OpenTake | null>>({ left: null, right: null })
  /** every analysis of this visit to the page, for setting one take against another */
  const seen = shallowReactive(new Map<string, { scan: ScanRow; analysis: Analysis }>())
  const busy = reactive<Record<Side, boolean>>({ left: false, right: false })
  const path = `fittings/${fitting.id}/scans`
  const load = async () => (stored.value = (await useLine().read<{ scans: ScanRow[] }>(path)).scans)
  // Sent from any page: it stands in the list as the server has it.
  watch(
    () => files.kept,
    (kept) => {
      if (kept?.fittingId !== fitting.id) return
      stored.value = [...stored.value.filter((s) => s.id !== kept.row.id), kept.row]
    },
  )
  const wayOf = (id: string): ListedScan['onItsWay'] => {
    const { share = null } = files.going?.id === id ? files.going : {}
    const refused = files.all.find((item) => item.id === id)?.refused
    const words = refused
      ? `not kept: ${refused}`
      : share === null
        ? 'waits on this device'
        : `on its way, ${Math.round(100 * share)} %`
    return { words, share }
  }
  const scans = computed<ListedScan[]>(() => [
    ...stored.value.map((scan) => ({ ...scan, onItsWay: null })),
    ...files
      .rowsOf(fitting.id)
      .filter((row) => !stored.value.some((scan) => scan.id === row.id))
      .map((row) => ({ ...row, onItsWay: wayOf(row.id) })),
  ])

  const part = (side: Side): CapturePart =>
    fitting.record.feet[side]!.capture ?? { way: 'parametric', load: 'none', use: 'captured' }
  const put = (side: Side, change: Partial<CapturePart>, words: string) => {
    const refused = changes.put(`capture.${side}`, { ...part(side), ...change }, `${words} ${side}`)
    if (refused) trouble.value = refused
  }
  const stamp = () => ({
    ...(person.person && { by: person.person.name }),
    at: new Date().toISOString(),
  })
  const say = (name: string, session: ScanSession) => (words: string, share: number) => {
    stage.value = { name, words, share, cancel: () => session.end() }
  }

  function take(files: Iterable<File>) {
    trouble.value = ''
    waiting.value = [...waiting.value, ...files]
    void next()
  }
  async function next() {
    const file = waiting.value[0]
    if (!file || stage.value || asked.value) return
    waiting.value = waiting.value.slice(1)
    if (file.size > MOST_BYTES) {
      trouble.value = `${file.name} is larger than 120 MB. Nothing was changed.`
      return next()
    }
    const session = scanSession()
    say(file.name, session)(`reading ${(file.size / 1e6).toFixed(1)} MB`, 0)
    const bytes = new Uint8Array(await file.arrayBuffer())
    const found = await session.open(file.name, bytes, say(file.name, session))
    stage.value = null
    if (!found || !found.ok) {
      trouble.value = found
        ? `${file.name}: ${found.words} Nothing was changed.`
        : `${file.name}: reading was stopped. Nothing was changed.`
      session.end()
      return next()
    }
    asked.value = {
      file,
      bytes,
      session,
      found,
      side: sideOfName(file.name) ?? (found.sideSure ? found.side : null),
      unit: found.unitInFile ?? found.guess ?? 'mm',
    }
  }
  /** Another unit, or which of two feet: the foot is looked for again. */
  async function again(change: { side?: Side; unit?: Unit }) {
    const a = asked.value!
    asked.value = { ...a, ...change }
    if (change.unit === undefined && !a.found.twoFeet) return
    const found = await a.session.find(
      say(a.file.name, a.session),
      change.unit ?? a.unit,
      asked.value.side ?? undefined,
    )
    stage.value = null
    if (found?.ok && asked.value) asked.value = { ...asked.value, found }
  }
  /** Keeps the original as it came and sends it, then reads it as this foot. */
  async function keep() {
    const { file, bytes, found, session, side, unit } = asked.value!
    asked.value = null
    if (scans.value.some((s) => s.sha256 === found.sha256)) {
      trouble.value = `${file.name}: this very file is here already.`
      session.end()
      return next()
    }
    const scan: ScanRow = {
      id: newId(),
      side,
      name: file.name.slice(0, 200),
      format: found.format,
      unit,
      points: found.points,
      triangles: found.triangles,
      sha256: found.sha256,
      size: bytes.length,
      madeBy: person.person?.name ?? null,
      madeAt: new Date().toISOString(),
    }
    say(file.name, session)('keeping the original', 0.1)
    await files.send(fitting.id, scan, bytes)
    await analyse(scan, side!, session)
    stage.value = null
    void next()
  }
  /** Takes a scan out: at the server, or on its way there. */
  async function drop(scan: ListedScan) {
    if (scan.onItsWay) return files.decide(scan.id, 'let go')
    await api(`scans/${scan.id}`, 'DELETE', {})
    await load()
  }
  function leave() {
    asked.value?.session.end()
    asked.value = null
    void next()
  }
  async function fetched({ id }: ScanRow): Promise<Uint8Array<ArrayBuffer> | null> {
    const answer = await fetch(`/api/scans/${id}`).catch(() => null)
    return answer?.ok ? new Uint8Array(await answer.arrayBuffer()) : null
  }
  /** Opens a stored scan again. */
  async function look(scan: ScanRow, side: Side = scan.side ?? 'left') {
    trouble.value = ''
    const session = scanSession()
    say(scan.name, session)('fetching', 0)
    const bytes = (await files.bytes(scan.id)) ?? (await fetched(scan))
    const found =
      bytes &&
      (await session.open(scan.name, bytes, say(scan.name, session), scan.unit as Unit, side))
    if (found?.ok && !found.why) await analyse(scan, side, session)
    else {
      session.end()
      trouble.value = !bytes
        ? `${scan.name} cannot be fetched.`
        : found?.ok
          ? `${scan.name}: ${found.why}`
          : `${scan.name}: ${found ? found.words : 'reading was stopped.'}`
    }
    stage.value = null
  }
  const movedOf = (side: Side, scanId: string): Landmarks =>
    Object.fromEntries(
      (part(side).landmarks ?? [])
        .filter((l) => l.scan === scanId)
        .map((l) => [l.name, [...l.atMm]]),
    )
  async function analyse(scan: ScanRow, side: Side, session: ScanSession) {
    busy[side] = true
    if (stage.value)
      stage.value = {
        ...stage.value,
        words: 'finding landmarks',
        share: 0.85,
        cancel: () => session.end(),
      }
    const foot = plainCopy({ ...fitting.record.feet[side]!, capture: undefined })
    const answer = await session.capture(
      side,
      foot,
      movedOf(side, scan.id),
      plainCopy(normsOf(fitting.record)),
    )
    busy[side] = false
    if (!answer || 'words' in answer) {
      trouble.value = `${scan.name}: ${answer ? answer.words : 'reading was stopped.'}`
      return
    }
    if (takes[side] && takes[side]!.session !== session) takes[side]!.session.end()
    takes[side] = { scan, session, analysis: answer }
    seen.set(scan.id, { scan, analysis: answer })
  }
  /** Puts a landmark somewhere else; the numbers follow. `at` is in the foot's frame. */
  function moveLandmark(side: Side, name: LandmarkName, at: Vec3) {
    const open = takes[side]
    if (!open || fitting.readOnly) return
    const atMm = outOfFrame(toRaw(open.analysis.frame), at).map(
      (v) => Math.round(v * 100) / 100,
    ) as Vec3
    const others = (part(side).landmarks ?? []).filter(
      (l) => l.scan !== open.scan.id || l.name !== name,
    )
    put(
      side,
      { landmarks: [...others, { scan: open.scan.id, name, atMm, ...stamp() }].slice(-60) },
      `landmark ${name}`,
    )
    void analyse(open.scan, side, open.session)
  }
  function resetLandmarks(side: Side) {
    const open = takes[side]
    if (!open) return
    put(
      side,
      { landmarks: (part(side).landmarks ?? []).filter((l) => l.scan !== open.scan.id) },
      'landmarks found anew',
    )
    void analyse(open.scan, side, open.session)
  }
  /** Codes of the checks that ask for a redo. */
  const redo = (side: Side) =>
    takes[side]?.analysis.checks.filter((c) => c.verdict === 'redo').map((c) => c.code) ?? []
  /** Takes the open shape over as the foot's surface; a verdict of redo needs a reason. */
  function useSurface(side: Side, why?: string) {
    const open = takes[side]
    if (!open) return
    const { analysis, scan } = open
    const old = part(side)
    const way = old.way === 'parametric' ? 'scan' : old.way
    const short = (v: number) => Math.round(v * 100) / 100
    const checks: CapturePart['checks'] = [
      ...analysis.checks.map((c) => ({
        code: c.code,
        value: short(c.value),
        limit: c.limit,
        unit: c.unit,
        verdict: c.verdict,
        words: c.words,
        ...(c.at && { at: c.at.map(short) as Vec3 }),
      })),
      ...analysis.notSeen.map((c) => ({
        code: c.code,
        verdict: 'not seen' as const,
        words: c.because,
      })),
    ]
    const codes = redo(side)
    const surface = {
      ...analysis.surface,
      scan: scan.id,
      name: scan.name,
      sha256: scan.sha256,
      ...stamp(),
    }
    const next: Partial<CapturePart> = {
      way,
      file: scan.name,
      surface,
      checks,
      overruled: codes.length ? { why: why!, codes, ...stamp() } : undefined,
      // What devices stand on changes only when somebody says so; a first surface with no device
      // yet is used at once.
      use: old.surface ? old.use : fitting.record.feet[side]!.device ? 'readings' : 'captured',
      corrections: proposedCorrections(
        fitting.record.feet[side]!,
        { way, checks },
        normsOf(fitting.record),
      ),
      takes: [
        ...(old.takes ?? []),
        { way, kept: true, scan: scan.id, ...(why && { why }), ...stamp() },
      ].slice(-40),
    }
    put(side, next, 'captured surface')
  }
  /** Rejects the open shape: the original stays, with why. */
  function reject(side: Side, why: string) {
    const open = takes[side]
    if (!open) return
    const way = part(side).way === 'parametric' ? 'scan' : part(side).way
    put(
      side,
      {
        way,
        takes: [
          ...(part(side).takes ?? []),
          { way, kept: false, scan: open.scan.id, why, ...stamp() },
        ].slice(-40),
      },
      'take rejected',
    )
    open.session.end()
    takes[side] = null
  }
  /**
   * Adds what was read off the scan as trials of instrument 'scan', beside those of the hand; a
   * trial that stands there already is not added twice.
   */
  function keepReadings(side: Side): string {
    const open = takes[side]
    if (!open) return ''
    const posture = postureOf(part(side).load)
    const kept = fitting.record.feet[side]!.readings.filter(
      (r) => r.instrument === SCAN_INSTRUMENT && r.posture === posture,
    )
    const said: string[] = []
    let added = 0
    for (const what of READING_KINDS) {
      const value = Math.round((open.analysis.readings[what] ?? NaN) * 10) / 10
      if (Number.isNaN(value) || kept.find((r) => r.what === what)?.trials.includes(value)) continue
      const refused = changes.change(
        { kind: 'readings.add', side, what, posture, values: [value], instrument: SCAN_INSTRUMENT },
        `scan ${what} ${side}`,
      )
      if (refused) said.push(refused)
      else added++
    }
    const words =
      added === 0 && said.length === 0
        ? `These trials of the ${side} scan are kept already`
        : `${added} readings of the ${side} scan kept as trials of the scan`
    return said.length ? `${words}. ${said[0]}` : words
  }
  const end = () => {
    stage.value?.cancel()
    asked.value?.session.end()
    for (const side of SIDES) takes[side]?.session.end()
  }
  const moved = computed(
    () =>
      Object.fromEntries(
        SIDES.map((side) => [
          side,
          (part(side).landmarks ?? []).filter((l) => l.scan === takes[side]?.scan.id),
        ]),
      ) as Record<Side, NonNullable<CapturePart['landmarks']>>,
  )
  return {
    fitting,
    scans,
    trouble,
    stage,
    asked,
    takes,
    seen,
    busy,
    moved,
    load,
    take,
    again,
    keep,
    drop,
    leave,
    look,
    moveLandmark,
    resetLandmarks,
    redo,
    useSurface,
    reject,
    keepReadings,
    part,
    put,
    end,
  }
}

export type CaptureState = ReturnType<typeof useCapture>
