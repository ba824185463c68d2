import { expect, own, saved, signIn, test } from './fixtures'

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
  const said = [
    /199\.\d mm now \(19\d\.\d to 20\d\.\d\), 0\.80 mm a month\. /,
    /Footwear outgrown about \w{3} 20\d\d, at the earliest \w{3} 20\d\d\. New device at 10 mm more/,
  ]
  const words = new RegExp(said.map((part) => part.source).join(''))
  await expect(growth.getByText(words)).toBeVisible()
  await page.goto(page.url().replace('followup', 'handover'))
  await expect(page.getByText('Add one hour every second day.')).toBeVisible()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Wear-in dates (calendar)' }).click(),
  ])
  expect(file.suggestedFilename()).toMatch(/-wear-in\.ics$/)
})
