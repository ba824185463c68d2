import { callOut, expect, newClient, saved, signIn, test } from './fixtures'

test('a stale second tab adds its own by itself, and asks only what both changed', async ({
  page,
  context,
  clean,
}) => {
  clean.allow(/409/)
  await signIn(page)
  await newClient(page, 'Two Tabs')
  await page.getByRole('button', { name: 'Go to Measure' }).click()
  await expect(page.getByRole('heading', { name: 'Measure' })).toBeVisible()
  const second = await context.newPage()
  // The second tab hears nothing, as on a bad line: it stays behind.
  await second.addInitScript(() => {
    const deaf = class extends EventTarget {
      close() {}
    }
    Object.assign(window, { SharedWorker: undefined, EventSource: deaf })
  })
  await second.goto(page.url())
  await expect(second.getByRole('heading', { name: 'Measure' })).toBeVisible()
  await callOut(page, 'length L 264')
  await saved(page)
  await callOut(second, 'length L 266')
  await saved(second)
  await expect(second.getByLabel('left Foot length, try 2, mm')).toHaveValue('266')
  // The first tab hears of it by itself.
  await expect(page.getByLabel('left Foot length, try 2, mm')).toHaveValue('266')
  // Both set the goal of the story; the second tab says something else besides.
  for (const tab of [page, second])
    await tab.getByRole('navigation').getByRole('button', { name: /Story/ }).click()
  await page.getByLabel('Goal in the client’s words').fill('a day without pain')
  await page.getByLabel('Goal in the client’s words').blur()
  await saved(page)
  await second.getByLabel('Goal in the client’s words').fill('the race in March')
  await second.getByLabel('Goal in the client’s words').blur()
  const dialog = second.getByRole('alertdialog')
  await expect(dialog).toContainText('Rhona Ketteridge changed the story')
  await expect(dialog.getByRole('button')).toHaveText([
    'Mine: the race in March',
    'Rhona Ketteridge: a day without pain',
    'Keep what is chosen',
    'All mine',
    'All theirs',
  ])
  await dialog.getByRole('button', { name: 'Mine: the race in March' }).click()
  await dialog.getByRole('button', { name: 'Keep what is chosen' }).click()
  await saved(second)
  await expect(page.getByLabel('Goal in the client’s words')).toHaveValue('the race in March')
})

test('what is typed while the line is down waits in sight, and goes by itself, once', async ({
  page,
  clean,
}) => {
  clean.allow(/ERR_FAILED|Failed to load/)
  await signIn(page)
  await newClient(page, 'Wait Awhile')
  await saved(page)
  await page.route('**/api/clients/**', (route) =>
    route.request().method() === 'PATCH' ? route.abort() : route.fallback(),
  )
  await page.getByLabel('Weight, kg').fill('71')
  await page.getByLabel('Weight, kg').blur()
  await page.getByLabel('Does what').fill('glacier guide')
  await page.getByLabel('Does what').blur()
  const tray = page.getByRole('button', { name: /^2 wait/ })
  await expect(tray).toBeVisible()
  await expect(page.getByText('Kept on this device')).toBeVisible()
  // From another page it is in sight too, and survives a page that is closed.
  page.on('dialog', (d) => void d.accept())
  await page.goto('/due')
  await tray.click()
  await expect(page.getByRole('region', { name: 'What waits on this device' })).toContainText(
    'Wait Awhile: weight',
  )
  await page.unroute('**/api/clients/**')
  await expect(tray).toHaveCount(0)
  await page.goBack()
  await expect(page.getByLabel('Weight, kg')).toHaveValue('71')
  await expect(page.getByLabel('Does what')).toHaveValue('glacier guide')
})

test('a lost line keeps every change on this device and sends each once, in order', async ({
  page,
  clean,
}) => {
  clean.allow(/ERR_FAILED|Failed to load/)
  await signIn(page)
  await newClient(page, 'Lost Line')
  await page.getByRole('button', { name: 'Go to Measure' }).click()
  await saved(page)
  await page.route('**/commands', (route) => route.abort())
  for (const line of ['length 264 / 268', 'width 97.5 / 99', 'heel 63 / 64'])
    await callOut(page, line)
  await expect(page.getByText('Kept on this device')).toBeVisible()
  // Even a closed and reopened page has them.
  page.on('dialog', (d) => void d.accept())
  await page.reload()
  await expect(page.getByRole('button', { name: /^right Heel width: 64.0 mm/ })).toBeVisible()
  await page.unroute('**/commands')
  await saved(page)
  await page.reload()
  for (const name of [
    /^left Foot length: 264.0 mm, spread 0.0 of 1 try/,
    /^right Forefoot width: 99.0 mm/,
    /^left Heel width: 63.0 mm/,
  ])
    await expect(page.getByRole('button', { name })).toBeVisible()
})

test('twelve tabs of one browser work, and all hear the news', async ({ page, context }) => {
  await signIn(page)
  await newClient(page, 'Twelve Tabs')
  await page.getByRole('button', { name: 'Go to Measure' }).click()
  await expect(page.getByRole('heading', { name: 'Measure' })).toBeVisible()
  const others = []
  for (let i = 0; i < 11; i++) {
    const tab = await context.newPage()
    await tab.goto(i % 2 ? page.url() : '/')
    others.push(tab)
  }
  for (const [i, tab] of others.entries())
    await expect(tab.getByRole('heading', { name: i % 2 ? 'Measure' : 'Visits' })).toBeVisible()
  await callOut(page, 'length L 264')
  await saved(page)
  for (const [i, tab] of others.entries())
    if (i % 2)
      await expect(tab.getByRole('button', { name: /^left Foot length: 264.0 mm/ })).toBeVisible()
})
