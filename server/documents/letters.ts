import { readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import headline from '@expo-google-fonts/bricolage-grotesque/600SemiBold/BricolageGrotesque_600SemiBold.ttf'
import regular from '@expo-google-fonts/figtree/400Regular/Figtree_400Regular.ttf'
import bold from '@expo-google-fonts/figtree/600SemiBold/Figtree_600SemiBold.ttf'

/** Files of the project's own letters; they lie beside the bundle that this ends up in. */
const OWN = { regular, bold, headline }
export type Letter = keyof typeof OWN

/** Letters of other scripts: Greek, Cyrillic, Han, kana, hangul. Installed with the application. */
const OTHERS = {
  path: '/usr/share/fonts/truetype/wqy/wqy-microhei.ttc',
  name: 'WenQuanYiMicroHei',
}

const read = new Map<string, Buffer | null>()
function fileOf(path: string): Buffer | null {
  const known = read.get(path)
  if (known !== undefined) return known
  let bytes: Buffer | null = null
  try {
    bytes = readFileSync(path)
  } catch {
    // Without them every sign of other scripts is told to be missing.
  }
  read.set(path, bytes)
  return bytes
}

/** A letter's file. */
export function letterFile(letter: Letter): Buffer {
  const path = join(dirname(__filename), OWN[letter])
  const bytes = fileOf(path)
  if (!bytes) throw new Error(`font ${OWN[letter]} is not beside the bundle`)
  return bytes
}

/** The letters of other scripts with their name in the file; null where they are not installed. */
export function otherLetters(): { bytes: Buffer; name: string } | null {
  const bytes = fileOf(OTHERS.path)
  return bytes && { bytes, name: OTHERS.name }
}
