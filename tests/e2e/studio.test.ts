import { DEMO_RECORDS } from '../../demo/records'
import { expect, openFitting, own, pick, saved, signIn, test } from './fixtures'

test('layers are added, named, switched, doubled, ordered and taken back, also after a reload', async ({
  page,
}) => {
  await signIn(page)
  await openFitting(page, 'Mirela', 'prescribe')
  await pick(page, 'Add a layer', 'Fascia groove')
  await pick(page, 'Add a layer', 'Met bar')
  await expect(page.getByText(/reaches 4.0 of 4.0 mm/)).toBeVisible()
  const names = () => page.locator('.item .what b').allTextContents()
  const first = await names()
  expect(first.at(-1)).toBe('Met bar')
  // Order by keyboard: Alt and arrow up on the grip moves the row.
  await page.getByRole('button', { name: /^Move Met bar/ }).press('Alt+ArrowUp')
  await expect.poll(async () => (await names()).indexOf('Met bar')).toBe(first.length - 2)
  await page.getByLabel('Name of this layer').fill('Bar for the long days')
  await page.getByLabel('Name of this layer').press('Enter')
  await expect(page.getByRole('button', { name: /^Bar for the long days/ })).toBeVisible()
  await page.getByRole('button', { name: 'duplicate' }).click()
  await expect.poll(async () => (await names()).length).toBe(first.length + 1)
  await page.getByRole('button', { name: 'Take back', exact: true }).click()
  await page.getByRole('button', { name: 'Take back', exact: true }).click()
  await expect.poll(async () => (await names()).length).toBe(first.length)
  await page.getByRole('checkbox', { name: 'Fascia groove on' }).click()
  await expect(page.getByText('off', { exact: true }).first()).toBeVisible()
  await saved(page)
  await page.reload()
  await expect(page.getByRole('button', { name: /^Bar for the long days/ })).toBeVisible()
  await expect(page.getByRole('checkbox', { name: 'Fascia groove on' })).not.toBeChecked()
  // What was done before the reload is taken back after it, and done again.
  await page.getByRole('button', { name: 'Take back', exact: true }).click()
  await page.getByRole('button', { name: 'Take back', exact: true }).click()
  await expect(page.getByRole('checkbox', { name: 'Fascia groove on' })).toBeChecked()
  await page.getByRole('button', { name: 'Do again' }).click()
  await page.getByRole('button', { name: 'Do again' }).click()
  await expect(page.getByRole('checkbox', { name: 'Fascia groove on' })).not.toBeChecked()
  await saved(page)
})

test('a spot is dragged on the foot, the front edge and the section by hand and key', async ({
  page,
}) => {
  await signIn(page)
  await openFitting(page, 'Mirela', 'prescribe')
  await pick(page, 'Add a layer', 'Sweet spot')
  const spot = page.getByRole('button', { name: /^left Sweet spot at/ })
  const box = (await spot.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 8, box.y + box.height / 2 - 90, { steps: 6 })
  await page.mouse.up()
  const y = page.getByLabel('left Sweet spot from the heel, mm')
  await expect.poll(async () => Number.parseFloat(await y.inputValue())).toBeGreaterThan(75)
  const before = Number.parseFloat(await y.inputValue())
  await spot.press('ArrowUp')
  await expect.poll(async () => Number.parseFloat(await y.inputValue())).toBe(before + 1)
  const front = page.getByRole('slider', { name: 'left front edge, mm behind the heads' })
  await front.press('ArrowDown')
  await page.getByRole('tab', { name: 'Body' }).click()
  await expect(page.getByLabel('left Front edge, mm', { exact: true })).toHaveValue('6 mm')
  await page.getByRole('button', { name: 'outline', exact: true }).click()
  const point = page.getByRole('slider', {
    name: 'left trim line, medial at 46 per cent, mm moved out',
  })
  await point.press('ArrowRight')
  await expect(point).toHaveAttribute('aria-valuenow', '0.5')
  const grip = (await point.boundingBox())!
  await page.mouse.move(grip.x + grip.width / 2, grip.y + grip.height / 2)
  await page.mouse.down()
  await page.mouse.move(grip.x + grip.width / 2 + 6, grip.y + grip.height / 2, { steps: 3 })
  await page.mouse.up()
  await expect
    .poll(async () => Number(await point.getAttribute('aria-valuenow')))
    .toBeGreaterThan(2)
  await page.getByRole('button', { name: 'outline', exact: true }).click()
  const cup = page.getByRole('slider', { name: 'left dimension: cup, mm' })
  const held = (await cup.boundingBox())!
  await page.mouse.move(held.x + 8, held.y + 8)
  await page.mouse.down()
  await page.mouse.move(held.x + 8, held.y - 6, { steps: 4 })
  await page.mouse.up()
  await expect
    .poll(async () =>
      Number.parseFloat(await page.getByLabel('left Heel cup, mm', { exact: true }).inputValue()),
    )
    .toBeGreaterThan(14)
  await page.getByRole('slider', { name: /^left section/ }).press('ArrowRight')
  await expect(page.getByText(/turned 1°/).first()).toBeVisible()
  await page.getByRole('button', { name: 'straight' }).click()
  await expect(page.getByText(/turned/)).toHaveCount(0)
  await saved(page)
})

