import { setImmediate as pause } from 'node:timers/promises'
import { eachPairFile, type NamedFile } from '../../core/formats/deviceFiles'
import type { FittingRecord } from '../../core/record/schema'

/** All files of a pair; other requests are answered between two of them. */
export async function pairFilesOf(record: FittingRecord, on: string): Promise<NamedFile[]> {
  const files: NamedFile[] = []
  for (const file of eachPairFile(record, on)) {
    files.push(file)
    await pause()
  }
  return files
}
