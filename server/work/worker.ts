import { Refusal } from '../../core/record/refusal'
import { TASKS, type Tasks } from './tasks'

export interface Work<N extends keyof Tasks = keyof Tasks> {
  task: N
  args: Parameters<Tasks[N]>
}
/** A refusal loses its code and place where it is thrown across threads: it is told instead. */
export interface Refused {
  refused: { code: string; message: string; path: string }
}
export type Done = Refused | Awaited<ReturnType<Tasks[keyof Tasks]>>

/** Does one piece of work in this thread. */
export default async function work({ task, args }: Work): Promise<Done> {
  try {
    const run = TASKS[task] as (...args: unknown[]) => Done | Promise<Done>
    return await run(...(args as unknown[]))
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    const { code, message, path } = error
    return { refused: { code, message, path } }
  }
}
