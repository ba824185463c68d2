import { DEMO_RECORDS } from '../../demo/records'
import { expect, saved, signIn, test, pick } from './fixtures'

test('a shell check is logged in fingers and by gauge, against what was predicted, and says how many teach', async ({
  page,
}) => {
  await signIn(page)
  // A client of their own, so that nothing is learned that other tests would see.
  const record = {
    ...DEMO_RECORDS['tove-marchetti']!,
    client: {
      ...DEMO_RECORDS['tove-marchetti']!.client,
      code: undefined,
      name: 'Signe Shell-Check',
    },
    footwear: undefined,
  }
  const { fittingId } = await (await page.request.post('/api/records', { data: record })).json()
  await page.goto(`/fittings/${fittingId}/match`)
  await expect(page.getByRole('button', { name: 'Shell check' })).toBeDisabled()
  await page.getByRole('button', { name: /^Choose / }).click()
  await page.getByRole('button', { name: 'Shell check' }).click()
  const dialog = page.getByRole('dialog')
  const before = await dialog
    .getByText(/predicted [\d.]+ mm/)
    .first()
    .textContent()
  await dialog.getByLabel('on the device').check()
  await expect(dialog.getByText(before!.trim())).toHaveCount(0)
  await dialog.getByRole('textbox', { name: /^left fingers behind the heel/ }).fill('1')
  await dialog.getByRole('textbox', { name: /^left fingers behind the heel/ }).press('Enter')
  await expect(dialog.getByLabel('left gap behind the heel, mm')).toHaveValue('16 mm')
  await dialog.getByLabel('right gap behind the heel, mm').fill('9')
  await dialog.getByLabel('right gap behind the heel, mm').press('Enter')
  await expect(dialog.getByText(/than predicted/)).toHaveCount(2)
  await pick(dialog, 'right fifth toe', 'touches')
  await dialog.getByRole('button', { name: 'Keep this check' }).click()
  await expect(dialog.getByText(/16 mm \(1 finger\), predicted/)).toBeVisible()
  await expect(dialog.getByText(/on the device · fifth toe touches/)).toBeVisible()
  await expect(
    dialog.getByText(/shell checks so far, learns from 5|learned from|agree with the data/),
  ).toBeVisible()
  await dialog.getByRole('button', { name: 'Close' }).click()
  await saved(page)
})
