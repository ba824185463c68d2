import { expect, pick, signIn, test } from './fixtures'

test('the table of footwear is read by everyone and changed by the owner, with bands that stay in order', async ({
  page,
}) => {
  await signIn(page, 'Sunniva')
  await page.goto('/settings')
  await page.getByRole('tab', { name: 'Footwear' }).click()
  await pick(page, 'Family', 'skates')
  const low = page.getByLabel('Ball performance from')
  await expect(low).toHaveValue('-1')
  await low.fill('9')
  await low.blur()
  await expect(page.getByRole('alert')).toContainText(
    'the lower end must not lie above the upper one',
  )
  await low.fill('0,5')
  await low.blur()
  await expect(page.getByRole('row', { name: /^Ball width/ })).toContainText('this shop')
  // Back to the house's value the row is the house's again.
  await low.fill('-1')
  await low.blur()
  await expect(page.getByRole('row', { name: /^Ball width/ })).toContainText(
    'house default of this family',
  )
  await page.getByRole('tab', { name: 'Activities, spring-back' }).click()
  await page.getByLabel('bony point, mm').fill('2')
  await page.getByLabel('bony point, mm').blur()
  await page.getByRole('tab', { name: 'Flex scale' }).click()
  await page
    .getByRole('row', { name: /^Fernhalt/ })
    .getByRole('button', { name: 'Add a point' })
    .click()
  await expect(page.getByRole('row', { name: /^Fernhalt/ })).toContainText(
    'house line until two points',
  )
  await page.getByRole('button', { name: 'Leave it as it was' }).click()
  await expect(
    page.getByRole('row', { name: /^Fernhalt/ }).getByLabel('Fernhalt number 1'),
  ).toHaveCount(0)
})
