import { execFileSync } from 'node:child_process'
import { callOut, expect, newClient, openFitting, saved, signIn, test } from './fixtures'

test('a stale second tab is told and can add its own, or keep theirs', async ({
  page,
  context,
  clean,
}) => {
  clean.allow(/409/)
  await signIn(page)
  await newClient(page, 'Two Tabs')
  await page.getByRole('button', { name: 'Go to Measure' }).click()
  await saved(page)
  const second = await context.newPage()
  // The second tab hears nothing, as on a bad line: it stays behind.
  await second.route('**/events', (route) => route.abort())
  await second.goto(page.url())
  await expect(second.getByRole('heading', { name: 'Measure' })).toBeVisible()
  await callOut(page, 'length L 264')
  await saved(page)
  await callOut(second, 'length L 266')
  const dialog = second.getByRole('alertdialog')
  await expect(dialog).toContainText('Rhona Ketteridge changed the left readings')
  await dialog.getByRole('button', { name: 'Add mine to theirs' }).click()
  await expect(second.getByLabel('left Foot length, try 2, mm')).toHaveValue('266')
  await saved(second)
  // The first tab hears of it by itself.
  await expect(page.getByLabel('left Foot length, try 2, mm')).toHaveValue('266')
  await callOut(page, 'length L 265')
  await saved(page)
  await callOut(second, 'length L 300')
  await dialog.getByRole('button', { name: 'Keep theirs, drop mine' }).click()
  await expect(second.getByLabel('left Foot length, try 3, mm')).toHaveValue('265')
})

test('a lost line keeps every change on this device and sends each once, in order', async ({
  page,
  clean,
}) => {
  clean.allow(/ERR_FAILED|Failed to load/)
  await signIn(page)
  await newClient(page, 'Lost Line')
  await page.getByRole('button', { name: 'Go to Measure' }).click()
  await saved(page)
  await page.route('**/commands', (route) => route.abort())
  for (const line of ['length 264 / 268', 'width 97.5 / 99', 'heel 63 / 64'])
    await callOut(page, line)
  await expect(page.getByText('Kept on this device')).toBeVisible()
  // Even a closed and reopened page has them.
  page.on('dialog', (d) => void d.accept())
  await page.reload()
  await expect(page.getByRole('button', { name: /^right Heel width: 64.0 mm/ })).toBeVisible()
  await page.unroute('**/commands')
  await saved(page)
  await page.reload()
  for (const name of [
    /^left Foot length: 264.0 mm, spread 0.0 of 1 try/,
    /^right Forefoot width: 99.0 mm/,
    /^left Heel width: 63.0 mm/,
  ])
    await expect(page.getByRole('button', { name })).toBeVisible()
})

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

test('a bench hand sees the job under its code, ticks steps, and changes nothing else', async ({
  page,
}) => {
  await signIn(page, 'Bram')
  await expect(page.getByText('Tove')).toHaveCount(0)
  await page
    .getByRole('link', { name: /HR-0412/ })
    .first()
    .click()
  await expect(page.getByRole('heading', { name: 'Make' })).toBeVisible()
  await page.getByRole('checkbox', { name: 'Finish the shell, break the edges, left' }).click()
  await saved(page)
  await page.keyboard.press('5')
  await expect(page.getByLabel('left Medial heel skive, mm')).toBeDisabled()
  await page.keyboard.press('1')
  await expect(page.getByText('This station holds what the client told')).toBeVisible()
  await expect(page.getByLabel(/Call-out/)).toBeDisabled()
})

test('holding a stepper shows every step without keeping each one', async ({ page }) => {
  await signIn(page)
  await openFitting(page, 'Tove', 'prescribe')
  await expect(page.getByRole('group', { name: /^left device from above/ })).toBeVisible()
  let sent = 0
  page.on('request', (r) => r.url().endsWith('/commands') && sent++)
  const plus = page.getByRole('button', { name: 'left Medial heel skive more' })
  const box = (await plus.boundingBox())!
  await page.mouse.move(box.x + 10, box.y + 10)
  await page.mouse.down()
  const depth = async () =>
    Number.parseFloat(await page.getByLabel('left Medial heel skive, mm').inputValue())
  await expect.poll(depth).toBeGreaterThan(3)
  await page.mouse.up()
  await saved(page)
  expect(sent).toBe(1)
  await page.keyboard.press('u')
  await expect(page.getByLabel('left Medial heel skive, mm')).toHaveValue('2 mm')
  // The section line: arrow keys move it a millimetre, Shift ten.
  const line = page.getByRole('slider', { name: /left section/ })
  await line.focus()
  const before = Number(await line.getAttribute('aria-valuenow'))
  await page.keyboard.press('Shift+ArrowUp')
  await expect(line).toHaveAttribute('aria-valuenow', String(before + 10))
})
