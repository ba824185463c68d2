import { writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { writeMesh } from '../../core/formats/mesh/writeMesh'
import { buildDevice } from '../../core/device/buildDevice'
import { DEMO_RECORDS } from '../../demo/records'
import { expect, openFitting, saved, signIn, test } from './fixtures'

test('a way of capture leads step by step; a rejected take keeps its reason', async ({ page }) => {
  await signIn(page)
  await openFitting(page, 'Tove', 'capture')
  await page.getByRole('tab', { name: 'Take a shape' }).click()
  await page.getByLabel('left way of capture').selectOption({ label: 'Bead tray' })
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

test('a scan is read, its unit and foot are asked, the original is kept; a broken one is refused in a sentence', async ({ page }) => {
  const { solid } = buildDevice(DEMO_RECORDS['tove-marchetti']!.feet.right!, 'right')
  const inMetres = { ...solid.mesh, positions: solid.mesh.positions.map((v) => v / 1000) }
  const path = join(tmpdir(), 'foot-right.ply')
  writeFileSync(path, writeMesh('ply', inMetres, 'x'))
  const bad = join(tmpdir(), 'broken.stl')
  writeFileSync(bad, writeMesh('stl', solid.mesh, 'x').slice(0, 4000))
  await signIn(page)
  await openFitting(page, 'Tove', 'capture')
  await page.getByRole('tab', { name: 'Scans' }).click()
  await page.getByLabel('Scan files').setInputFiles([bad, path])
  await expect(page.getByRole('alert')).toContainText(/broken\.stl: It promises \d+ triangles and ends after \d+: the file was cut off \(triangle \d+\)\. Nothing was changed\./)
  const ask = page.getByRole('region', { name: 'Scans' })
  await expect(ask.getByRole('group', { name: 'Unit' }).getByRole('button', { name: 'm', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await expect(ask.getByText('guessed from its size')).toBeVisible()
  await expect(ask.getByRole('group', { name: 'Which foot' }).getByRole('button', { name: 'Right' })).toHaveAttribute('aria-pressed', 'true')
  await ask.getByRole('button', { name: 'Keep as right scan' }).click()
  await expect(ask.getByText(/PLY in m, [\d,]+ triangles/)).toBeVisible()
  await page.getByRole('button', { name: /^Scan left/ }).click()
  await expect(ask.getByText(/STL, [\d,]+ triangles/)).toBeVisible()
  await expect(ask.getByRole('group', { name: 'Which foot' }).getByRole('button', { name: 'Left' })).toHaveAttribute('aria-pressed', 'true')
  await ask.getByRole('button', { name: 'Leave it' }).click()
  await page.reload()
  await page.getByRole('tab', { name: 'Scans' }).click()
  await ask.getByRole('button', { name: 'Look' }).click()
  await expect(page.getByRole('img', { name: /^Scan foot-right\.ply/ })).toBeVisible()
})
