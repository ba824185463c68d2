// npm run screenshots: one picture of each main view from the demo data, into docs/screenshots.
import { spawn } from 'node:child_process'
import { mkdirSync } from 'node:fs'
import { chromium } from '@playwright/test'
import { at, say, wait } from './lib/project.mjs'
import { needDebian } from './lib/packages.mjs'

needDebian(['postgresql', 'chromium'])
const port = 21305
const base = `http://127.0.0.1:${port}`
const server = spawn(process.execPath, [at('scripts/serve-test.mjs')], {
  cwd: at('.'),
  stdio: ['ignore', 'ignore', 'inherit'],
  env: { ...process.env, E2E_PORT: String(port) },
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
  const shot = async (name) => {
    await wait(900)
    await page.mouse.move(2, 790)
    await page.screenshot({ path: `${folder}/${name}.png` })
    say(name)
  }
  await page.goto(base)
  await page.getByRole('radio').first().waitFor()
  await page.getByLabel(/I know what applies/).check()
  await shot('sign-in')
  await page.getByRole('button', { name: /Sign in as/ }).click()
  await page.getByRole('heading', { name: 'Visits' }).waitFor()
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
      await page.getByRole('button', { name: /right Inner heel/ }).waitFor({ timeout: 60_000 })
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
  await shot('match')
  await open('Oskar', 'match')
  await page.getByRole('button', { name: /^Choose / }).click()
  await page.getByRole('button', { name: 'Try-on', exact: true }).click()
  await page.getByRole('button', { name: 'Start the clock' }).click()
  for (const [group, value] of [
    ['left toes upright', 'touch'],
    ['left toes flexed', 'come off'],
    ['left hold', 'even'],
    ['right toes upright', 'touch'],
    ['right hold', 'tight'],
  ])
    await page
      .getByRole('group', { name: group })
      .getByRole('button', { name: value, exact: true })
      .click()
  await page.getByRole('application', { name: /right foot, medial/ }).click()
  await page.getByRole('button', { name: 'Work plan' }).click()
  await page.getByRole('button', { name: 'Plan from fit' }).click()
  await shot('match-work')
  await page.goto(`${base}/catalogue`)
  await page.getByRole('button', { name: 'Traverse 99' }).click()
  await shot('catalogue')
  for (const station of ['make', 'handover']) {
    await open('Tove', station)
    await shot(station)
  }
  await open('Mirela', 'followup')
  await shot('followup')
  await page.goto(`${base}/worked`)
  await shot('worked')
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
  await page.setViewportSize({ width: 1024, height: 768 })
  await page.goto(`${base}/bench/${ngozi.id}`)
  await page.getByRole('button', { name: /^Start, timer/ }).click()
  await page.getByRole('timer').waitFor()
  await shot('bench-step')
  await browser.close()
} finally {
  server.kill('SIGTERM')
}
