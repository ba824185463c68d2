import { plainCopy } from '~/browser/plainCopy'
import { deviceRows, type DeviceRows } from '../../../core/device/deviceRows'
import { shallowReactive, ref, watch } from 'vue'
import { blankRefusal } from '../../../core/device/blanks'
import { deviceDiff } from '../../../core/device/deviceDiff'
import { notTold, type LoadName } from '../../../core/mechanics/contact'
import { effectOf, surelyNmm, type ContactEffect } from '../../../core/mechanics/contactEffect'
import { overPush, type OverPush } from '../../../core/mechanics/overPush'
import { pressureRefusal } from '../../../core/mechanics/pressureRefusal'
import type { ShellGive } from '../../../core/mechanics/shellGive'
import { USUAL_KG } from '../../../core/mechanics/plate/shellReport'
import { deviceSchema, type Device } from '../../../core/record/schema'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import { newestWins } from '~/workers/deviceWorker'
import { effectsWorker, shellWorker } from '~/workers/effectsWorker'
import { few } from '~/workers/few'
import type { Effects, Question } from '~/workers/effects.worker'
import type { useStudio } from './useStudio'

/** The shell's give is reckoned anew when nothing has changed for so long. */
const REST_MS = 900
const MOST_GIVES = 24

/** What a change bought: the words of the change and its own effect. */
export interface Bought {
  words: string
  effect: ContactEffect
}

/**
 * What of a device pushes, a wanted moment does not; in the schema's order, since a device comes
 * back from the server with its keys in another.
 */
function pushing(device: Device): Device {
  const ordered = deviceSchema.safeParse(plainCopy(device))
  return { ...(ordered.success ? ordered.data : device), aimNmm: undefined }
}

interface Kept {
  device: string
  effects: Effects
}

/**
 * Estimates beside the studio: effects of both devices while amounts run, and what the last change
 * bought.
 */
