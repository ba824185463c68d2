import type { Command } from './command'
import { adviseCommand } from './commands/advise'
import { captureCommand } from './commands/capture'
import { contactCommand } from './commands/contact'
import { convertCommand } from './commands/convert'
import { deviceCommand } from './commands/device'
import { examineCommand } from './commands/examine'
import { heatCommand } from './commands/heat'
import { jobsCommand } from './commands/jobs'
import { matchCommand } from './commands/match'
import { measureCommand } from './commands/measure'
import { quoteCommand } from './commands/quote'
import { scanCommand } from './commands/scan'
import { scheduleCommand } from './commands/schedule'
import { shellCommand } from './commands/shell'
import { surfaceCommand } from './commands/surface'

/** The command line's table of contents. */
export const COMMANDS: Record<string, Command> = {
  measure: measureCommand,
  examine: examineCommand,
  capture: captureCommand,
  scan: scanCommand,
  device: deviceCommand,
  surface: surfaceCommand,
  contact: contactCommand,
  shell: shellCommand,
  match: matchCommand,
  jobs: jobsCommand,
  quote: quoteCommand,
  schedule: scheduleCommand,
  heat: heatCommand,
  advise: adviseCommand,
  convert: convertCommand,
}
