import type { Arguments } from './arguments'

/** One word of the command line: what it takes, and what it prints. */
export interface Command {
  usage: string
  files: number
  options: readonly string[]
  /** with this option no file need be given */
  optionalFile?: string
  run: (args: Arguments) => unknown
}
