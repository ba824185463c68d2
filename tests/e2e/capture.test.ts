import { HOUSE_NORMS } from '../../core/record/tables'
import { writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { writeMesh } from '../../core/formats/mesh/writeMesh'
import { usualFault, type Fault } from '../../core/capture/standin/faults'
import { standinScan } from '../../core/capture/standin/scan'
import { DEMO_RECORDS } from '../../demo/records'
import { expect, openFitting, saved, signIn, test, pick } from './fixtures'

test('a way of capture leads step by step; a rejected take keeps its reason', async ({ page }) => {
  await signIn(page)
  await openFitting(page, 'Tove', 'capture')
  await page.getByRole('tab', { name: 'Guide' }).click()
  await pick(page, 'left way of capture', 'Bead tray')
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'Next step' }).click()
  await expect(page.getByRole('timer')).toHaveText('0:45')
  await page.getByRole('button', { name: 'Start' }).click()
  await expect(page.getByRole('timer')).toHaveText(/0:4[0-4]/)
  await page.getByRole('button', { name: 'Redo R' }).click()
  await page.getByRole('button', { name: 'Outer border curved' }).click()
  await expect(page.getByText('bead tray: Outer border curved')).toBeVisible()
  for (let i = 0; i < 6; i++) await page.getByRole('button', { name: 'Next step' }).click()
  await page.getByRole('button', { name: 'Keep this take' }).click()
  await page.getByRole('tab', { name: 'Quality' }).click()
  await expect(page.getByText('1 kept, 1 rejected')).toBeVisible()
  await saved(page)
})

const TOVE = DEMO_RECORDS['tove-marchetti']!
const standin = (seed: number, fault?: Fault) =>
  standinScan(TOVE.feet.right!, 'right', {
    rows: HOUSE_NORMS,
    seed,
    noiseMm: 0.3,
    turned: true,
    leg: 'capped',
    ...(fault && { fault, amount: usualFault(fault, HOUSE_NORMS).amount }),
  })
function fileWith(name: string, bytes: Uint8Array): string {
  const path = join(tmpdir(), name)
  writeFileSync(path, bytes)
  return path
}

test('a scan is read, its unit and foot are asked, the original is kept; a broken one is refused in a sentence', async ({
  page,
}) => {
  const scan = standin(3)
  const path = fileWith(
    'foot-right.ply',
    writeMesh('ply', { ...scan, positions: scan.positions.map((v) => v / 1000) }, 'x'),
  )
  const bad = fileWith('broken.stl', writeMesh('stl', scan, 'x').slice(0, 4000))
  await signIn(page)
  await openFitting(page, 'Anselm', 'capture')
  await page.getByRole('tab', { name: 'Scans' }).click()
  await page.getByLabel('Scan files').setInputFiles([bad, path])
  await expect(page.getByRole('alert').filter({ hasText: 'broken' })).toContainText(
    /broken\.stl: It promises \d+ triangles and ends after \d+: the file was cut off \(triangle \d+\)\. Nothing was changed\./,
  )
  const pane = page.getByRole('region', { name: 'Scans' })
  await expect(
    pane.getByRole('group', { name: 'Unit' }).getByRole('button', { name: 'm', exact: true }),
  ).toHaveAttribute('aria-pressed', 'true', { timeout: 90_000 })
  await expect(pane.getByText('guessed from its size')).toBeVisible()
  await expect(pane.getByText('looks like a right foot')).toBeVisible()
  await expect(
    pane.getByRole('group', { name: 'Which foot' }).getByRole('button', { name: 'Right' }),
  ).toHaveAttribute('aria-pressed', 'true')
  await pane.getByRole('button', { name: 'Keep as right scan' }).click()
  await expect(pane.getByText(/PLY in m, [\d,]+ triangles/)).toBeVisible()
  await expect(page.getByRole('group', { name: 'right captured sole' })).toBeVisible({
    timeout: 90_000,
  })
  await page.getByRole('button', { name: /^Scan left/ }).click()
  await expect(pane.getByRole('button', { name: 'Keep as left scan' })).toBeVisible({
    timeout: 90_000,
  })
  await pane.getByRole('button', { name: 'Leave it' }).click()
  await page.reload()
  await page.getByRole('tab', { name: 'Scans' }).click()
  await pane.getByRole('button', { name: 'Look' }).click()
  await expect(page.getByRole('group', { name: 'right captured sole' })).toBeVisible({
    timeout: 90_000,
  })
})

test('a scan taken while the line is down is read, outlives the page, and goes by itself', async ({
  page,
  clean,
}) => {
  clean.allow(/ERR_FAILED/)
  const path = fileWith('offline-left.stl', writeMesh('stl', standin(5), 'x'))
  await signIn(page)
  await openFitting(page, 'Oskar', 'capture')
  await page.getByRole('tab', { name: 'Scans' }).click()
  const pane = page.getByRole('region', { name: 'Scans' })
  await page.route('**/api/fittings/*/scans?*', (route) => route.abort())
  await page.getByLabel('Scan files').setInputFiles([path])
  await pane.getByRole('button', { name: /^Keep as/ }).click({ timeout: 90_000 })
  await expect(pane.getByText('waits on this device')).toBeVisible()
  await expect(page.getByRole('group', { name: /captured sole/ })).toBeVisible({ timeout: 90_000 })
  await expect(page.getByRole('button', { name: /^1 wait/ })).toBeVisible()
  // The page is gone and comes again, still without a line for scans.
  await page.reload()
  await page.getByRole('tab', { name: 'Scans' }).click()
  await expect(pane.getByText('waits on this device')).toBeVisible()
  await pane.getByRole('button', { name: 'Look' }).click()
  await expect(page.getByRole('group', { name: /captured sole/ })).toBeVisible({ timeout: 90_000 })
  await page.getByRole('button', { name: /^1 wait/ }).click()
  await expect(
    page
      .getByRole('region', { name: 'What waits on this device' })
      .getByText('scan offline-left.stl'),
  ).toBeVisible()
  await page.unroute('**/api/fittings/*/scans?*')
  await expect(pane.getByText('waits on this device')).toHaveCount(0, { timeout: 60_000 })
  await expect(page.getByRole('button', { name: /wait/ })).toHaveCount(0)
  await page.reload()
  await page.getByRole('tab', { name: 'Scans' }).click()
  await expect(pane.getByText('offline-left.stl')).toHaveCount(1)
  // The very same file is not kept twice.
  await page.getByLabel('Scan files').setInputFiles([path])
  await pane.getByRole('button', { name: /^Keep as/ }).click({ timeout: 90_000 })
  await expect(page.getByText('this very file is here already')).toBeVisible()
})