export function useEffects(studio: ReturnType<typeof useStudio>) {
  const { fitting } = studio
  const load = ref<LoadName>('standing')
  const effects = shallowReactive<Record<Side, Effects | null>>({ left: null, right: null })
  const refused = shallowReactive<Record<Side, string>>({ left: '', right: '' })
  const bought = shallowReactive<Record<Side, Bought | null>>({ left: null, right: null })
  /** the shell's arch at rest, N/mm, and the force on it in standing */
  const arch = shallowReactive<Record<Side, { archNPerMm: number; forceN: number } | null>>({
    left: null,
    right: null,
  })
  const kept: Record<Side, Kept | null> = { left: null, right: null }
  const before: Record<Side, Kept | null> = { left: null, right: null }

  /**
   * What is asked of the worker about a shell, which depends on no tissue; a usual body weight
   * where none was asked.
   */
  function shellQuestion(side: Side): Question | string {
    const device = studio.device(side)
    if (device.kind === 'none') return 'No device for this foot.'
    const noBlank = blankRefusal(device)
    if (noBlank) return noBlank
    const { device: _, ...foot } = studio.footOf(side)
    return JSON.parse(
      JSON.stringify({
        foot,
        device: pushing(device),
        side,
        massKg: fitting.record.client?.massKg ?? USUAL_KG,
        load: load.value,
        rows: deviceRows(fitting.norms),
      }),
    )
  }
  /** Why no pressure can be told, or what is asked of the worker. */
  function question(side: Side): Question | string {
    const refusal = pressureRefusal(fitting.record, side)
    if (refusal) return refusal
    if (fitting.record.client?.massKg === undefined)
      return 'Body weight is missing: the load is reckoned from it. It stands with the client in Story.'
    return shellQuestion(side)
  }

  function take(side: Side, asked: string, answer: Effects | { refused: string }) {
    if ('refused' in answer) {
      refused[side] = answer.refused
      effects[side] = null
      return
    }
    refused[side] = ''
    effects[side] = answer
    const device = JSON.stringify((JSON.parse(asked) as Question).device)
    const isKept = device === JSON.stringify(pushing(studio.stored(side)))
    if (isKept && kept[side]?.device !== device) {
      before[side] = kept[side]
      kept[side] = { device, effects: answer }
    } else if (isKept) kept[side] = { device, effects: answer }
    // While an amount runs it is told against what is kept; afterwards against what was kept
    // before.
    const from = isKept ? before[side] : kept[side]
    bought[side] = from
      ? boughtOf(
          JSON.parse(from.device) as Device,
          JSON.parse(device) as Device,
          from.effects,
          answer,
          fitting.norms,
        )
      : null
  }

  let rest: ReturnType<typeof setTimeout> | undefined
  const asks = Object.fromEntries(
    SIDES.map((side) => [
      side,
      newestWins(
        async (text: string) => {
          return { text, answer: await effectsWorker().effects(JSON.parse(text)) }
        },
        ({ text, answer }) => take(side, text, answer),
      ),
    ]),
  ) as Record<Side, (text: string) => void>

  /** The give of shells looked at before: going back to one takes no time. */
  const gives = few<Promise<ShellGive>>(MOST_GIVES)
  const giveOf = (shell: Question) =>
    gives(JSON.stringify({ ...shell, load: undefined, side: undefined }), () =>
      shellWorker().give(shell),
    )
  const followed: Record<Side, ShellGive | null> = { left: null, right: null }
  async function settle() {
    for (const side of SIDES) {
      const shell = shellQuestion(side)
      if (typeof shell === 'string') continue
      const found = await giveOf(shell).catch(() => null)
      arch[side] = found?.arch
        ? { archNPerMm: found.arch.archStiffnessNPerMm, forceN: found.arch.forceN }
        : null
      if (!found || followed[side] === found) continue
      followed[side] = found
      await effectsWorker().follow(shell, found)
      const asked = question(side)
      if (typeof asked !== 'string') asks[side](JSON.stringify(asked))
    }
  }
  const settleSoon = () => {
    clearTimeout(rest)
    rest = setTimeout(() => void settle(), REST_MS)
  }

  for (const side of SIDES)
    watch(
      () => {
        const asked = question(side)
        return typeof asked === 'string' ? asked : JSON.stringify(asked)
      },
      (text) => {
        settleSoon()
        if (text.startsWith('{')) asks[side](text)
        else {
          refused[side] = text
          effects[side] = null
          bought[side] = null
        }
      },
      { immediate: true },
    )
  watch(load, () =>
    SIDES.forEach((side) => ((kept[side] = before[side] = null), (bought[side] = null))),
  )

  // A wanted moment, and the house limit, are of standing.
  const pushOf = (side: Side): OverPush | null =>
    effects[side] && load.value === 'standing'
      ? overPush(
          surelyNmm(effects[side]!.change),
          studio.device(side).aimNmm,
          fitting.norms.pushMostNmm,
        )
      : null
  const facts = (side: Side): string[] => {
    const e = effects[side]
    if (!e) return []
    return [
      `${side} shell: ${e.giveFrom}`,
      ...notTold(studio.device(side)).map((words) => `${side}: not told: ${words}`),
      ...(e.tissue === null
        ? []
        : [`${side} tissue: ${e.tissue.toFixed(2)} times as stiff as usual, from the plate`]),
      ...(e.device.rest?.rocks
        ? [
            `${side}: the device rocks on a flat floor; what it does depends on where the load stands`,
          ]
        : []),
      ...(e.device.flagged
        ? [`${side}: the foot would roll more than 8°; outside the small-angle range`]
        : []),
    ]
  }
  return {
    load,
    setLoad: (name: LoadName) => (load.value = name),
    effects,
    arch,
    refused,
    bought,
    question,
    shellQuestion,
    pushOf,
    facts,
    stop: () => clearTimeout(rest),
  }
}

function boughtOf(
  was: Device,
  is: Device,
  from: Effects,
  to: Effects,
  rows: DeviceRows,
): Bought | null {
  const changes = deviceDiff(was, is, rows)
  if (changes.length === 0) return null
  const [first] = changes
  const words =
    changes.length > 2
      ? `${changes.length} changes`
      : changes.map((c) => `${c.what} ${shortened(c.before, c.after)}`).join(', ')
  return { words: first ? words : '', effect: effectOf(from.device, to.device) }
}

/**
 * Only what differs of two lists of numbers. @example shortened('depth 2 mm', 'depth 3 mm') //
 * 'depth 2 → 3 mm'
 */
function shortened(before: string, after: string): string {
  const [a, b] = [before.split(', '), after.split(', ')]
  if (a.length !== b.length) return `${before} → ${after}`
  const changed = a.flatMap((word, i) => (word === b[i] ? [] : [[word, b[i]!] as const]))
  return changed
    .map(([x, y]) => {
      const number = /^(.*?)(-?[\d.]+)(.*)$/
      const [p, q] = [number.exec(x), number.exec(y)]
      return p && q && p[1] === q[1] && p[3] === q[3]
        ? `${p[1]}${p[2]} → ${q[2]}${q[3]}`
        : `${x} → ${y}`
    })
    .join(', ')
}
