import { parseDay } from '../../core/bench/schedule/day'
import { schedule } from '../../core/bench/schedule/schedule'
import { readJson } from '../arguments'
import type { Command } from '../command'

export const scheduleCommand: Command = {
  usage: 'DAY',
  files: 1,
  options: [],
  run: (args) => schedule(parseDay(readJson(args.files[0]!))),
}
