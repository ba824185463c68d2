import { createHash } from 'node:crypto'
import {
  eachPairFile,
  madeDevices,
  templateOf,
  zipFiles,
  type NamedFile,
} from '../../core/formats/deviceFiles'
import { prescription } from '../../core/formats/papers/prescription'
import { usesCaptured } from '../../core/device/footField'
import { inRealSpace } from '../../core/device/solid'
import { surfaceMesh } from '../../core/formats/labOrder'
import { writeStl } from '../../core/formats/mesh/writeStl'
import type { FittingRecord } from '../../core/record/schema'
import { decodeSurface } from '../../core/record/surfaceHeights'
import { SIDES } from '../../core/tables/vocabulary'
import { normsOf } from '../../core/record/tables'
import { prescriptionPdf } from '../documents/prescriptionPdf'
import { templatePdf } from '../documents/templatePdf'
import type { Printed } from './papers'

/** Trim templates of the devices, 1:1. */
export const templates = (record: FittingRecord, { now }: Pick<Printed, 'now'>) =>
  templatePdf(
    madeDevices(record).map(({ side, built }) =>
      templateOf(built, side, record.client?.code ?? '', normsOf(record)),
    ),
    now,
  )

/** The prescription on paper. */
export const prescriptionPaper = (record: FittingRecord, { shop, on, now }: Printed) =>
  prescriptionPdf(record, shop, on, now)

/** Everything of a pair in one zip; the prescription only where its reader may know why. */
export async function deviceZip(
  record: FittingRecord,
  printed: Printed,
  withPrescription: boolean,
): Promise<Uint8Array> {
  const files: NamedFile[] = [
    ...eachPairFile(record, printed.on),
    { name: 'templates.pdf', bytes: await templates(record, printed) },
  ]
  if (withPrescription)
    files.push({ name: 'prescription.pdf', bytes: await prescriptionPaper(record, printed) })
  return zipFiles(files)
}

/** A file as an order carries it. */
export interface OrderedFile {
  name: string
  sha256: string
  base64: string
}

/** Captured surfaces that devices are built on, as they were taken. */
const capturedFiles = (record: FittingRecord): NamedFile[] =>
  SIDES.flatMap((side) => {
    const foot = record.feet[side]
    if (!foot?.device || foot.device.kind === 'none' || !usesCaptured(foot)) return []
    const mesh = inRealSpace(surfaceMesh(decodeSurface(foot.capture!.surface!)), side)
    return [{ name: `${side}-captured.stl`, bytes: writeStl(mesh, `${side} captured sole, mm`) }]
  })

/** What goes to a lab with an order: the files of the devices, and their prescription as data. */
export function orderFiles(
  record: FittingRecord,
  on: string,
): { files: OrderedFile[]; prescription: ReturnType<typeof prescription> } {
  const files = [...eachPairFile(record, on), ...capturedFiles(record)]
    .filter(({ name }) => !name.startsWith('prescription'))
    .map(({ name, bytes }) => ({
      name,
      sha256: createHash('sha256').update(bytes).digest('hex'),
      base64: Buffer.from(bytes).toString('base64'),
    }))
  return { files, prescription: prescription(record, on) }
}
