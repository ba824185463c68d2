// Part of npm run bench: how long the browser's main thread is held while an amount is stepped and
// stations are opened, as the browser itself tells it. Long tasks are those over 50 ms; the bar is
// none. It depends on the machine as every measure of time does, so it is no test.
import { spawn } from 'node:child_process'
import { chromium } from '@playwright/test'
import { at, say, wait } from './lib/project.mjs'

const port = 21307
const base = `http://127.0.0.1:${port}`
const STEPS = 30
const STATIONS = ['story', 'measure', 'examine', 'capture', 'prescribe', 'match', 'make']

const server = spawn(process.execPath, [at('scripts/serve-test.mjs')], {
  cwd: at('.'),
  stdio: ['ignore', 'ignore', 'inherit'],
  env: { ...process.env, E2E_PORT: String(port), E2E_SERVERS: '1' },
})
const isUp = () =>
  fetch(`${base}/api/health`)
    .then((answer) => answer.ok)
    .catch(() => false)
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0
const told = (name, tasks) =>
  console.log(
    `${String(tasks.length).padStart(4)} tasks over 50 ms, median ${median(tasks).toFixed(0)}, worst ${Math.max(0, ...tasks).toFixed(0)} ms   ${name}`,
  )

try {
  for (let tries = 0; tries < 600 && !(await isUp()); tries++) await wait(500)
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu-compositing',
      '--use-angle=swiftshader',
      '--enable-unsafe-swiftshader',
    ],
  })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.addInitScript(() => {
    window.longTasks = []
    new PerformanceObserver((list) =>
      window.longTasks.push(...list.getEntries().map((entry) => entry.duration)),
    ).observe({ type: 'longtask', buffered: true })
  })
  /** Long tasks while something is done. */
  const during = async (work) => {
    await wait(2000)
    await page.evaluate(() => (window.longTasks.length = 0))
    await work()
    return page.evaluate(() => [...window.longTasks])
  }
  await page.goto(base)
  await page.getByRole('radio', { name: /Rhona/ }).click()
  await page.getByLabel(/I know what applies/).check()
  await page.getByRole('button', { name: 'Sign in as Rhona' }).click()
  const href = await page
    .getByRole('link', { name: /Mirela/ })
    .first()
    .getAttribute('href')
  await page.goto(base + href.replace(/[a-z]+$/, 'prescribe'))
  const amount = page.getByLabel('right Met pad, mm')
  await amount.waitFor()
  await wait(2000)
  told(
    `${STEPS} steps of an amount`,
    await during(async () => {
      for (let i = 0; i < STEPS; i++) {
        await amount.press(i % 2 ? 'ArrowUp' : 'ArrowDown')
        await wait(150)
      }
    }),
  )
  await page.locator('h1').click()
  for (const [i, station] of STATIONS.entries())
    told(
      `opening ${station}`,
      await during(async () => {
        await page.keyboard.press(String(i + 1))
        await page.locator('h1').waitFor()
        await wait(1500)
      }),
    )
  await browser.close()
} finally {
  server.kill('SIGTERM')
  say('main thread measured')
}
