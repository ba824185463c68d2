import { expect, saved, signIn, test } from './fixtures'

test('a bench hand sees the job under its code, ticks steps, and changes nothing else', async ({
  page,
}) => {
  await signIn(page, 'Bram')
  await expect(page.getByText('Tove')).toHaveCount(0)
  await page
    .getByRole('link', { name: /HR-0412/ })
    .first()
    .click()
  await expect(page.getByRole('heading', { name: 'Make' })).toBeVisible()
  await page.getByRole('checkbox', { name: 'Finish the shell, break the edges, left' }).click()
  await saved(page)
  await page.keyboard.press('5')
  await expect(page.getByLabel('left Medial heel skive, mm')).toBeDisabled()
  await page.keyboard.press('1')
  await expect(page.getByText('This station holds what the client told')).toBeVisible()
  await expect(page.getByLabel(/Call-out/)).toBeDisabled()
})
