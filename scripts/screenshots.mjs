// npm run screenshots: one picture of each main view from the demo data, into docs/screenshots.
import { spawn } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { at, say, wait } from './lib/project.mjs'
import { needDebian } from './lib/packages.mjs'

needDebian(['postgresql', 'chromium'])
const port = 21305
const base = `http://127.0.0.1:${port}`
const backups = mkdtempSync(join(tmpdir(), 'gentle-arch-pictures-'))
const server = spawn(process.execPath, [at('scripts/serve-test.mjs')], {
  cwd: at('.'),
  stdio: ['ignore', 'ignore', 'inherit'],
  env: { ...process.env, E2E_PORT: String(port), E2E_BACKUPS: backups },
})
try {
  for (
    let tries = 0;
    tries < 1800 &&
    !(await fetch(`${base}/api/health`)
      .then((r) => r.ok)
      .catch(() => false));
    tries++
  )
    await wait(500)
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu-compositing',
      '--use-angle=swiftshader',
      '--enable-unsafe-swiftshader',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
    ],
  })
  const folder = at('docs/screenshots')
  mkdirSync(folder, { recursive: true })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' })
  // A calm hour of the day, so that pictures change only when a view does. The clock goes on: what is
  // pressed and heard in one and the same moment, the application takes for heard before it asked.
  const hour = new Date(new Date().setHours(10, 24, 0, 0))
  await page.clock.install({ time: hour })
  const shot = async (name, of = page) => {
    await wait(900)
    await of.mouse.move(2, 790)
    await of.screenshot({ path: `${folder}/${name}.png` })
    say(name)
  }
  const signIn = async (on, name) => {
    await on.goto(base)
    await on.getByRole('radio', { name: new RegExp(name) }).click()
    await on.getByLabel(/I know what applies/).check()
    await on.getByRole('button', { name: `Sign in as ${name}` }).click()
    await on.getByRole('heading', { name: 'Visits' }).waitFor()
  }
  /** A client's own boots, worked once; then the shell was measured again, and the plan says what changed. */
  const workPlan = async () => {
    const form = page.getByRole('dialog')
    const fill = async (numbers) => {
      for (const [label, text] of Object.entries(numbers))
        await form.getByLabel(label, { exact: true }).fill(text)
      await form.getByRole('button', { name: 'Keep', exact: true }).click()
    }
    await page.getByRole('button', { name: /^Brought along/ }).click()
    await fill({
      'What it is': 'grey boots, three winters',
      'Size on it, mm': '270',
      'Length, mm': '281',
      'Ball width, mm': '107',
      'Waist girth, mm': '272',
      'Instep height, mm': '74',
      'Heel width, mm': '73',
      'Liner as it is, mm': '4',
      'Wall gives, mm': '6',
    })
    // Its navicular has little room on one foot: work on one side, where the bone is.
    await page.getByRole('button', { name: /^Brought along/ }).click()
    await form.getByRole('button', { name: 'More measures' }).click()
    await fill({ 'Room at the navicular, mm': '9' })
    await page.getByRole('button', { name: /^Choose grey boots/ }).click()
    await page.getByRole('button', { name: 'Work plan' }).click()
    await page.getByRole('button', { name: /^Follow the fit/ }).click()
    await page.getByRole('button', { name: /^Brought along/ }).click()
    await fill({ 'Ball width, mm': '104', 'Waist girth, mm': '286' })
    await page
      .getByText(/nothing asks for it any more/)
      .first()
      .waitFor()
    await wait(1000)
    await shot('work-plan')
  }
  await signIn(page, 'Rhona')
  await shot('today')
  const open = async (client, station) => {
    await page.clock.setSystemTime(hour)
    await page.goto(base)
    const href = await page
      .getByRole('link', { name: new RegExp(client) })
      .first()
      .getAttribute('href')
    await page.goto(base + href.replace(/[a-z]+$/, station))
    await page.getByRole('heading', { level: 1 }).waitFor()
  }
  /** A good pair of scans by the stand-in. */
  const captures = async () => {
    const tab = (name) => page.getByRole('tab', { name }).click()
    const scan = async (side, fault) => {
      await tab('Scans')
      await page
        .getByRole('combobox', { name: 'Fault of the stand-in scan' })
        .click({ force: true })
      await page.getByRole('option', { name: fault }).click()
      await page.getByRole('button', { name: new RegExp(`^Scan ${side}`) }).click()
      await page.getByRole('button', { name: `Keep as ${side} scan` }).click({ timeout: 60_000 })
      await page.getByText('storing the original').waitFor({ state: 'hidden', timeout: 60_000 })
      await page.getByRole('button', { name: /^Scan left/ }).waitFor({ timeout: 60_000 })
    }
    await scan('left', 'well held')
    await scan('right', 'well held')
    await tab('Quality')
    await shot('capture')
  }
  for (const station of ['story', 'measure', 'examine', 'capture', 'prescribe']) {
    await open('Tove', station)
    if (station === 'capture') {
      await captures()
      continue
    }
    if (station === 'measure') await page.getByLabel(/Call-out/).fill('width 97.5 / 99')
    if (station === 'prescribe') {
      // One step of the right skive, so that the picture says what it bought.
      await page.getByRole('button', { name: 'Show all of effects' }).click()
      await page.getByRole('button', { name: /right Inner heel/ }).waitFor({ timeout: 60_000 })
      await page.getByRole('button', { name: 'Fold effects' }).click()
      await wait(4000)
      await page.getByLabel('right Medial heel skive, mm').fill('4')
      await page.getByLabel('right Medial heel skive, mm').press('Enter')
      await page.getByText(/depth 3 → 4 mm/).waitFor({ timeout: 30_000 })
      await wait(3000)
    }
    await shot(station)
  }
  await page.getByRole('button', { name: 'Effects', exact: true }).click()
  await page
    .getByRole('button', { name: /Medial heel skive: show without it/ })
    .click({ timeout: 30_000 })
  await page.getByLabel('Wanted change of turning moment, N·mm').fill('600')
  await page.getByLabel('Wanted change of turning moment, N·mm').press('Enter')
  await page.getByRole('button', { name: /^Set [\d.]+ mm|So it is/ }).waitFor({ timeout: 30_000 })
  await wait(2000)
  await shot('prescribe-effects')
  await page.getByRole('button', { name: 'Shell', exact: true }).click()
  await page
    .getByText(/by what it stands on/)
    .nth(1)
    .waitFor({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Compare' }).click()
  await page.getByLabel('Wanted give, mm').fill('2')
  await page.getByRole('button', { name: 'Again' }).waitFor()
  await page.waitForFunction(
    () => !document.querySelector('[role=progressbar]:not([aria-hidden=true])'),
    undefined,
    {
      timeout: 120_000,
    },
  )
  await page.getByRole('button', { name: 'Seek' }).click()
  await page
    .getByRole('button', { name: /^Set [\d.]+ mm/ })
    .nth(1)
    .waitFor({ timeout: 120_000 })
  await shot('prescribe-shell')
  await page.getByRole('button', { name: 'Terrain', exact: true }).click()
  await page.getByRole('button', { name: 'Take back', exact: true }).click()
  await page.getByRole('button', { name: 'Take back', exact: true }).click()
  await page.getByRole('status').filter({ hasText: 'Saved' }).waitFor()
  await open('Tove', 'match')
  await page.getByRole('region', { name: 'Bring out' }).waitFor()
  // Another size for one foot, taken beside the drawing.
  await page
    .locator('.v-field')
    .filter({ has: page.getByRole('combobox', { name: 'right size', exact: true }) })
    .click()
  await page.getByRole('option', { name: '27.0' }).click()
  await page.getByText('sizes taken').first().waitFor()
  await shot('match')
  for (const station of ['make', 'handover']) {
    await open('Tove', station)
    await shot(station)
  }
  await open('Mirela', 'followup')
  await shot('followup')
  // A decision whose reason has grown since, beside a posture that is half seen.
  await open('Oskar', 'examine')
  const longer = page.locator('.ledger article').filter({ hasText: 'mm longer' })
  await longer.getByRole('button', { name: 'Noted' }).click()
  await page.getByLabel(/Call-out/).fill('length R 290 290 290')
  await page.getByLabel(/Call-out/).press('Enter')
  await page.getByRole('button', { name: 'Stance', exact: true }).click()
  for (const [item, points] of [
    ['Talar head', '+1'],
    ['Heel from behind', '+2'],
    ['Inner arch', '+2'],
  ])
    await page
      .getByRole('group', { name: `right ${item}` })
      .getByRole('button', { name: points, exact: true })
      .click()
  await page.getByText(/Decided: 1/).click()
  await page.getByText('Changed since').first().waitFor()
  await shot('why')
  // What a growing client reads.
  await open('Lioba', 'measure')
  await page.keyboard.press('v')
  await page
    .getByText(/What we found/i)
    .first()
    .waitFor()
  await shot('client')
  // The bench: a plan of the day, then one sheet in the oven, step by step on a tablet.
  await page.goto(`${base}/bench`)
  await page.getByRole('button', { name: 'Keep this plan' }).click({ timeout: 30_000 })
  await page
    .getByRole('button', { name: /^Idris, Flatten|Idris, Flatten/ })
    .first()
    .click()
  await shot('bench')
  const ngozi = (await (await page.request.get(`${base}/api/bench`)).json()).jobs.find(
    (j) => j.code === 'HR-0444',
  )
  let version = ngozi.jobsVersion
  for (const [step, foot] of [
    ['balance', 'left'],
    ['balance', 'right'],
    ['heat', 'left'],
    ['form', 'left'],
    ['cool', 'left'],
  ])
    version = (
      await (
        await page.request.post(`${base}/api/fittings/${ngozi.id}/commands`, {
          data: {
            id: crypto.randomUUID(),
            version,
            command: {
              kind: 'jobs.step',
              step: `vacuum-shell:${step}`,
              foot,
              do: 'finish',
              following: [],
            },
          },
        })
      ).json()
    ).state.version
  const log = crypto.randomUUID()
  await page.request.post(`${base}/api/heat`, {
    data: {
      id: log,
      name: 'HR-0444: right sheet',
      apparatus: 'oven',
      window: 'polypropylene',
      fittingId: ngozi.id,
    },
  })
  const readings = Array.from({ length: 160 }, (_, k) => ({
    minutes: k / 15,
    celsius:
      Math.round(10 * (21 + 168 * (1 - Math.exp(-k / 15 / 6.5)) + 0.5 * Math.sin(k * 7.3))) / 10,
    drive: 1.12,
  }))
  await page.request.patch(`${base}/api/heat/${log}`, { data: { do: 'add', readings } })
  await page.goto(`${base}/heat`)
  await shot('heat')
  await page.goto(`${base}/calendar`)
  await page.getByRole('button', { name: /^Petra/ }).click()
  await shot('week')
  await page.goto(`${base}/due`)
  await page
    .getByRole('button', { name: /^More about/ })
    .first()
    .click()
  await shot('due')
  await page.keyboard.press('Escape')
  await open('Tove', 'match')
  await page.getByRole('region', { name: 'Bring out' }).waitFor()
  await workPlan()
  await browser.close()
} finally {
  server.kill('SIGTERM')
  rmSync(backups, { recursive: true })
}
