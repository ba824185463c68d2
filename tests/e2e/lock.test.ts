import { expect, signIn, test } from './fixtures'

test('a page hides itself on all tabs, opens by PIN as it was, and nobody sees through', async ({
  page,
  clean,
}) => {
  clean.allow(/401/)
  await signIn(page)
  const tove = await page.getByRole('link', { name: /Tove/ }).first().getAttribute('href')
  await page.goto('/settings')
  await page.getByRole('tab', { name: 'Sign-ins' }).click()
  await page.getByLabel('New PIN').fill('4711')
  await page.getByRole('button', { name: 'Keep this PIN' }).click()
  await expect(page.getByText('Your PIN opens your locked pages')).toBeVisible()

  const second = await page.context().newPage()
  await second.goto(tove!)
  await expect(second.getByText('Tove').first()).toBeVisible()
  await page.getByRole('button', { name: /Menu/ }).click()
  await page.getByText('Lock this page').click()
  for (const tab of [page, second]) {
    await expect(tab.getByRole('heading', { name: 'Locked for Rhona' })).toBeVisible()
    for (const name of await tab.getByText('Tove').all()) await expect(name).toBeHidden()
  }
  // Whoever loads it again stands before the same door.
  await second.reload()
  await expect(second.getByRole('heading', { name: 'Locked for Rhona' })).toBeVisible()
  expect((await second.request.get('/api/today')).status()).toBe(401)

  await second.getByLabel('PIN').fill('1111')
  await second.keyboard.press('Enter')
  await expect(second.getByRole('alert')).toContainText('not Rhona')
  await second.getByLabel('PIN').fill('4711')
  await second.keyboard.press('Enter')
  await expect(second.getByText('Tove').first()).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Locked for Rhona' })).toBeHidden()
  await page.getByRole('button', { name: 'No PIN' }).click()
  await expect(page.getByText('Your PIN is gone')).toBeVisible()
})

test('somebody else who signs in sees nothing of who was there before, on no tab', async ({
  page,
  clean,
}) => {
  clean.allow(/401/)
  await signIn(page)
  const tove = await page.getByRole('link', { name: /Tove/ }).first().getAttribute('href')
  const second = await page.context().newPage()
  await second.goto(tove!)
  await expect(second.getByText('Tove').first()).toBeVisible()
  await page.getByRole('button', { name: /Menu/ }).click()
  await page.getByText('Lock this page').click()
  await expect(second.getByRole('heading', { name: 'Locked for Rhona' })).toBeVisible()
  // Whatever is shown of her for however short a time is noted.
  await second.evaluate(() => {
    const seen = () =>
      [...document.querySelectorAll('.behind *')].some(
        (e) => e.textContent?.includes('Tove') && getComputedStyle(e).visibility === 'visible',
      )
    Object.assign(window, { wasSeen: false })
    const look = () => {
      if (seen()) Object.assign(window, { wasSeen: true })
      requestAnimationFrame(look)
    }
    look()
  })
  await page.getByRole('button', { name: 'Somebody else signs in' }).click()
  await expect(page.getByRole('heading', { name: 'Who is at the bench?' })).toBeVisible()
  await expect(second.getByRole('heading', { name: 'Signed out' })).toBeVisible()
  await page.getByRole('radio', { name: /Bram/ }).click()
  await page.getByLabel(/I know what applies/).check()
  await page.getByRole('button', { name: 'Sign in as Bram' }).click()
  await expect(page.getByRole('heading', { name: 'Visits' })).toBeVisible()
  await expect(second.getByRole('heading', { name: 'Signed out' })).toBeVisible()
  expect(await second.evaluate(() => (window as never as { wasSeen: boolean }).wasSeen)).toBe(false)
})

test('a session that its owner ends elsewhere closes its page at once', async ({
  page,
  browser,
}) => {
  await signIn(page)
  const other = await browser.newContext({ baseURL: new URL(page.url()).origin })
  const tablet = await other.newPage()
  await signIn(tablet)
  await page.goto('/settings')
  await page.getByRole('tab', { name: 'Sign-ins' }).click()
  await page.getByRole('button', { name: 'End my other sessions' }).click()
  await expect(tablet.getByRole('heading', { name: 'Signed out' })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Signed out' })).toBeHidden()
  await other.close()
})

test('a page that nobody touches for the shop’s minutes hides itself', async ({ page }) => {
  await page.clock.install()
  await signIn(page, 'Sunniva')
  await page.clock.runFor(9 * 60_000)
  await page.mouse.move(20, 20)
  await page.clock.runFor(9 * 60_000)
  await expect(page.getByRole('heading', { name: 'Visits' })).toBeVisible()
  await page.clock.runFor(2 * 60_000)
  await expect(page.getByRole('heading', { name: 'Locked for Sunniva' })).toBeVisible()
  await page.getByRole('button', { name: 'Open as Sunniva' }).click()
  await expect(page.getByRole('heading', { name: 'Visits' })).toBeVisible()
})
