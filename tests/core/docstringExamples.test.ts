import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { HOUSE_NORMS, HOUSE_TABLES } from '../../core/record/tables'

/**
 * Every worked example of a docstring is run: what stands behind `//` is what it gives, to the
 * digits that are written. An object need only name some of its keys. What cannot be run is no
 * example: it belongs into the prose.
 */
interface Example {
  file: string
  code: string
  told: string
}

const CORE = new URL('../../core/', import.meta.url).pathname
const MODULES = import.meta.glob<Record<string, unknown>>('../../core/**/*.ts')
const TAG_ENDS = /(?=@example|@throws|@param|@returns|$)/s

function examplesOf(file: string): Example[] {
  const docs = readFileSync(CORE + file, 'utf8').matchAll(/\/\*\*(.*?)\*\//gs)
  return [...docs].flatMap(([, doc]) => {
    const text = doc!.replace(/\s*\n\s*\* ?/g, ' ').trim()
    const found = text.matchAll(new RegExp(`@example (.*?)${TAG_ENDS.source}`, 'gs'))
    return [...found].map(([, example]) => {
      const [code, ...told] = example!.split(' // ')
      return { file, code: code!.trim(), told: told.join(' // ').trim() }
    })
  })
}
const EXAMPLES = (readdirSync(CORE, { recursive: true }) as string[])
  .filter((file) => file.endsWith('.ts'))
  .sort()
  .flatMap(examplesOf)

const evaluate = (code: string, names: Record<string, unknown>): unknown =>
  new Function(...Object.keys(names), `return (${code})`)(...Object.values(names))

/** The value at the beginning of what is told; a remark may follow it. */
function valueOf(told: string): { value: unknown; written: string } {
  const plain = told.replace(/^−/, '-').replaceAll(/, …/g, '')
  for (let end = plain.length; end > 0; end--) {
    if (end < plain.length && !/[\s:;,]/.test(plain[end]!)) continue
    try {
      return { value: evaluate(plain.slice(0, end), {}), written: plain.slice(0, end) }
    } catch {
      continue
    }
  }
  throw new Error(`“${told}” begins with no value`)
}
/** Half of the last digit that is written. */
const tolerance = (number: number) => {
  const decimals = /\.(\d+)$/.exec(String(number))?.[1]!.length ?? 0
  return 0.5 * 10 ** -decimals + 1e-9
}
function holds(told: unknown, given: unknown, at: string) {
  if (typeof told === 'number') {
    expect(typeof given, at).toBe('number')
    const off = Number.isInteger(told) ? 1e-6 : tolerance(told)
    expect(Math.abs((given as number) - told), `${at}: ${String(given)}`).toBeLessThanOrEqual(off)
  } else if (Array.isArray(told)) {
    expect(given, at).toHaveLength(told.length)
    told.forEach((value, i) => holds(value, (given as unknown[])[i], `${at}[${i}]`))
  } else if (told !== null && typeof told === 'object') {
    for (const [key, value] of Object.entries(told))
      holds(value, (given as Record<string, unknown>)[key], `${at}.${key}`)
  } else expect(given, at).toBe(told)
}

it('there are examples', () => expect(EXAMPLES.length).toBeGreaterThan(60))

describe('examples of docstrings', () => {
  it.each(EXAMPLES.map((example) => [example.file, example.code, example] as const))(
    '%s: %s',
    async (file, code, { told }) => {
      const module = await MODULES[`../../core/${file}`]!()
      const given = evaluate(code, { HOUSE_NORMS, HOUSE_TABLES, ...module })
      holds(valueOf(told).value, given, code)
    },
  )
})
