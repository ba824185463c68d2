import type { Page } from '@playwright/test'
import { DEMO_RECORDS } from '../../demo/records'
import type { FittingRecord } from '../../core/record/schema'
import { expect, signIn, test, pick } from './fixtures'

const put = async (page: Page, label: string, value: string) => {
  await page.getByLabel(label, { exact: true }).fill(value)
  await page.getByLabel(label, { exact: true }).press('Tab')
}
async function own(page: Page, base: string, name: string, change: (r: FittingRecord) => void) {
  const record = structuredClone({
    ...DEMO_RECORDS[base]!,
    client: { ...DEMO_RECORDS[base]!.client, code: undefined, name },
  })
  change(record)
  return (await (await page.request.post('/api/records', { data: record })).json()) as {
    clientId: string
    fittingId: string
  }
}

test('processes, heat, skin and prices are changed by the owner, each wrong value is told and nothing of it kept', async ({
  page,
}) => {
  await signIn(page, 'Sunniva')
  await page.goto('/settings')
  await page.getByRole('tab', { name: 'Bench', exact: true }).click()
  const trouble = page.getByRole('alert')
  await put(page, 'Minutes of Trim to the template', 'six')
  await expect(trouble).toContainText(
    '“six” is not a whole number from 0 to 2880. Nothing was changed.',
  )
  await put(page, 'Minutes of Trim to the template', '6')
  await expect(trouble).toHaveCount(0)
  await page.getByRole('button', { name: 'Trim to the template holds Grinder' }).click()
  await expect(
    page.getByRole('button', { name: 'Trim to the template holds Grinder' }),
  ).toHaveAttribute('aria-pressed', 'true')
  // A step that would wait for itself is refused with its name.
  await pick(page, 'Choose the blank by arch length comes after', 'Trim')
  await expect(trouble).toContainText('waits for itself')
  await page.getByRole('button', { name: 'Add a step' }).click()
  await put(page, 'Words of step 4', 'Stamp the date')
  await page.getByRole('button', { name: 'Stamp the date up' }).click()
  await expect(page.getByLabel('Words of step 3', { exact: true })).toHaveValue('Stamp the date')
  await page.getByRole('button', { name: 'Take Stamp the date out' }).click()
  await expect(page.getByLabel('Words of step 4', { exact: true })).toHaveCount(0)
  await page.getByRole('tab', { name: 'What the bench has' }).click()
  await put(page, 'Oven from', 'morning')
  await expect(trouble).toContainText('“morning” is not a time')
  await put(page, 'How many: Oven', '2')
  await page.getByRole('tab', { name: 'Heat and skin' }).click()
  await put(page, 'polypropylene sheet to', '150')
  await expect(trouble).toContainText('a window must open below where it closes')
  await put(page, 'Margin of skin, child', '6')
  await page.getByRole('tab', { name: 'Prices', exact: true }).click()
  await put(page, 'Price of Shell stretch', '-4')
  await expect(trouble).toContainText('Nothing was changed')
  await put(page, 'Price of Shell stretch', '38,50')
  await expect(page.getByLabel('Price of Shell stretch', { exact: true })).toHaveValue('38.5')
  // Nothing of it holds before a new table is made with its reason; left, all is as it was.
  await expect(page.getByRole('button', { name: /^Make table/ })).toBeDisabled()
  await page.getByRole('button', { name: 'Leave it as it was' }).click()
  await expect(page.getByLabel('Price of Shell stretch', { exact: true })).toHaveValue('35')
})

test('a liner that is measured packs out by its own curve, and a child grows by all lengths there are', async ({
  page,
}) => {
  await signIn(page)
  const worn = await own(
    page,
    'tove-marchetti',
    'Lilja Liner',
    (r) =>
      (r.footwear = {
        sockMm: 1,
        candidates: [],
        chosen: {
          model: 'fern-traverse-99',
          sizeLeftMm: 265,
          sizeRightMm: 270,
          shellChecks: [],
          tryOn: [],
          work: [],
        },
      }),
  )
  await page.goto(`/fittings/${worn.fittingId}/followup`)
  await expect(page.getByText('Not handed over yet')).toBeVisible()
  await page.getByRole('tab', { name: 'Liner' }).click()
  await expect(page.getByText('20 % in the end as the model is stated')).toBeVisible()
  await expect(page.getByRole('row', { name: /Left Toe height/ })).toContainText(/day \d+, about/, {
    timeout: 90_000,
  })
  await expect(page.getByText(/▲ .* gives first\./)).toBeVisible()
  await put(page, 'Days used', '20')
  await put(page, 'Liner as new', '10')
  await put(page, 'Liner now', '12')
  await expect(page.getByRole('alert')).toContainText('it does not grow')
  await put(page, 'Liner now', '6,5')
  await expect(page.getByText('drawn towards 1 reading of this liner')).toBeVisible()
  await expect(page.getByText('20 days used so far')).toBeVisible()

  const child = await own(
    page,
    'juno-abara',
    'Lumi Longer',
    (r) => (r.visit = { on: '2025-11-25' }),
  )
  const { fittingId } = await (
    await page.request.post(`/api/clients/${child.clientId}/fittings`, {
      data: { copyFrom: child.fittingId },
    })
  ).json()
  await page.goto(`/fittings/${fittingId}/followup`)
  await page.getByRole('tab', { name: 'Growth' }).click()
  // The same length after a year: slower than usual at this age, and both lengths are in the table.
  await expect(
    page.getByText(/Left 2 lengths, 0\.[0-4]\d ± 0\.\d\d mm a month \(usual at this age 0\.8\)/),
  ).toBeVisible()
  await expect(page.getByRole('row', { name: /25 Nov 2025/ }).first()).toContainText('199.0')
})
