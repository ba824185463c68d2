import { execFileSync } from 'node:child_process'
import { expect, openFitting, signIn, test } from './fixtures'

test('screen and command line show the same numbers for Tove', async ({ page }) => {
  const arch = (...args: string[]) => JSON.parse(execFileSync('./arch', args, { encoding: 'utf8' }))
  const measured = arch('measure', 'demo/records/tove-marchetti.json')
  await signIn(page)
  await openFitting(page, 'Tove', 'measure')
  for (const side of ['left', 'right']) {
    for (const [what, name, view] of [
      ['footLengthMm', 'Foot length', 'Plan'],
      ['forefootWidthMm', 'Forefoot width', 'Plan'],
      ['heelInstepGirthMm', 'Heel–instep girth', 'Girths'],
      ['dorsumHeightMm', 'Dorsum height', 'Heights'],
    ]) {
      await page.getByRole('button', { name: view, exact: true }).click()
      const { mean, spread } = measured.feet[side].readings[what!].standing
      await expect(
        page.getByRole('button', {
          name: `${side} ${name}: ${mean.toFixed(1)} mm, spread ${spread.toFixed(1)}`,
        }),
      ).toBeVisible()
    }
    const sizes = page.getByRole('region', { name: 'Sizes and classes' })
    await expect(sizes).toContainText(measured.feet[side].words)
    await page.getByRole('tab', { name: 'Length' }).click()
    await expect(sizes).toContainText(
      measured.feet[side].supportedLengthMm['full-custom'].toFixed(1),
    )
    await page.getByRole('tab', { name: 'Shape' }).click()
    await expect(sizes).toContainText(`usual, ${measured.feet[side].arch.ahiStanding.toFixed(3)}`)
    await page.getByRole('tab', { name: 'Sizes' }).click()
  }
  await openFittingAt(page, 'examine')
  const examined = arch('examine', 'demo/records/tove-marchetti.json')
  for (const side of ['left', 'right'])
    await expect(page.getByText(examined.feet[side].words)).toBeVisible()
  await openFittingAt(page, 'prescribe')
  const device = arch('device', 'demo/records/tove-marchetti.json', '--foot', 'right')
  const space = page.getByRole('region', { name: 'Space in the footwear' })
  await space.getByRole('button', { name: 'Show all of space' }).click()
  for (const value of [device.stackMm.heelMm, device.stackMm.archMm])
    await expect(space).toContainText(value.toFixed(1))
  await page.getByRole('button', { name: 'Solid', exact: true }).click()
  await page.getByRole('group', { name: 'Foot' }).getByRole('button', { name: 'Right' }).click()
  await expect(
    page.getByText(
      `${(device.solid.volumeMm3 / 1000).toFixed(1)} cm³ · ${device.solid.triangles.toLocaleString('en')} triangles`,
    ),
  ).toBeVisible()
  await openFittingAt(page, 'match')
  const best = arch(
    'match',
    'demo/records/tove-marchetti.json',
    '--catalogue',
    'demo/catalogue.json',
  ).pair.find((p: { model: string }) => p.model === 'fern-traverse-99')
  const row = page
    .getByRole('button')
    .filter({ hasText: 'Fernhalt · 26.0' })
    .filter({ hasText: 'Traverse 99' })
  for (const value of [best.left.clearances.length, best.right.clearances.ball])
    await expect(row).toContainText(value.toFixed(1))
})

async function openFittingAt(page: Parameters<typeof signIn>[0], station: string) {
  await page.goto(page.url().replace(/[a-z]+$/, station))
}