test('two schools build what they have in mind; versions tell the difference and the way back', async ({
  page,
}) => {
  await signIn(page)
  // A client of their own with Tove's readings: what is built here must not stand in the way of
  // other tests.
  const record = {
    ...DEMO_RECORDS['tove-marchetti']!,
    client: {
      ...DEMO_RECORDS['tove-marchetti']!.client,
      code: undefined,
      name: 'Signe Two-Schools',
    },
  }
  const { fittingId } = await (await page.request.post('/api/records', { data: record })).json()
  await page.goto(`/fittings/${fittingId}/prescribe`)
  await page.getByRole('button', { name: /Start from/ }).click()
  await page.getByRole('radio', { name: 'Neutral position' }).click()
  await page.getByRole('button', { name: 'Take for both feet' }).click()
  await saved(page)
  await page.getByRole('tab', { name: 'Versions' }).click()
  await expect(page.getByText('before: start from a school').first()).toBeVisible()
  await page.getByRole('button', { name: /Start from/ }).click()
  await page.getByRole('radio', { name: 'Tissue stress' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText('Medial heel skive: depth 3 mm')).toBeVisible()
  await expect(dialog.getByText(/A medial heel skive of 3 mm/)).toBeVisible()
  await page.getByRole('button', { name: 'Take for the right' }).click()
  await page.getByRole('tab', { name: 'Layers' }).click()
  await expect(page.getByLabel('right Medial heel skive, mm')).toHaveValue('3 mm')
  await page.getByRole('tab', { name: 'Versions' }).click()
  await page.getByLabel('Why this version').fill('for the try-on')
  await page.getByRole('button', { name: 'Keep as version' }).click()
  await expect(page.getByText('for the try-on').first()).toBeVisible()
  await page.getByRole('button', { name: 'Go back to it' }).last().click()
  await saved(page)
  await page.getByRole('tab', { name: 'Layers' }).click()
  await expect(page.locator('.item').first()).toBeVisible()
})

test('too little room in a shoe: the ways out are named, and one key takes one', async ({
  page,
}) => {
  await signIn(page)
  await openFitting(page, 'Oskar', 'prescribe')
  await page.getByRole('tab', { name: 'Body' }).click()
  await page.getByLabel('left Heel lift, mm').fill('12')
  await page.getByLabel('left Heel lift, mm').press('Enter')
  const space = page.getByRole('region', { name: 'Space in the footwear' })
  await pick(space, 'Footwear to hold the devices against', 'Saddle 103')
  await expect(space.getByText(/too much/).first()).toBeVisible()
  await expect(space.getByText('Heel lift 2 mm lower')).toBeVisible()
  await expect(space.getByText('Ask for footwear with more room')).toBeVisible()
  await page.keyboard.press('Alt+1')
  await expect(page.getByLabel('left Heel lift, mm')).toHaveValue('10 mm')
  await saved(page)
})

test('a trim-to-fit blank is chosen by arch length; order, preset and files leave by Send', async ({
  page,
}) => {
  await signIn(page)
  await openFitting(page, 'Oskar', 'prescribe')
  await page.getByRole('tab', { name: 'Body' }).click()
  await pick(page, 'right kind of device', 'trim-to-fit')
  await pick(page, 'right blank', 1)
  await expect(page.getByText(/arch .*(forward|back|where it should be)/).last()).toBeVisible()
  await saved(page)
  await page.getByRole('tab', { name: 'Send' }).click()
  await page.getByRole('button', { name: 'Send order' }).click()
  await expect(page.getByText(/taken, ready|to answer/).first()).toBeVisible({ timeout: 90_000 })
  await page.getByLabel('Name of the preset').fill('Studio test preset')
  await page.getByRole('button', { name: 'Keep preset' }).click()
  await expect(page.getByText('Studio test preset')).toBeVisible()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'template, DXF' }).first().click(),
  ])
  expect(file.suggestedFilename()).toMatch(/-template\.dxf$/)
})

