import { callOut, expect, newClient, saved, signIn, test } from './fixtures'

test('a stale second tab is told and can add its own, or keep theirs', async ({
  page,
  context,
  clean,
}) => {
  clean.allow(/409/)
  await signIn(page)
  await newClient(page, 'Two Tabs')
  await page.getByRole('button', { name: 'Go to Measure' }).click()
  await saved(page)
  const second = await context.newPage()
  // The second tab hears nothing, as on a bad line: it stays behind.
  await second.route('**/events', (route) => route.abort())
  await second.goto(page.url())
  await expect(second.getByRole('heading', { name: 'Measure' })).toBeVisible()
  await callOut(page, 'length L 264')
  await saved(page)
  await callOut(second, 'length L 266')
  const dialog = second.getByRole('alertdialog')
  await expect(dialog).toContainText('Rhona Ketteridge changed the left readings')
  await dialog.getByRole('button', { name: 'Add mine to theirs' }).click()
  await expect(second.getByLabel('left Foot length, try 2, mm')).toHaveValue('266')
  await saved(second)
  // The first tab hears of it by itself.
  await expect(page.getByLabel('left Foot length, try 2, mm')).toHaveValue('266')
  await callOut(page, 'length L 265')
  await saved(page)
  await callOut(second, 'length L 300')
  await dialog.getByRole('button', { name: 'Keep theirs, drop mine' }).click()
  await expect(second.getByLabel('left Foot length, try 3, mm')).toHaveValue('265')
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
