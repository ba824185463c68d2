import { callOut, expect, newClient, saved, signIn, test } from './fixtures'

const field = (n: number, side = 'left') => `${side} Foot length, try ${n}, mm`

test.beforeEach(async ({ page }) => {
  await signIn(page)
  await newClient(page, 'Odd Numbers')
  await page.getByRole('button', { name: 'Go to Measure' }).click()
  await expect(page.getByRole('heading', { name: 'Measure' })).toBeVisible()
})

test("typed readings: letters, commas, cm for mm, empty, negative, huge, the other foot's value", async ({
  page,
}) => {
  const type = async (value: string, n = 1, side = 'left') => {
    await page.getByLabel(field(n, side)).fill(value)
    await page.getByLabel(field(n, side)).blur()
  }
  const alert = page.getByRole('region', { name: 'Reading in hand' }).getByRole('alert')
  await type('abc')
  await expect(alert).toContainText('“abc” is not a number')
  await expect(page.getByLabel(field(1))).toHaveValue('')
  await type('26,5')
  await expect(alert).toContainText('26.5 mm is too small for foot length (80 to 400 mm)')
  await alert.getByRole('button', { name: 'It is 265' }).click()
  await expect(page.getByLabel(field(1))).toHaveValue('265')
  await type('264,5', 2)
  await expect(page.getByLabel(field(2))).toHaveValue('264.5')
  for (const bad of ['-264', '1e9']) {
    await type(bad, 3)
    await expect(alert).toContainText('80 to 400 mm')
    await expect(page.getByLabel(field(3))).toHaveValue('')
  }
  await type('270', 1, 'right')
  await type('R 270 mm', 3)
  await expect(alert).toContainText('looks like the right foot’s value')
  await alert.getByRole('button', { name: 'Put it on the right' }).click()
  await expect(page.getByLabel(field(2, 'right'))).toHaveValue('270')
  await type('', 2)
  await expect(page.getByLabel(field(2))).toHaveValue('')
  await expect(page.getByRole('button', { name: /^left Foot length: 265.0 mm/ })).toBeVisible()
  // An unlikely gap is asked about and kept; taking back undoes it.
  await type('290', 3, 'right')
  await expect(alert).toContainText('away from the other foot. Sure? It is kept.')
  await alert.getByRole('button', { name: 'Take back' }).click()
  await expect(page.getByLabel(field(3, 'right'))).toHaveValue('')
  await saved(page)
})

test('trials that do not agree ask for one more, and the odd one is struck, not lost', async ({
  page,
}) => {
  await callOut(page, 'waist L 244 252')
  await expect(page.getByText('measure again')).toBeVisible()
  await expect(page.getByText('Take the left waist girth once more')).toBeVisible()
  await callOut(page, 'waist L 245')
  await expect(page.getByText('strike 252?').first()).toBeVisible()
  await page.getByRole('button', { name: 'Strike left try 2' }).click()
  await expect(
    page.getByRole('button', { name: /^left Waist girth: 244.5 mm, spread 1.0 of 2 tries/ }),
  ).toBeVisible()
  await expect(page.getByLabel('left Waist girth, try 2, mm')).toHaveValue('252')
  await callOut(page, 'undo')
  await expect(page.getByText('strike 252?').first()).toBeVisible()
})

test('the call-out line keeps nothing it does not understand', async ({ page }) => {
  const box = page.getByLabel(/Call-out/)
  await page.keyboard.press('/')
  await expect(box).toBeFocused()
  await box.fill('dorsum L 630')
  await box.press('Enter')
  await expect(box).toHaveValue('dorsum L 630')
  await page.getByRole('button', { name: 'l 63' }).click()
  await expect(box).toHaveValue('dorsum l 63')
  await box.press('Enter')
  await expect(page.getByRole('button', { name: /^left Dorsum height: 63.0 mm/ })).toBeVisible()
  await box.fill('wid')
  await box.press('Tab')
  await expect(box).toHaveValue('width ')
  await box.fill('width 97')
  await expect(page.getByText('which foot?')).toBeVisible()
  await box.press('Escape')
  await expect(box).toHaveValue('')
})

test('angles and weights out of reach are refused in words', async ({ page }) => {
  await page.keyboard.press('3')
  await page.getByLabel('right Relaxed stance, try 1, degrees').fill('75')
  await page.getByLabel('right Relaxed stance, try 1, degrees').press('Enter')
  await expect(page.getByRole('alert')).toContainText('“75” is not an angle from −45 to 45 degrees')
  await page.keyboard.press('Escape')
  await page.keyboard.press('1')
  await page.getByLabel('Weight, kg').fill('heavy')
  await page.getByLabel('Weight, kg').press('Tab')
  await expect(page.getByRole('alert')).toContainText('“heavy” was not kept')
})

test('a foreign JSON file is refused with its place, a record is taken in', async ({ page }) => {
  await page.keyboard.press('0')
  await page.getByRole('button', { name: 'Import a record' }).click()
  const choose = (name: string, text: string) =>
    page
      .getByLabel('Record file')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })
  await choose('shoes.json', '{"shoes": 3}')
  await expect(page.getByRole('alert')).toContainText('This is not a fitting record')
  const readings = [{ what: 'footLengthMm', posture: 'standing', trials: [26.5] }]
  const bad = { format: 'gentle-arch/fitting', version: 1, feet: { left: { readings } } }
  await choose('bad.json', JSON.stringify(bad))
  await expect(page.getByRole('alert')).toContainText(
    'feet.left.readings.0.trials.0: 26.5 is outside 80 to 400 mm',
  )
  await choose('broken.json', '{')
  await expect(page.getByRole('alert')).toContainText('is not JSON')
  await choose(
    'good.json',
    '{"format":"gentle-arch/fitting","version":1,"client":{"name":"Came By File"},"feet":{"left":{}}}',
  )
  await page.getByRole('button', { name: 'Import', exact: true }).click()
  await expect(page.getByText('Came By File').first()).toBeVisible()
})