test('a badly held foot is found out, taken only with a reason, landmarks move, and a device moves onto the captured sole', async ({
  page,
}) => {
  await signIn(page)
  await openFitting(page, 'Mirela', 'capture')
  await page.getByRole('tab', { name: 'Scans' }).click()
  await pick(page, 'Fault of the stand-in scan', 'fault: midfoot')
  await page.getByRole('button', { name: /^Scan right/ }).click()
  await page.getByRole('button', { name: 'Keep as right scan' }).click({ timeout: 90_000 })
  const sole = page.getByRole('group', { name: 'right captured sole' })
  await expect(sole).toBeVisible({ timeout: 90_000 })
  await page.getByRole('tab', { name: 'Quality' }).click()
  await expect(
    page.getByText('The outer border is curved: the midfoot was supinated.'),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Take all the same' }).click()
  const take = page.getByRole('button', { name: 'Take with this reason' })
  await expect(take).toBeDisabled()
  await page.getByLabel('Why it is taken nevertheless').fill('Stiff midfoot, cannot be locked')
  await take.click()
  await expect(page.getByText('taken', { exact: true })).toBeVisible()
  // The scan against the hand, and a landmark moved by keys: the numbers follow and say who moved
  // it.
  await page.getByRole('tab', { name: 'By hand' }).click()
  const arch = page
    .getByRole('row', { name: /^Arch length/ })
    .getByRole('cell')
    .nth(1)
  const before = Number(await arch.innerText())
  const head = sole.getByRole('button', { name: /^First met head/ })
  await head.press('Shift+ArrowDown')
  await expect(async () => expect(Number(await arch.innerText())).toBeLessThan(before - 8)).toPass({
    timeout: 90_000,
  })
  await expect(page.getByText(/Moved by hand:.*firstMetHead \(Rhona/)).toBeVisible()
  await page.getByRole('button', { name: 'Find landmarks anew' }).click()
  await expect(async () =>
    expect(Math.abs(Number(await arch.innerText()) - before)).toBeLessThan(0.3),
  ).toPass({ timeout: 90_000 })
  await page.getByRole('button', { name: 'Keep as trials of the scan' }).click()
  await expect(page.getByText(/\d+ readings of the right scan kept/)).toBeVisible()
  // The heel from behind; the other foot, mirrored against this one; a landmark dragged with the
  // pointer.
  await page.getByRole('tab', { name: 'Quality' }).click()
  await page.getByRole('button', { name: /^Heel upright/ }).click()
  await expect(
    page.getByRole('img', { name: /^right from behind: heel −?-?\d+\.\d° to the leg/ }),
  ).toBeVisible()
  await page.getByRole('tab', { name: 'Scans' }).click()
  await pick(page, 'Fault of the stand-in scan', 'well held')
  await page.getByRole('button', { name: /^Scan left/ }).click()
  await page.getByRole('button', { name: 'Keep as left scan' }).click({ timeout: 90_000 })
  const left = page.getByRole('group', { name: 'left captured sole' })
  await expect(left).toBeVisible({ timeout: 90_000 })
  await page.getByRole('tab', { name: 'Difference' }).click()
  await expect(page.getByRole('heading', { name: 'Left against right, mirrored' })).toBeVisible()
  await expect(
    page.getByRole('img', { name: /^Difference, largest -?\d+\.\d mm at outer midfoot/ }),
  ).toBeVisible({ timeout: 90_000 })
  const apex = left.getByRole('button', { name: /^Arch apex/ })
  const told = await apex.getAttribute('aria-label')
  const box = (await apex.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 6, box.y + box.height / 2 - 12, { steps: 4 })
  await page.mouse.up()
  await expect(apex).toHaveAttribute('aria-label', /moved by hand/, { timeout: 90_000 })
  expect(await apex.getAttribute('aria-label')).not.toBe(told)
  // Corrections of the way, and the device on either surface.
  await page.getByRole('tab', { name: 'Corrections' }).click()
  await page.getByRole('button', { name: 'Right', exact: true }).last().click()
  await expect(page.getByText('Devices are built on')).toBeVisible()
  await page.getByRole('button', { name: 'Captured surface' }).click()
  await expect(page.getByRole('button', { name: 'Captured surface' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await expect(page.getByRole('row', { name: /^Largest under the shell/ })).toBeVisible()
  await saved(page)
  await page.reload()
  await expect(page.getByText('taken all the same: Stiff midfoot, cannot be locked')).toBeVisible()
})
