import type { Page } from '@playwright/test'
import { DEMO_RECORDS } from '../../demo/records'
import { expect, saved, signIn, test, pick } from './fixtures'

/** A fitting of its own at a station. */
async function own(
  page: Page,
  base: string,
  name: string,
  station: string,
  change: (r: (typeof DEMO_RECORDS)[string]) => void = () => undefined,
) {
  const record = structuredClone({
    ...DEMO_RECORDS[base]!,
    client: { ...DEMO_RECORDS[base]!.client, code: undefined, name },
  })
  change(record)
  const { fittingId } = await (await page.request.post('/api/records', { data: record })).json()
  await page.goto(`/fittings/${fittingId}/${station}`)
  await expect(page.getByText('Opening the fitting')).toHaveCount(0)
  return fittingId as string
}

test('pain that stays leads to its likely cause and the next version of the device, with what changes', async ({
  page,
}) => {
  await signIn(page)
  const id = await own(page, 'tove-marchetti', 'Caja Cause', 'followup')
  const causes = page.getByRole('region', { name: 'Likely cause and smallest change' })
  await expect(
    causes.getByText(/the second head still hurts, 4 of 10: the pad sits under the head/),
  ).toBeVisible()
  const row = causes.getByRole('paragraph').filter({ hasText: 'second head still hurts' })
  await expect(row).toContainText(/behind the heads 8 mm.* → .*11 mm/)
  await row.getByRole('button', { name: 'Next version' }).click()
  await saved(page)
  const { parts } = await (await page.request.get(`/api/fittings/${id}`)).json()
  expect(
    parts['device.right'].content.layers.find((l: { kind: string }) => l.kind === 'metPad')
      .behindHeadsMm,
  ).toBe(11)
  expect(parts['versions.right'].content.at(-1)).toMatchObject({
    words: 'before: the second head still hurts',
  })
  expect(
    parts['versions.right'].content
      .at(-1)
      .device.layers.find((l: { kind: string }) => l.kind === 'metPad').behindHeadsMm,
  ).toBe(8)
  // Got better: nothing is proposed for it any more.
  await page
    .getByRole('radiogroup', { name: 'Pain right 2nd met head' })
    .getByRole('radio', { name: '1', exact: true })
    .click()
  await expect(row).toHaveCount(0)
})

test("a child's growth is told with its band, and when footwear and device are outgrown", async ({
  page,
}) => {
  await signIn(page)
  await own(
    page,
    'juno-abara',
    'Gwenna Growing',
    'followup',
    (r) =>
      (r.footwear = {
        sockMm: 1,
        candidates: [],
        chosen: {
          model: 'skar-spin-junior',
          sizeLeftMm: 200,
          sizeRightMm: 200,
          shellChecks: [],
          tryOn: [],
          work: [],
        },
      }),
  )
  const growth = page.getByRole('region', { name: 'Growth' })
  await expect(
    growth.getByText(
      /199\.\d mm now \(19\d\.\d to 20\d\.\d\), 0\.80 mm a month\. Footwear outgrown about \w{3} 20\d\d, at the earliest \w{3} 20\d\d\. New device at 10 mm more/,
    ),
  ).toBeVisible()
  await page.goto(page.url().replace('followup', 'handover'))
  await expect(page.getByText('Add one hour every second day.')).toBeVisible()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Wear-in dates (calendar)' }).click(),
  ])
  expect(file.suggestedFilename()).toMatch(/-wear-in\.ics$/)
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
