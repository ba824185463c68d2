import { expect, signIn, test } from './fixtures'

test('a timer rings on every open device, survives a reload and a lost line, and two devices agree', async ({
  page,
  browser,
  clean,
}) => {
  clean.allow(/Failed to load resource|ERR_INTERNET_DISCONNECTED|net::ERR/)
  await signIn(page)
  const tray = (p: typeof page) => p.getByRole('button', { name: /^Timers/ })
  await tray(page).click()
  await page.getByLabel('Name of a new timer').fill('Glue')
  await page.getByLabel('Minutes of a new timer, min').fill('10')
  await page.getByLabel('Minutes of a new timer, min').press('Enter')
  await expect(tray(page)).toHaveAccessibleName(/Glue, (10:00|9:5\d)/)
  const other = await (await browser.newContext()).newPage()
  await other.goto('/')
  await other.getByRole('radio', { name: /Bram/ }).click()
  await other.getByLabel(/I know what applies/).check()
  await other.getByRole('button', { name: 'Sign in as Bram' }).click()
  await expect(tray(other)).toHaveAccessibleName(/Glue/)
  const seconds = async (p: typeof page) => {
    const [, m, s] = /(\d+):(\d\d)$/.exec((await tray(p).getAttribute('aria-label'))!)!
    return Number(m) * 60 + Number(s)
  }
  const [a, b] = await Promise.all([seconds(page), seconds(other)])
  expect(Math.abs(a - b)).toBeLessThanOrEqual(1)
  await page.reload()
  await expect(tray(page)).toHaveAccessibleName(/Glue, 9:\d\d/)
  // Without a line the time goes on; the change made meanwhile on the other device is there when
  // the line is back.
  await page.context().setOffline(true)
  await tray(other).click()
  await other.getByRole('button', { name: 'Pause Glue' }).click()
  await expect(other.getByText(/paused/)).toBeVisible()
  await page.context().setOffline(false)
  await page.reload()
  await tray(page).click()
  await expect(page.getByText(/paused/)).toBeVisible()
  await page.getByRole('button', { name: 'Stop Glue' }).click()
  await expect(page.getByText('No timer runs.')).toBeVisible()
  // Six seconds, and it rings on both.
  await page.getByLabel('Name of a new timer').fill('Short one')
  await page.getByLabel('Minutes of a new timer, min').fill('0.1')
  await page.getByLabel('Minutes of a new timer, min').press('Enter')
  for (const p of [page, other])
    await expect(p.getByRole('alertdialog', { name: 'Timer is over' })).toContainText('Short one')
  await other.getByRole('alertdialog').getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('alertdialog', { name: 'Timer is over' })).toHaveCount(0)
  await other.context().close()
})
