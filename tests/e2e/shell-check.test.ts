import { DEMO_RECORDS } from '../../demo/records'
import { expect, own, pick, saved, signIn, test } from './fixtures'

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
  // What is looked at is checked before anything is chosen.
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
  await expect(dialog.getByText(/on the device, knee straight · fifth toe touches/)).toBeVisible()
  await expect(
    dialog.getByText(/shell checks so far, learns from 5|learned from|agree with the data/),
  ).toBeVisible()
  await dialog.getByRole('button', { name: 'Close' }).click()
  await saved(page)
})

test('a shell check says what each look should show and marks what is otherwise', async ({
  page,
}) => {
  await signIn(page)
  await own(
    page,
    'tove-marchetti',
    'Lowen Look',
    'match',
    (r) =>
      (r.footwear = {
        candidates: [],
        chosen: {
          model: 'fern-traverse-99',
          sizeLeftMm: 265,
          sizeRightMm: 265,
          shellChecks: [],
          tryOn: [],
          work: [],
        },
      }),
  )
  await page.getByRole('button', { name: 'Shell check' }).click()
  const dialog = page.getByRole('dialog')
  // Bare at 26.5: ball (110 − 97.5 − 2)/2 = 5.3 mm on the left; no bump is marked beside its fifth
  // toe.
  await expect(dialog.getByText('predicted clear, 5.3 mm')).toBeVisible()
  await expect(dialog.getByText('not measured, not predicted').first()).toBeVisible()
  const ball = dialog.locator('.expect').filter({ hasText: 'predicted clear, 5.3 mm' })
  await expect(ball.locator('svg')).toHaveCount(0)
  await pick(dialog, 'left ball', 'presses')
  await expect(ball.locator('svg')).toHaveCount(1)
  await pick(dialog, 'left ball', 'clear')
  await expect(ball.locator('svg')).toHaveCount(0)
  await dialog.getByRole('button', { name: 'Calibrate' }).click()
  await dialog.getByRole('textbox', { name: /^one finger/ }).fill('18')
  await dialog.getByRole('textbox', { name: /^one finger/ }).press('Enter')
  await dialog.getByRole('button', { name: 'Keep in my profile' }).click()
  await expect(dialog.getByText(/Your fingers: one 18 mm, two 33 mm$/)).toBeVisible()
  await dialog.getByRole('textbox', { name: /^left fingers behind the heel/ }).fill('1')
  await dialog.getByRole('textbox', { name: /^left fingers behind the heel/ }).press('Enter')
  await expect(dialog.getByLabel('left gap behind the heel, mm')).toHaveValue('18 mm')
  await page.request.put('/api/me/fingers', { data: { one: 16, two: 33 } })
})
