import { callOut, expect, newClient, saved, signIn, test } from './fixtures'

test('an angle is struck as a reading is: the odd try goes out of the count, stays in sight, and says by whom', async ({
  page,
}) => {
  await signIn(page)
  await newClient(page, 'Ottoline Example')
  await page.keyboard.press('Escape')
  await page.keyboard.press('3')
  await expect(page.getByRole('heading', { name: 'Examine' })).toBeVisible()
  await callOut(page, 'stance L 4 5 14')
  await page.getByRole('button', { name: 'Strike 14°?' }).click()
  const row = page.locator('.finding').filter({ hasText: 'Relaxed stance' }).first()
  await expect(row).toContainText('struck 14°')
  await expect(row).toContainText('5° ±4°')
  await saved(page)
  await page.reload()
  await expect(row).toContainText('struck 14°')
  // Who took it stands with how it was taken, and it can come back.
  const how = page.getByRole('button', { name: /^left Relaxed stance, taken standing/ })
  await expect(how).toHaveAttribute('title', /by Rhona Ketteridge/)
  await how.click()
  await page.getByText('Bring back 14°').click()
  await expect(page.getByRole('button', { name: 'Strike 14°?' })).toBeVisible()
})
