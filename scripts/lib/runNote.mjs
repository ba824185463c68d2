// The note that says that the application runs here: who, since when, and where.
import { readFileSync, rmSync, writeFileSync } from 'node:fs'

/** When a process began, in ticks since the machine did; null where that cannot be told. */
export function beganAt(pid) {
  try {
    // The second field is a name in brackets that may hold spaces.
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? null
  } catch {
    return null
  }
}
const isAlive = (pid) => {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return error.code === 'EPERM'
  }
}

/**
 * The note of a run that goes on; null where there is none, it is broken, or its process is gone. A
 * number that another process has since is known by when that one began.
 */
export function runningNote(file) {
  try {
    const note = JSON.parse(readFileSync(file, 'utf8'))
    const isSame = note.began === undefined || note.began === beganAt(note.pid)
    return isAlive(note.pid) && isSame ? note : null
  } catch {
    return null
  }
}

/** Writes this process's note; it goes when the process does. */
export function writeNote(file, more = {}) {
  const first = runningNote(file)?.pid !== process.pid
  writeFileSync(file, JSON.stringify({ pid: process.pid, began: beganAt(process.pid), ...more }))
  if (first) process.on('exit', () => rmSync(file, { force: true }))
}
