import { existsSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { dirname, join } from 'node:path'
import { Piscina } from 'piscina'
import { Refusal } from '../../core/record/refusal'
import { HttpProblem } from '../http/problem'
import type { Tasks } from './tasks'
import type { Done, Work } from './worker'

/** So long one piece of work may take before it is ended, ms. */
const PATIENCE_MS = 60_000
/** So long a thread without work is kept, ms. */
const IDLE_MS = 120_000
/** So much a thread may hold beside its typed arrays, MB. */
const MOST_MB = 1024
/** So many pieces of work wait; who comes then is asked to come again. */
const MOST_WAITING = 100

/** The bundle of the threads: beside the server's own, or where the development server built it. */
function bundle(): string {
  const folder = process.env.ARCH_WORKERS ?? join(dirname(process.argv[1]!), 'workers')
  const path = join(folder, 'worker.cjs')
  if (!existsSync(path)) throw new Error(`the threads' bundle is not at ${path}: build again`)
  return path
}

let threads: Piscina<Work, Done> | undefined
function pool(): Piscina<Work, Done> {
  threads ??= new Piscina<Work, Done>({
    filename: bundle(),
    minThreads: 1,
    maxThreads: Math.max(2, availableParallelism() - 1),
    idleTimeout: IDLE_MS,
    maxQueue: MOST_WAITING,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
  })
  return threads
}

/** Ends the threads with the server. */
export const endThreads = async (): Promise<void> => {
  await threads?.destroy()
  threads = undefined
}

function problemOf(error: Error): Error {
  if (error.name === 'AbortError')
    return new HttpProblem(
      422,
      'too-long',
      `This took longer than ${PATIENCE_MS / 1000} seconds and was ended. Nothing was kept. Try a smaller file.`,
    )
  if ((error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY')
    return new HttpProblem(
      422,
      'too-much',
      'This needs more memory than there is. Nothing was kept. Try a smaller file.',
    )
  if (/task queue|Task queue/.test(error.message))
    return new HttpProblem(503, 'busy', 'Too much is asked at once. It is tried again.')
  return error
}

/**
 * Does work beside the requests of others, within limits of time and memory.
 *
 * @param given files that are handed over, and are gone here
 * @throws Refusal as the work itself says; HttpProblem where it took too long or too much
 */
export async function inThread<N extends keyof Tasks>(
  task: N,
  args: Parameters<Tasks[N]>,
  given: readonly Uint8Array<ArrayBuffer>[] = [],
): Promise<Awaited<ReturnType<Tasks[N]>>> {
  const work = { task, args } as unknown as Work
  const done = await pool()
    .run(work, {
      signal: AbortSignal.timeout(PATIENCE_MS),
      transferList: given.map((bytes) => bytes.buffer),
    })
    .catch((error: Error) => {
      throw problemOf(error)
    })
  if (done && typeof done === 'object' && 'refused' in done) {
    const { code, message, path } = done.refused
    throw new Refusal(code, message, path)
  }
  return done as Awaited<ReturnType<Tasks[N]>>
}
