import { expose } from 'comlink'
import { fieldKey, footField } from '../../core/device/footField'
import { soleOutline, trimLines } from '../../core/device/outline'
import { shellMaterial } from '../../core/device/materialNames'
import type { ShellMaterial } from '../../core/tables/materials'
import type { DeviceRows } from '../../core/device/deviceRows'
import { buildShell } from '../../core/device/bodySolid'
import type { SoleField } from '../../core/geometry/soleField'
import { buildSurface } from '../../core/device/surface'
import { contourRings, type ContourRing } from '../../core/device/contours'
import { amountForMoment, type AmountForMoment } from '../../core/mechanics/amountForMoment'
import { calibrationOf, type TissueFit } from '../../core/mechanics/calibrate'
import {
  contactGround,
  contactOnDevice,
  usualShellGive,
  type ContactGround,
  type LoadName,
} from '../../core/mechanics/contact'
import { axisOf, plainOf } from '../../core/mechanics/contactReport'
import {
  deviceEffects,
  pressurePicture,
  type DeviceEffects,
  type PressurePicture,
} from '../../core/mechanics/deviceEffects'
import type { ContactEffect } from '../../core/mechanics/contactEffect'
import {
  layerEffects,
  withPartAmount,
  withoutPart,
  type DevicePart,
  type LayerEffect,
} from '../../core/mechanics/layerEffects'
import { onCells, shellGive, type ShellGive } from '../../core/mechanics/shellGive'
import {
  archStiffness,
  type ArchAnswer,
  type ArchStiffness,
} from '../../core/mechanics/plate/archStiffness'
import {
  thicknessForGive,
  type ThicknessForGive,
} from '../../core/mechanics/plate/thicknessForGive'
import { Refusal } from '../../core/record/refusal'
import type { Device, Foot } from '../../core/record/schema'
import type { Side } from '../../core/tables/vocabulary'
import { few } from './few'

/** A foot on its device, under whom and how, and the rows it is built by. */
export interface Question {
  foot: Foot
  device: Device
  side: Side
  massKg: number
  load: LoadName
  rows: DeviceRows
}

export interface Effects {
  change: ContactEffect
  device: PressurePicture
  plain: PressurePicture
  floor: PressurePicture
  lengthMm: number
  outline: [number, number][]
  heads: { x: number; y: number }[]
  giveFrom: string
  tissue: number | null
}

export interface LayersAnswer {
  parts: LayerEffect[]
  change: ContactEffect
  together: number
}

export interface ShellAnswer {
  stiffness: ArchStiffness
  rings: ContourRing[]
  intervalMm: number
  lengthMm: number
  outline: [number, number][]
  trims: [number, number][][]
  /** x, y and triangles of the mesh, for drawing it */
  ellipse: { x: number; y: number; rx: number; ry: number }
}

/** What could not be told, as a sentence. */
export interface Said {
  refused: string
}

const STEP_MM = 2
const MOST_FIELDS = 6

const fields = few<SoleField | null>(MOST_FIELDS)
const grounds = few<ContactGround>(MOST_FIELDS)
const fits = few<TissueFit | null>(MOST_FIELDS)
const last = new Map<Side, DeviceEffects>()
const shells = new Map<Side, ArchAnswer>()

const said = <T>(make: () => T): T | Said => {
  try {
    return make()
  } catch (error) {
    if (error instanceof Refusal) return { refused: error.message }
    throw error
  }
}

function fieldOf({ foot, rows }: Pick<Question, 'foot' | 'rows'>): SoleField {
  const field = fields(fieldKey(foot, rows), () => footField(foot, rows, STEP_MM)?.field ?? null)
  if (!field) throw new Refusal('no-length', 'Measure the foot length first.', 'readings')
  return field
}

function materialOf({ device, rows }: Question): ShellMaterial {
  const material = shellMaterial(device.shell.material, rows)
  if (!material)
    throw new Refusal(
      'no-material',
      `The table has no material “${device.shell.material}”. Add it with its modulus in Settings.`,
      'device.shell.material',
    )
  return material
}

const fitOf = ({ foot, massKg, rows }: Pick<Question, 'foot' | 'massKg' | 'rows'>) =>
  fits(JSON.stringify([fieldKey(foot, rows), foot.footprint, massKg]), () =>
    calibrationOf(foot, massKg, rows),
  )

/** The factor of the client's own tissue, where the plate's picture is set to be followed. */
const stiffnessOf = (question: Question) =>
  question.foot.footprint?.fitsTissue ? (fitOf(question)?.stiffer ?? null) : null

function groundOf(question: Question): ContactGround {
  const { foot, massKg, load, rows } = question
  const factor = stiffnessOf(question)
  return grounds(JSON.stringify([fieldKey(foot, rows), massKg, load, axisOf(foot), factor]), () =>
    contactGround(fieldOf(question), rows, massKg, load, axisOf(foot), factor ?? undefined),
  )
}

/**
 * How each shell gives, as last reckoned; layers change it little, so that is done at rest only.
 */
const known = new Map<Side, ShellGive & { field: SoleField }>()

function giveNow(question: Question): ShellGive {
  const field = fieldOf(question)
  const found = known.get(question.side)
  return found && found.field === field
    ? found
    : { byCell: usualShellGive(field), from: 'a usual shell' }
}

