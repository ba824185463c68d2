import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { expect, newClient, openFitting, signIn, test } from './fixtures'

const STATIONS = [
  'story',
  'measure',
  'examine',
  'capture',
  'prescribe',
  'match',
  'make',
  'handover',
  'followup',
]

/** A look at every part of a page takes a second alone, ten beside another browser. */
const MOST_MS = 900_000

/**
 * Free of accessibility faults that a machine can find, and no scrolling of the page at 1280 × 800.
 */
const lookAt = (page: Page) => async (name: string) => {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze()
  expect(violations.map((v) => `${name}: ${v.id} ${v.nodes[0]?.html.slice(0, 160)}`)).toEqual([])
  const over = await page.evaluate(() => ({
    y: document.documentElement.scrollHeight - innerHeight,
    x: document.documentElement.scrollWidth - innerWidth,
    main: [...document.querySelectorAll('.main')]
      .map((m) => [m.scrollHeight - m.clientHeight, m.scrollWidth - m.clientWidth])
      .flat(),
  }))
  expect(
    [over.y <= 0, over.x <= 0, ...over.main.map((v) => v <= 1)],
    `${name} ${JSON.stringify(over)}`,
  ).not.toContain(false)
}

test('sign-in, today and every station hold together', async ({ page }) => {
  test.setTimeout(MOST_MS)
  const look = lookAt(page)
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Who is at the bench?' })).toBeVisible()
  await look('sign-in')
  await signIn(page)
  await look('today')
  await openFitting(page, 'Tove', 'story')
  for (const [i, station] of STATIONS.entries()) {
    await page.keyboard.press(String(i + 1))
    await expect(page).toHaveURL(new RegExp(`/${station}$`))
    await page.waitForTimeout(600)
    await look(station)
    if (station === 'measure')
      for (const view of ['Girths', 'Heights']) {
        await page.getByRole('button', { name: view }).click()
        await look(`measure ${view}`)
      }
    if (station === 'examine')
      for (const group of ['Range', 'Stance', 'Feeling and skin', 'Marks']) {
        await page.getByRole('button', { name: group, exact: true }).click()
        await look(`examine ${group}`)
      }
  }
})

test('what is drawn of a device holds together', async ({ page }) => {
  test.setTimeout(MOST_MS)
  const look = lookAt(page)
  await signIn(page)
  await openFitting(page, 'Tove', 'prescribe')
  await page.getByRole('button', { name: 'pressure', exact: true }).click()
  await look('prescribe pressure')
  await page.getByRole('button', { name: 'Effects', exact: true }).click()
  await expect(page.getByRole('region', { name: 'Effect of each layer' })).toBeVisible({
    timeout: 90_000,
  })
  await look('prescribe effects')
  await page.getByRole('button', { name: 'Shell', exact: true }).click()
  await expect(page.getByText(/by what it stands on/).nth(1)).toBeVisible({ timeout: 90_000 })
  await look('prescribe shell')
})

test('catalogue and match hold together', async ({ page }) => {
  test.setTimeout(MOST_MS)
  const look = lookAt(page)
  await signIn(page)
  await page.goto('/catalogue')
  await page.getByRole('button', { name: 'Traverse 99' }).click()
  await look('catalogue')
  await page.goto('/')
  await openFitting(page, 'Tove', 'match')
  await expect(page.getByRole('region', { name: 'Bring out' })).toBeVisible()
  for (const part of ['Side by side', 'Try-on', 'Work plan']) {
    await page.getByRole('button', { name: part, exact: true }).click()
    await look(part)
  }
})

test('settings, bench, lists and comparisons hold together', async ({ page }) => {
  test.setTimeout(MOST_MS)
  const look = lookAt(page)
  await signIn(page)
  await page.goto('/settings')
  await expect(page.getByRole('heading', { name: 'Settings', level: 1 })).toBeVisible()
  await look('settings')
  for (const pane of ['Bench', 'Prices']) {
    await page.getByRole('tab', { name: pane }).click()
    await page.waitForTimeout(400)
    await look(`settings ${pane}`)
  }
  for (const path of ['bench', 'heat', 'due', 'worked']) {
    await page.goto(`/${path}`)
    await page.waitForTimeout(1500)
    await look(path)
  }
  await page.goto('/bench')
  for (const view of ['Week', 'Table']) {
    await page.getByRole('button', { name: view, exact: true }).click()
    await look(`bench ${view}`)
  }
  await page.goto('/')
  await openFitting(page, 'Tove', 'story')
  await page.getByRole('tab', { name: /Before making/ }).click()
  await look('signs')
  await page.goto(page.url().replace(/[a-z]+$/, 'measure'))
  await page.getByRole('button', { name: 'More for Measure' }).click()
  await page.locator('.v-list-item', { hasText: 'Compare visits' }).click()
  await expect(page.getByRole('row', { name: /^Waist girth/ })).toBeVisible()
  await look('compare')
})

test('empty fittings, long names and a tablet hold together', async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 768 })
  await signIn(page)
  await newClient(page, 'Maximiliane-Konstantina von Unterüberlingen-Hochgebirge the Younger')
  for (const station of STATIONS) {
    await page.goto(page.url().replace(/[a-z]+$/, station))
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    expect(
      await page.evaluate(() => document.documentElement.scrollWidth - innerWidth),
      station,
    ).toBeLessThanOrEqual(0)
    expect(
      await page.evaluate(() =>
        [...document.querySelectorAll('button, a.v-btn')]
          .filter(
            (b) =>
              b.getBoundingClientRect().right > innerWidth + 1 && b.getClientRects().length > 0,
          )
          .map((b) => b.textContent),
      ),
      station,
    ).toEqual([])
  }
  await expect(page.getByText('No pain told yet')).toBeVisible()
})

test('the first page asks for less than 180 kB of compressed scripts', async ({ page }) => {
  // The page itself notes when it first stands: what it asks for later is read ahead for the next.
  await page.addInitScript(() => {
    const seen = new MutationObserver(() => {
      if (!document.body?.textContent?.includes('Who is at the bench?')) return
      performance.mark('stands')
      seen.disconnect()
    })
    seen.observe(document, { childList: true, subtree: true })
  })
  await page.goto('/')
  await page.getByRole('heading', { name: 'Who is at the bench?' }).waitFor()
  await page.waitForTimeout(500)
  const files = await page.evaluate(() => {
    const stands = performance.getEntriesByName('stands')[0]!.startTime
    const ahead = new Set(
      [...document.querySelectorAll<HTMLLinkElement>('link[rel=prefetch]')].map((l) => l.href),
    )
    return performance
      .getEntriesByType('resource')
      .map((e) => e as PerformanceResourceTiming)
      .filter((e) => /\.m?js(\?|$)/.test(e.name) && e.startTime < stands && !ahead.has(e.name))
      .map((e) => ({ name: e.name, bytes: e.encodedBodySize }))
  })
  const bytes = files.reduce((sum, f) => sum + f.bytes, 0)
  console.log(`first page: ${(bytes / 1000).toFixed(0)} kB of ${files.length} scripts`)
  expect(bytes).toBeGreaterThan(20_000)
  expect(bytes).toBeLessThan(180_000)
})
