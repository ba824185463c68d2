import { open, readFile } from 'node:fs/promises'

/** Where ids of erased clients are noted outside of the database: one a line, nothing else. */
const file = () => process.env.ARCH_ERASED_LIST

/** Ids that are noted. */
export async function notedErased(): Promise<string[]> {
  const name = file()
  const text = name ? await readFile(name, 'utf8').catch(() => '') : ''
  return text.split('\n').filter((line) => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(line))
}

/** Notes ids of erased clients that are not noted yet; does nothing where no list is kept. */
export async function noteErased(ids: readonly string[]): Promise<void> {
  const name = file()
  if (!name) return
  const known = new Set(await notedErased())
  const more = ids.filter((id) => !known.has(id))
  if (more.length === 0) return
  const list = await open(name, 'a', 0o600)
  try {
    await list.appendFile(more.map((id) => `${id}\n`).join(''))
    await list.sync()
  } finally {
    await list.close()
  }
}
