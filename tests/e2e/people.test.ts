import { expect, newClient, pick, signIn, test } from './fixtures'

/** What the owner reads out to whoever begins today. */
const CODE = /[0-9A-F]{4}-[0-9A-F]{4}-[0-9A-F]{4}/

test('a second employee is hired, chooses a password, works, and leaves; what they did stays theirs', async ({
  page,
  browser,
}) => {
  await signIn(page, 'Sunniva')
  await page.goto('/settings')
  await page.getByRole('tab', { name: 'People' }).click()
  await page.getByLabel('Somebody new').fill('Aino Brandvold')
  await pick(page, 'Role', 'Fitter')
  await page.getByRole('button', { name: 'Invite', exact: true }).click()
  const said = page.getByRole('paragraph').filter({ hasText: CODE })
  await expect(said).toBeVisible()
  const [code] = CODE.exec((await said.textContent())!)!

  // On a device of their own.
  const theirs = await (await browser.newContext()).newPage()
  await theirs.goto('/')
  await theirs.getByRole('button', { name: 'I have a code' }).click()
  await theirs.getByLabel('One-time code').fill(code)
  await theirs.getByLabel('Sign-in name').fill('aino')
  await theirs.getByLabel('Password').fill('bench and oven')
  await theirs.getByLabel(/I know what applies/).check()
  await theirs.getByRole('button', { name: 'Let me in' }).click()
  await expect(theirs.getByRole('heading', { name: 'Visits' })).toBeVisible()
  await newClient(theirs, 'Seen By Aino')

  // Another day: by name and password, beside the demo's people.
  const again = await (await browser.newContext()).newPage()
  await again.goto('/')
  await again.getByRole('button', { name: 'Somebody else' }).click()
  await again.getByLabel('Sign-in name').fill('aino')
  await again.getByLabel('Password').fill('bench and oven')
  await again.getByLabel(/I know what applies/).check()
  await again.getByRole('button', { name: 'Sign in' }).click()
  await expect(again.getByRole('heading', { name: 'Visits' })).toBeVisible()

  // The owner says when they work, and then farewell.
  await page.getByRole('button', { name: 'I passed it on' }).click()
  await page.getByRole('button', { name: /^Aino Brandvold/ }).click()
  await page.getByLabel('Aino Brandvold on Monday').check()
  await page.getByLabel('Monday to').fill('1230')
  await page.getByLabel('Monday to').press('Tab')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('Kept.')).toBeVisible()
  await page.getByRole('button', { name: 'Leaves …' }).click()
  await page.getByRole('button', { name: 'Yes, they leave' }).click()
  await expect(page.getByText(/Aino Brandvold left\./)).toBeVisible()
  await again.goto('/')
  await expect(again.getByRole('button', { name: 'I have a code' })).toBeVisible()
  await page.goto('/audit')
  await expect(page.getByText('Aino Brandvold').first()).toBeVisible()
})

test('a shop is founded in four steps, each of which can be left out', async ({ page }) => {
  await signIn(page, 'Sunniva')
  await page.goto('/founding')
  const name = page.getByLabel('Name of the shop')
  await expect(name).toHaveValue('Hollin Row Fit Room')
  await page.getByLabel('Telephone').fill('0555 0148')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('tab', { name: '2 Chairs and apparatus' })).toHaveAttribute(
    'aria-selected',
    'true',
  )
  await page.getByRole('button', { name: 'Go on' }).click()
  await expect(page.getByLabel('Somebody new')).toBeVisible()
  await page.getByRole('button', { name: 'Go on' }).click()
  await page.getByRole('button', { name: 'To Today' }).click()
  await expect(page.getByRole('heading', { name: 'Visits' })).toBeVisible()
  await page.goto('/settings')
  await page.getByRole('tab', { name: 'Shop', exact: true }).click()
  await expect(page.getByLabel('Telephone')).toHaveValue('0555 0148')
  await page.getByLabel('Telephone').fill('0555 0147')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('Papers say so from now on.')).toBeVisible()
})
