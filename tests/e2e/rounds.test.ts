import { expect, leaveOutSteps, own, pick, saved, signIn, test } from './fixtures'

test('what was handed over comes back as a round of its own, with its steps, its quote and its own checks', async ({
  page,
}) => {
  await signIn(page)
  const id = await own(page, 'tove-marchetti', 'Rosalind Round', 'handover', (record) => {
    delete record.footwear
    record.jobs = []
  })
  await expect(page.getByText(/steps at the bench are open/)).toBeVisible()
  await leaveOutSteps(page, id)
  await page.reload()
  await page.getByLabel('Why it leaves all the same').fill('posted to her')
  await page.getByLabel('Why it leaves all the same').press('Enter')
  await page.getByRole('button', { name: 'Hand over', exact: true }).click()
  await saved(page)
  await page.getByRole('button', { name: 'Back to the bench …' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText(/0 of 3 visits used/)).toBeVisible()
  await dialog.getByRole('checkbox', { name: 'left' }).uncheck()
  await dialog.getByLabel('Why', { exact: true }).fill('the right arch presses')
  await pick(dialog, 'On whose account', 'Paid')
  await dialog.getByRole('button', { name: 'Open the round' }).click()
  const words = 'Round 2: adjustment, right, paid: the right arch presses'
  await expect(page.getByText(words).first()).toBeVisible()
  await saved(page)

  // At the bench only what is new; the earlier steps stay as they were, one press away.
  await page.goto(`/fittings/${id}/make`)
  await expect(page.getByText(words)).toBeVisible()
  await expect(page.getByText('Grind, heat or pad as prescribed')).toBeVisible()
  const ticks = page.getByRole('checkbox').filter({ hasText: /open|done|left out/ })
  await expect(ticks).toHaveCount(3)
  await page.getByRole('button', { name: /\d+ steps of earlier rounds/ }).click()
  await expect(ticks.filter({ hasText: 'left out' }).first()).toBeVisible()
  await page.getByRole('button', { name: 'Hide the earlier rounds' }).click()
  await page.getByRole('button', { name: /Make a quote|Give another/ }).click()
  await expect(dialog.getByLabel('Words of line 1')).toHaveValue('Adjustment after the guarantee')
  await dialog.getByRole('button', { name: 'Keep the quote' }).click()
  await expect(page.getByText(/no\. \d{4}-\d{4}/)).toBeVisible()
  await expect(page.getByLabel('Accepted by')).toHaveValue('Rosalind Round')
  await page.getByRole('button', { name: 'Accepted', exact: true }).click()
  await expect(page.getByText(/accepted by Rosalind Round/)).toBeVisible()
  for (let i = 0; i < 3; i++) {
    await ticks.nth(i).click()
    await expect(ticks.nth(i)).toContainText('done')
  }
  await saved(page)

  await page.goto(`/fittings/${id}/handover`)
  await expect(page.getByText(/^7 checks are not made\. Nobody asked/)).toBeVisible()
  for (const group of await page.getByRole('radiogroup').all()) {
    const good = group.getByRole('radio', { name: 'Good' })
    if (await good.count()) await good.click()
  }
  await page.getByRole('radio', { name: 'even', exact: true }).click()
  await page.getByRole('button', { name: 'Hand over round 2' }).click()
  await saved(page)
  await expect(page.getByRole('button', { name: 'Back to the bench …' })).toBeVisible()
})

test('Due is worked off: rung for, put off, a letter to who agreed, done, taken back', async ({
  page,
}) => {
  await signIn(page)
  const name = 'Leopold Letter'
  const on = new Date(Date.now() - 14 * 86_400_000).toISOString().slice(0, 10)
  const id = await own(page, 'tove-marchetti', name, 'followup', (record) => {
    record.client = {
      ...record.client,
      name,
      mail: 'leopold@post.example',
      phone: '0555 0142',
      consents: [{ what: 'remind', given: true, on }],
    }
    record.handover = { on }
    record.followups = []
  })
  await page.goto('/due')
  await pick(page, 'Kind of reminder', 'How it goes')
  const row = page.getByRole('row', { name: new RegExp(name) })
  await expect(row).toContainText('0555 0142')
  const more = async (what: string) => {
    await row.getByRole('button', { name: `More about ${name}` }).click()
    await page.locator('.v-list-item', { hasText: what }).click()
  }
  await more('Rang, nobody there')
  await expect(row).toContainText(/Rang, nobody there · Rhona/)
  await more('Later: in a week')
  await expect(row).toHaveCount(0)
  await page.getByRole('button', { name: 'Take back' }).click()
  await expect(row).toBeVisible()
  await more('Write a letter')
  await expect(row).toContainText(/letter to leopold@post\.example/)
  await row.getByRole('button', { name: `Done: ${name}` }).click()
  await expect(row).toHaveCount(0)
  await page.getByRole('tab', { name: /Settled or later/ }).click()
  await expect(row).toContainText('Done')
  await row.getByRole('button', { name: `Open again: ${name}` }).click()
  await page.getByRole('tab', { name: /^Open/ }).click()
  await expect(row).toBeVisible()
  await page.getByRole('tab', { name: 'Letters' }).click()
  await expect(page.getByRole('row', { name: new RegExp(name) })).toContainText('How is it going?')
  expect(id).toBeTruthy()
})
