import { deviceSchema } from '../schema'

type Json = Record<string, unknown>
const isJson = (value: unknown): value is Json => typeof value === 'object' && value !== null

/** A stored device with what has another name today under that name; another thing stays as it is. */
export function deviceUnderPresentNames(device: unknown): unknown {
  if (!isJson(device) || device.balance !== undefined) return device
  const read = deviceSchema.safeParse(device)
  return read.success ? read.data : device
}

/** The same of stored versions of a device. */
export const versionsUnderPresentNames = (versions: unknown): unknown =>
  Array.isArray(versions)
    ? versions.map((version: unknown) =>
        isJson(version) ? { ...version, device: deviceUnderPresentNames(version.device) } : version,
      )
    : versions
