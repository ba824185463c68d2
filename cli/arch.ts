import { Refusal } from '../core/record/refusal'
import { readArguments, UsageError } from './arguments'
import { COMMANDS } from './commands'
import { Lines } from './lines'

/** Runs one command; prints one JSON document. Exit 0 done, 1 input refused, 2 wrong usage. */
function main(argv: string[]): number {
  const [name, ...rest] = argv
  const command = name === undefined ? undefined : COMMANDS[name]
  if (!command) {
    const list = Object.entries(COMMANDS)
      .map(([key, c]) => `  arch ${key} ${c.usage}`)
      .join('\n')
    process.stderr.write(`${name ? `arch: there is no command "${name}".\n` : ''}usage:\n${list}\n`)
    return 2
  }
  try {
    const args = readArguments(rest, command.options)
    const needed =
      command.optionalFile !== undefined && args.options[command.optionalFile] !== undefined
        ? 0
        : command.files
    if (args.files.length < needed) throw new UsageError(`arch ${name} needs ${command.usage}`)
    if (args.files.length > command.files)
      throw new UsageError(`arch ${name}: "${args.files[command.files]}" is one file too many`)
    const answer = command.run(args)
    process.stdout.write(
      answer instanceof Lines
        ? answer.answers.map((a) => `${JSON.stringify(a)}\n`).join('')
        : `${JSON.stringify(answer, null, 2)}\n`,
    )
    return 0
  } catch (error) {
    if (error instanceof UsageError) {
      process.stderr.write(`${error.message}\n`)
      return 2
    }
    if (!(error instanceof Refusal)) throw error
    process.stdout.write(
      `${JSON.stringify({ error: { code: error.code, message: error.message, path: error.path } }, null, 2)}\n`,
    )
    return 1
  }
}

process.exitCode = main(process.argv.slice(2))