const api = {
  /**
   * Contact of a device, the plain one and the floor, for chips and terrain. With the shell's own
   * give from the last time it was reckoned.
   */
  effects(question: Question): Effects | Said {
    return said(() => {
      const ground = groundOf(question)
      const give = giveNow(question)
      const before = last.get(question.side)
      const found = deviceEffects(ground, question.device, give.byCell, before)
      last.set(question.side, found)
      const { sole } = ground.field
      return {
        change: found.change,
        device: pressurePicture(ground, found.device),
        plain: pressurePicture(ground, found.plain),
        floor: pressurePicture(ground, ground.floor),
        lengthMm: sole.parameters.lengthMm,
        outline: soleOutline(sole),
        heads: sole.heads.map(({ x, y }) => ({ x, y })),
        giveFrom: give.from,
        tissue: stiffnessOf(question),
      }
    })
  },
  /**
   * The shell by its elements: how it gives under the foot. It holds up whatever else is asked of
   * this worker, so it has one of its own.
   */
  give(question: Question): ShellGive {
    const { device, massKg, rows } = question
    return shellGive(
      buildShell(buildSurface(fieldOf(question), device), device, question.rows),
      device,
      rows,
      massKg,
    )
  },
  /** Takes a shell's give for the effects that follow. */
  follow(question: Question, give: ShellGive): void {
    known.set(question.side, { ...give, field: fieldOf(question) })
  },
  /** What each part of a device does. */
  layers(question: Question): LayersAnswer | Said {
    return said(() => {
      const { parts, change, together } = layerEffects(
        groundOf(question),
        question.device,
        giveNow(question).byCell,
      )
      return { parts, change, together: together.momentNmm }
    })
  },
  /** The pressure without one part. */
  without(question: Question, part: DevicePart): PressurePicture | Said {
    return said(() => {
      const ground = groundOf(question)
      const give =
        'give' in part ? new Float64Array(ground.field.x.length) : giveNow(question).byCell
      return pressurePicture(
        ground,
        contactOnDevice(ground, withoutPart(question.device, part), {
          give,
          start: last.get(question.side)?.device,
        }),
      )
    })
  },
  /** How much of one amount brings a moment, the rest of the device as it is. */
  amount(
    question: Question,
    part: DevicePart,
    key: string,
    range: [number, number],
    usualMost: number,
    step: number,
    wantedNmm: number,
  ): AmountForMoment | Said {
    return said(() => {
      const ground = groundOf(question)
      const give = giveNow(question).byCell
      const plain = contactOnDevice(ground, plainOf(question.device), { give })
      let start = plain
      const momentAt = (amount: number) => {
        start = contactOnDevice(ground, withPartAmount(question.device, part, key, amount), {
          give,
          start,
        })
        return start.momentNmm - plain.momentNmm
      }
      return amountForMoment({ momentAt, range, usualMost, step }, wantedNmm)
    })
  },
  /** Arch stiffness and its deflection terrain. */
  shell(question: Question, stepMm: 4 | 6): ShellAnswer | Said {
    return said(() => {
      const { device, side, massKg } = question
      const field = fieldOf(question)
      const material = materialOf(question)
      const body = buildShell(buildSurface(field, device), device, question.rows)
      const answer = archStiffness(body, device, material, {
        massKg,
        stepMm,
        range: stepMm === 4,
        from: shells.get(side),
      })
      shells.set(side, answer)
      const bends = onCells(answer, answer.bendsMm, field)
      const intervalMm =
        answer.stiffness.peakDeflectionMm > 2
          ? 0.5
          : answer.stiffness.peakDeflectionMm > 0.8
            ? 0.2
            : 0.1
      return {
        stiffness: answer.stiffness,
        intervalMm,
        rings: contourRings(field, bends, (i) => body.inside[i]! > 0, intervalMm).filter(
          (r) => r.heightMm > 0,
        ),
        lengthMm: field.sole.parameters.lengthMm,
        outline: soleOutline(field.sole),
        trims: trimLines(body),
        ellipse: answer.shell.ellipse,
      }
    })
  },
  /** What one other shell would do, on the mesh of dragging. */
  variant(question: Question): { archStiffnessNPerMm: number } | Said {
    return said(() => {
      const { device, side, massKg } = question
      const body = buildShell(buildSurface(fieldOf(question), device), device, question.rows)
      return {
        archStiffnessNPerMm: archStiffness(body, device, materialOf(question), {
          massKg,
          stepMm: 6,
          from: shells.get(side),
        }).stiffness.archStiffnessNPerMm,
      }
    })
  },
  /** Which thickness gives this give; tells after every shell that it has looked at. */
  thickness(
    question: Question,
    giveMm: number,
    factor: number,
    onShell: () => void,
  ): ThicknessForGive | Said {
    return said(() => {
      const { device, massKg } = question
      return thicknessForGive(
        buildSurface(fieldOf(question), device),
        device,
        materialOf(question),
        giveMm,
        { massKg, factor, onShell },
      )
    })
  },
  /** What the plate's picture says of the tissue. */
  tissue: (foot: Foot, massKg: number, rows: DeviceRows): TissueFit | null =>
    fitOf({ foot, massKg, rows }),
}

export type EffectsWorker = typeof api
expose(api)
