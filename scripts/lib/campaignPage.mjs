// Somebody at a real page, who types; the browser can be killed and opened again. What they were
// shown as kept is remembered, to be looked for in the end.
import { spawn } from 'node:child_process'
import { existsSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { wait } from './project.mjs'

const KEPT = /✓ Saved|Kept on this device/
const SHORT_MS = 10_000
const FIRST_MS = 60_000

export class Person {
  /** names of timers that were shown as kept, and those of which nobody knows */
  kept = []
  unsure = []
  constructor({ base, folder, path }) {
    Object.assign(this, { base, path, profile: join(folder, 'profile') })
  }
  /** Opens the browser, with all that it kept. */
  async open() {
    const note = join(this.profile, 'DevToolsActivePort')
    rmSync(note, { force: true })
    this.browser = spawn(
      process.env.CHROMIUM ?? '/usr/bin/chromium',
      [
        '--headless=new',
        '--no-sandbox',
        '--disable-gpu',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--remote-debugging-port=0',
        `--user-data-dir=${this.profile}`,
        'about:blank',
      ],
      { stdio: 'ignore', detached: true },
    )
    for (let tries = 0; !existsSync(note) && tries < 200; tries++) await wait(100)
    await wait(100)
    const port = readFileSync(note, 'utf8').split('\n')[0]
    const connection = await chromium.connectOverCDP(`http://127.0.0.1:${port}`)
    this.connection = connection
    const [context] = connection.contexts()
    this.context = context
    this.page = context.pages()[0] ?? (await context.newPage())
    this.page.setDefaultTimeout(SHORT_MS)
  }
  /** As if somebody pulled the plug of the tablet. */
  kill() {
    const { pid } = this.browser ?? {}
    this.browser = null
    if (!pid) return
    try {
      process.kill(-pid, 'SIGKILL')
    } catch {
      // It is gone already.
    }
    void this.connection?.close().catch(() => undefined)
  }
  async loseLine(ms) {
    const { context } = this
    await context?.setOffline(true).catch(() => undefined)
    await wait(ms)
    await context?.setOffline(false).catch(() => undefined)
  }
  async signIn() {
    if (!this.page.url().endsWith('/sign-in')) await this.page.goto(this.base)
    await this.page.getByRole('radio', { name: /Sunniva/ }).click({ timeout: FIRST_MS })
    await this.page.getByLabel(/I know what applies/).check()
    await this.page.getByRole('button', { name: 'Sign in as Sunniva' }).click()
    await this.page.getByRole('heading', { name: 'Visits' }).waitFor({ timeout: FIRST_MS })
    await this.page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  }
  /** Is at the page, whatever it takes: opened again, unlocked. */
  async arrive() {
    if (!this.browser) await this.open()
    const { page } = this
    if (!page.url().endsWith(this.path)) await page.goto(`${this.base}${this.path}`)
    const timers = page.getByRole('button', { name: /^Timers/ })
    const locked = page.getByRole('button', { name: 'Open as Sunniva' })
    // A browser writes its cookies down late: killed soon after, it has forgotten who was here.
    const signedOut = page.getByRole('radio', { name: /Sunniva/ })
    await timers
      .or(locked)
      .or(signedOut)
      .first()
      .waitFor({ timeout: 4 * SHORT_MS })
    if (await signedOut.isVisible()) {
      await this.signIn()
      await page.goto(`${this.base}${this.path}`)
    }
    if (await locked.isVisible()) await locked.click()
    await timers.waitFor()
  }
  async write(name) {
    const { page } = this
    await page.getByRole('button', { name: /^Timers/ }).click()
    await page.getByLabel('Name of a new timer').fill(name)
    await page.getByLabel('Minutes of a new timer, min').fill('600')
    this.unsure.push(name)
    await page.getByLabel('Minutes of a new timer, min').press('Enter')
    await page.getByText(name).first().waitFor()
    await page.keyboard.press('Escape')
    await page.getByRole('status').filter({ hasText: KEPT }).first().waitFor()
    this.unsure.pop()
    this.kept.push(name)
  }
  async work(isOver) {
    for (let i = 1; !isOver(); i++) {
      try {
        await this.arrive()
        await this.write(`page ${String(i).padStart(5, '0')}`)
      } catch {
        // A page that something happened to is loaded again.
        await this.page?.goto(`${this.base}${this.path}`).catch(() => undefined)
        await wait(200)
      }
    }
  }
  /** All is well: nothing more waits on this device. */
  async settle(mostMs) {
    for (const until = Date.now() + mostMs; Date.now() < until;) {
      try {
        await this.arrive()
        const waits = await this.page.getByRole('button', { name: /wait/ }).count()
        const saved = await this.page.getByRole('status').filter({ hasText: '✓ Saved' }).count()
        if (waits === 0 && saved > 0) return
        await wait(500)
      } catch {
        await this.page?.goto(`${this.base}${this.path}`).catch(() => undefined)
      }
    }
    throw new Error('something still waits on the page')
  }
}