test('the solid is cut, shaded by thickness, and measured', async ({ page }) => {
  await signIn(page)
  await openFitting(page, 'Tove', 'prescribe')
  await page.getByRole('button', { name: 'Solid', exact: true }).click()
  await expect(page.getByText(/closed, no overlap/)).toBeVisible()
  await page.getByRole('button', { name: 'by thickness' }).click()
  await expect(page.getByText(/deep 8 mm and more/)).toBeVisible()
  await page.getByRole('button', { name: 'measure', exact: true }).click()
  await expect(page.getByText('tap two points of the solid')).toBeVisible()
  const view = (await page.getByRole('img', { name: /device as a solid/ }).boundingBox())!
  const [x, y] = [view.x + view.width * 0.47, view.y + view.height * 0.5]
  await page.mouse.click(x - 6, y)
  await page.mouse.click(x + 14, y + 6)
  await expect(page.getByText(/mm between the two points/)).toBeVisible()
  await page.getByLabel(/Cut away in front of/).fill('60')
  await page.getByRole('button', { name: 'measure', exact: true }).click()
  await expect(page.getByText(/squares 10 mm/)).toBeVisible()
})

test("the shop's own materials, limits and blanks are kept in a new table with their source", async ({
  page,
}) => {
  await signIn(page, 'Sunniva')
  await page.goto('/settings')
  await page.getByRole('tab', { name: 'Devices' }).click()
  await page.getByLabel('Name of a new material').fill('Bamboo laminate')
  await page.getByRole('button', { name: 'Add material' }).click()
  const modulus = page.getByLabel('Bamboo laminate E, MPa')
  await modulus.fill('9000')
  await modulus.blur()
  await page.getByLabel('High-density EVA from Shore A').fill('90')
  await page.getByLabel('High-density EVA from Shore A').blur()
  await expect(page.getByRole('alert')).toContainText('not between 20 and 80 Shore A')
  await page.getByRole('tab', { name: 'Limits of layers' }).click()
  await page.getByLabel('Met pad height usual to').fill('2')
  await page.getByLabel('Met pad height usual to').blur()
  await expect(page.getByRole('alert')).toContainText('the lower limit must be below the upper one')
  await page.getByLabel('Met pad height usual to').fill('5')
  await page.getByLabel('Met pad height usual to').blur()
  await page.getByRole('tab', { name: 'Blanks' }).click()
  await page.getByRole('button', { name: 'Add a blank' }).click()
  await page
    .getByLabel('Why, and where do the values come from?')
    .fill('Our new laminate, by its sheet.')
  await page.getByRole('button', { name: /^Make table/ }).click()
  await expect(
    page.getByRole('status').filter({ hasText: 'holds for fittings opened from now on' }),
  ).toBeVisible()
  await page.reload()
  await page.getByRole('tab', { name: 'Devices' }).click()
  await expect(page.getByLabel('Bamboo laminate E, MPa')).toHaveValue('9000')
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

test('eight layers or twelve amounts stand in sight at once on a laptop', async ({ page }) => {
  await signIn(page)
  await openFitting(page, 'Oskar', 'prescribe')
  /** How many of some rows lie wholly within what scrolls them. */
  const inSight = (rows: string, within: string) =>
    page.evaluate(
      ([all, box]) => {
        const frame = document.querySelector(box!)!.getBoundingClientRect()
        return [...document.querySelectorAll(all!)].filter((row) => {
          const { top, bottom } = row.getBoundingClientRect()
          return top >= frame.top - 1 && bottom <= frame.bottom + 1
        }).length
      },
      [rows, within],
    )
  for (const name of [
    'Arch fill',
    'Lateral fill',
    'Cuboid support',
    'Met bar',
    'Sweet spot',
    'Fascia groove',
    'Lateral flare',
    'Medial flare',
    'Heel cushion',
  ])
    await pick(page, 'Add a layer', name)
  // The last one that was added is open: folded, all are rows.
  await page.locator('.layers .what[aria-expanded="true"]').click()
  expect(await inSight('.layers .item', '.layers .body')).toBeGreaterThanOrEqual(8)
  await page.getByRole('tab', { name: 'Body' }).click()
  for (const side of ['left', 'right']) await pick(page, `${side} kind of device`, 'full custom')
  await saved(page)
  // What the changes bought stands below until the page is opened anew.
  await page.reload()
  await page.getByRole('tab', { name: 'Body' }).click()
  await expect(page.getByLabel('left kind of device')).toBeVisible()
  for (const at of [0, 10_000]) {
    await page.locator('.bodypane .body').evaluate((box, top) => (box.scrollTop = top), at)
    expect(await inSight('.bodypane .body .row', '.bodypane .body')).toBeGreaterThanOrEqual(12)
  }
})

test('a layer lies on one foot alone, and comes to the other when it is wanted', async ({
  page,
}) => {
  await signIn(page)
  await openFitting(page, 'Mirela', 'prescribe')
  await pick(page, 'on', 'right')
  await pick(page, 'Add a layer', 'Cuboid support')
  await expect(page.getByLabel('left Cuboid support, mm')).toHaveValue('none')
  await expect(page.getByLabel('right Cuboid support, mm')).toHaveValue('3 mm')
  await page.getByRole('button', { name: 'put on too' }).click()
  await expect(page.getByLabel('left Cuboid support, mm')).toHaveValue('3 mm')
  await page.getByRole('button', { name: 'Take off the right foot' }).click()
  await expect(page.getByLabel('right Cuboid support, mm')).toHaveValue('none')
  await saved(page)
})

test('the same feet in other footwear have a device of their own, also after a reload; the first is as it was', async ({
  page,
}) => {
  await signIn(page)
  // Feet of their own: other tests change the demo client's device.
  await own(page, 'mirela-stanhope', 'Olga Other-Footwear', 'prescribe')
  const which = page.getByRole('button', { name: /^Device worked on/ })
  const pads = page.getByLabel('left Met pad, mm')
  await expect(pads).toHaveValue('3 mm')
  await which.click()
  await page.getByText('Same feet, other footwear …').click()
  await page.getByLabel('What is there is for').fill('ward shoes')
  await page.getByLabel('Name of the new device').fill('walking boots')
  await page.getByLabel('right foot bare').check()
  await page.getByRole('button', { name: 'Begin it' }).click()
  await expect(which).toHaveAccessibleName('Device worked on: walking boots')
  await pads.fill('5')
  await pads.press('Enter')
  await saved(page)
  await page.reload()
  await expect(which).toHaveAccessibleName('Device worked on: walking boots')
  await expect(pads).toHaveValue('5 mm')
  await which.click()
  await page.getByText('ward shoes', { exact: true }).click()
  await expect(which).toHaveAccessibleName('Device worked on: ward shoes')
  await expect(pads).toHaveValue('3 mm')
  await expect(page.getByLabel('right Met pad, mm')).toHaveValue('4 mm')
  await saved(page)
})
