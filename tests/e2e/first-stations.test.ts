import { execFileSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import {
  callOut,
  expect,
  newClient,
  openFitting,
  saved,
  signIn,
  test,
  pickActivity,
} from './fixtures'

const more = (page: import('@playwright/test').Page, item: string | RegExp) =>
  page
    .getByRole('button', { name: /^More for/ })
    .click()
    .then(() =>
      page
        .getByRole('listitem')
        .or(page.locator('.v-list-item'))
        .filter({ hasText: item })
        .first()
        .click(),
    )

test('the guided round takes 22 readings of both feet by keyboard, within 60 keeps and without a dialog', async ({
  page,
}) => {
  await signIn(page)
  await newClient(page, 'Ilse Rundgang')
  await page.keyboard.press('Escape')
  await page.keyboard.press('2')
  await page.getByRole('button', { name: 'Round', exact: true }).click()
  await page.keyboard.press('/')
  const round: [string, string][] = [
    ['Foot length', '261 261 / 262 262'],
    ['Arch length', '192 192 / 193 193'],
    ['Dorsum height', '66 66 / 65 66'],
    ['Navicular height', '48 48 / 47 47'],
    ['Foot length', '264 265 / 266 266'],
    ['Arch length', '193 193 / 194 194'],
    ['Forefoot width', '98 98 / 99 99'],
    ['Heel width', '63 64 / 64 64'],
    ['Second-toe lead', '-2 -2 / 1 1'],
    ['Second-met lead', '2 2 / 3 3'],
    ['Dorsum height', '63 63 / 62 62'],
    ['Navicular height', '43 43 / 41 41'],
    ['Medial malleolus height', '81 81 / 80 80'],
    ['Lateral malleolus height', '70 70 / 69 69'],
    ['Malleolus width', '68 68 / 69 69'],
    ['Toe height', '24 24 / 25 25'],
    ['Ball girth', '243 244 / 247 248'],
    ['Waist girth', '244 245 / 248 248'],
    ['Instep girth', '246 247 / 249 250'],
    ['Heel–instep girth', '331 333 / 334 336'],
    ['Ankle girth', '224 225 / 226 226'],
    ['Calf girth', '352 354 / 356 355'],
  ]
  let keeps = 0
  for (const [name, numbers] of round) {
    await expect(
      page.getByRole('region', { name: 'Reading in hand' }).getByRole('heading'),
    ).toHaveText(name)
    await page.keyboard.type(numbers)
    await page.keyboard.press('Enter')
    keeps++
    await expect(page.getByLabel(/Call-out/)).toHaveValue('')
  }
  expect(keeps).toBeLessThanOrEqual(60)
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.getByRole('button', { name: 'Leave round' }).click()
  await expect(page.getByText(/^22 of 22 settled on both feet/)).toBeVisible()
  await page.getByRole('tab', { name: 'Shape' }).click()
  await expect(page.getByRole('region', { name: 'Sizes and classes' })).toContainText(
    'small, 5.0 mm',
  )
  await saved(page)
})

test('the line hears strike, again, posture and angles, and stays while it is refused', async ({
  page,
}) => {
  await signIn(page)
  await newClient(page, 'Vero Linie')
  await page.goto(page.url().replace(/[a-z]+$/, 'measure'))
  await callOut(page, 'width 97 98 104 / 99')
  const line = page.getByLabel(/Call-out/)
  await line.fill('strike 3')
  await expect(page.getByText('try 3: 104 mm')).toBeVisible()
  await line.press('Enter')
  await expect(
    page.getByRole('button', { name: /^left Forefoot width: 97.5 mm, spread 1.0 of 2 tries/ }),
  ).toBeVisible()
  await line.fill('strike 1')
  await expect(page.getByText('Which foot?')).toBeVisible()
  await page.getByRole('button', { name: 'strike R 1' }).click()
  await line.press('Enter')
  await expect(page.getByRole('button', { name: /^right Forefoot width: not taken/ })).toBeVisible()
  await callOut(page, 'again')
  await callOut(page, 'R 98.5')
  await expect(page.getByRole('button', { name: /^right Forefoot width: 98.5 mm/ })).toBeVisible()
  await callOut(page, 'sitting')
  await expect(page.getByRole('button', { name: 'Sitting' })).toHaveClass(/active/)
  await line.fill('sta')
  await expect(page.getByText('go on standing')).toBeVisible()
  await line.press('Tab')
  await expect(line).toHaveValue('standing ')
  await callOut(page, 'standing')
  // Two feet of one line are kept both or not at all, and what could not be kept stands there
  // alone.
  await line.fill('heel 63 64 / 64 64 64 64 64')
  await line.press('Enter')
  await expect(line).toHaveValue('')
  await line.fill('heel 63 / 64')
  await line.press('Enter')
  await expect(
    page.getByText(
      'At most 5 tries of one reading are kept. Strike or take one back first. Nothing was kept.',
    ),
  ).toBeVisible()
  await expect(line).toHaveValue('heel 63 / 64')
  await expect(
    page.getByRole('button', { name: /^left Heel width: 63.5 mm, spread 1.0 of 2 tries/ }),
  ).toBeVisible()
  await line.fill('bent L 200')
  await expect(page.getByText('200 ° is outside -45 to 45.')).toBeVisible()
  await line.press('Enter')
  await expect(line).toHaveValue('bent L 200')
  await line.fill('')
  await callOut(page, 'ncsp 4 / 5')
  await page.keyboard.press('Escape')
  await page.keyboard.press('3')
  await expect(page.getByLabel('right Neutral stance, try 1, degrees')).toHaveValue('5')
})

test('a sign that must be seen first stops making until a clearance is recorded, and its cautions follow', async ({
  page,
  clean,
}) => {
  clean.allow(/409/)
  await signIn(page)
  await openFitting(page, 'Anselm', 'prescribe')
  await expect(page.getByRole('button', { name: /Refer first: open wound/ })).toBeVisible()
  await page.keyboard.press('7')
  await expect(
    page.getByRole('alert').filter({ hasText: 'Making waits for a clearance' }),
  ).toBeVisible()
  await page.getByRole('link', { name: 'Record it in Story' }).click()
  await page.getByRole('tab', { name: /Refer first/ }).click()
  await expect(page.getByText('12 of 12 asked')).toBeVisible()
  await page.getByLabel('Cleared by').fill('Dr Amara Quill, physician')
  await page.getByLabel('What was said').fill('Clean and dressed; soft shoes only.')
  await page.getByRole('button', { name: 'Record clearance' }).click()
  await expect(page.getByText(/✓ Cleared by Dr Amara Quill, physician/).first()).toBeVisible()
  await saved(page)
  await page.keyboard.press('7')
  await expect(page.getByText('Making waits for a clearance')).toHaveCount(0)
  await expect(page.getByRole('button', { name: /A foot at risk/ })).toBeVisible()
  await page.keyboard.press('1')
  await page.getByRole('tab', { name: /Before making/ }).click()
  await page.getByRole('button', { name: 'withdraw' }).first().click()
  await page.keyboard.press('7')
  await expect(page.getByText('Making waits for a clearance')).toBeVisible()
})

test('what Why did keeps its reason, and says when the reason no longer holds', async ({
  page,
}) => {
  await signIn(page)
  await newClient(page, 'Gesa Grund')
  await pickActivity(page, 'Walking')
  await page.getByRole('button', { name: 'right Medial ankle' }).click()
  await callOut(page, 'len 264 / 266')
  await callOut(page, 'stance R -6 -6')
  await page
    .locator('article', { hasText: 'medial heel skive of 2 mm' })
    .getByRole('button', { name: 'Do it' })
    .click()
  await page.getByText(/Decided: 1/).click()
  await expect(page.getByText('→ medial heel skive 2 mm')).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('3')
  for (const n of [2, 1]) {
    await page.getByLabel(`right Relaxed stance, try ${n}, degrees`).fill(n === 1 ? '-1' : '')
    await page.getByLabel(`right Relaxed stance, try ${n}, degrees`).blur()
  }
  await expect(page.getByText('No longer holds', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Five schools' }).click()
  await expect(page.getByRole('heading', { name: 'What would each school do?' })).toBeVisible()
  for (const school of [
    'Neutral position',
    'Tissue stress',
    'Sagittal plane',
    'Stable platform',
    'Comfort first',
  ])
    await expect(page.getByRole('heading', { name: school })).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).click()
  await saved(page)
})

test('footprints come in from the plate and from a file, and go out again', async ({ page }) => {
  await signIn(page)
  await openFitting(page, 'Tove', 'measure')
  await more(page, 'Footprint and pressure')
  const left = page.getByRole('region', { name: 'left footprint' })
  await left.getByRole('button', { name: 'Plate' }).click()
  await expect(left.getByText(/^(usual|high arch|low arch)$/)).toBeVisible()
  await expect(left.getByText('stand-in plate')).toBeVisible()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    left.getByRole('button', { name: 'To CSV' }).click(),
  ])
  const path = join(tmpdir(), 'print.csv')
  await download.saveAs(path)
  const text = readFileSync(path, 'utf8')
  expect(text).toMatch(/^gentle-arch-footprint,1\nside,left\ncellMm,5\n/)
  writeFileSync(path, text.replace('side,left', 'side,right'))
  await page.getByLabel('left footprint from CSV').setInputFiles(path)
  await expect(page.getByText('The file says it is the right foot: kept there.')).toBeVisible()
  const index = await left.locator('dd b').first().textContent()
  await expect(
    page.getByRole('region', { name: 'right footprint' }).getByText('Arch index'),
  ).toBeVisible()
  writeFileSync(path, text.replace(/\n(\d+),/, '\nx,'))
  await page.getByLabel('left footprint from CSV').setInputFiles(path)
  await expect(
    page
      .getByRole('alert')
      .filter({ hasText: /Line 5, column 1: "x" is not a pressure in kPa. Nothing was changed/ }),
  ).toBeVisible()
  await expect(left.locator('dd b').first()).toHaveText(index!)
  await left.getByLabel('left toe line, mm').fill('120')
  await left.getByLabel('left toe line, mm').press('Enter')
  await expect(left.locator('dd b').first()).not.toHaveText(index!)
})

test('readings go out as CSV and come in with a report of every cell that cannot be taken', async ({
  page,
}) => {
  await signIn(page)
  await openFitting(page, 'Oskar', 'measure')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    more(page, 'Readings to CSV'),
  ])
  const path = join(tmpdir(), 'readings.csv')
  await download.saveAs(path)
  const rows = readFileSync(path, 'utf8').trim().split('\n')
  expect(rows[0]).toBe('side,what,posture,trial,valueMm,struck,instrument,by,at,heightMm')
  await newClientFrom(page)
  writeFileSync(
    path,
    [
      ...rows,
      'middle,footLengthMm,standing,1,264,,,,,',
      'left,footLengthMm,standing,1,26.4,,,,,',
    ].join('\n'),
  )
  await page.getByLabel('Readings from CSV').setInputFiles(path)
  await expect(
    page.getByRole('cell', { name: '"middle" is neither left nor right.' }),
  ).toBeVisible()
  await expect(page.getByRole('cell', { name: /26.4 mm is too small/ })).toBeVisible()
  await page.getByRole('button', { name: `Take ${rows.length - 1} tries` }).click()
  await expect(page.getByRole('button', { name: /^right Foot length: 288.0 mm/ })).toBeVisible()
  await saved(page)
  writeFileSync(path, 'foot,value\nleft,3')
  await page.getByLabel('Readings from CSV').setInputFiles(path)
  await expect(
    page.getByRole('alert').filter({ hasText: 'The first line must name the columns' }),
  ).toBeVisible()
})
async function newClientFrom(page: import('@playwright/test').Page) {
  await page.goto('/')
  await newClient(page, 'Csilla Import')
  await page.goto(page.url().replace(/[a-z]+$/, 'measure'))
}

test('marks are placed by pointer and by keyboard, and a wound refers', async ({ page }) => {
  await signIn(page)
  await openFitting(page, 'Oskar', 'examine')
  await page.getByRole('button', { name: 'Marks', exact: true }).click()
  await page.getByRole('button', { name: 'Bony point' }).click()
  const map = page.getByRole('application', { name: /^left foot, plantar/ })
  await map.focus()
  for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowUp')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('application', { name: 'left foot, plantar: 1 marks' })).toBeVisible()
  await page.getByLabel('Tenderness of Bony point, 0 to 10').fill('7')
  await page.getByLabel('Tenderness of Bony point, 0 to 10').blur()
  await page.getByRole('button', { name: 'Inner' }).click()
  await page.getByRole('button', { name: 'Wound' }).click()
  await page
    .getByRole('application', { name: /^right foot, medial/ })
    .click({ position: { x: 120, y: 60 } })
  await expect(page.getByText('Refer first: a wound on the right foot').first()).toBeVisible()
  await page.getByRole('button', { name: 'Take off Wound right' }).click()
  await expect(page.getByText('Refer first: a wound on the right foot')).toHaveCount(0)
  await saved(page)
})

test('the client sees a picture in plain words, on one page of paper', async ({ page }) => {
  await signIn(page)
  await openFitting(page, 'Mirela', 'measure')
  await expect(page.getByRole('heading', { name: 'Measure' })).toBeVisible()
  await page.keyboard.press('v')
  const picture = page.getByRole('dialog', { name: 'For the client' })
  await expect(picture.getByRole('heading', { name: 'Mirela, these are your feet' })).toBeVisible()
  await expect(picture.getByRole('button', { name: 'Back to the bench' })).toBeFocused()
  await expect(picture).not.toContainText(/varus|everted|skive|TEM|classes|risk|Tove|Oskar|blood/i)
  for (const heading of [
    'What we found',
    'What you told us',
    'What we propose',
    'What else could be done',
  ])
    await expect(picture.getByRole('heading', { name: heading })).toBeVisible()
  const path = join(tmpdir(), 'client.pdf')
  await page.pdf({ path, format: 'A4' })
  expect(execFileSync('pdfinfo', [path], { encoding: 'utf8' })).toMatch(/Pages:\s+1\n/)
  expect(execFileSync('pdftotext', [path, '-'], { encoding: 'utf8' })).toContain(
    'Mirela, these are your feet',
  )
  await page.keyboard.press('Escape')
  await expect(picture).toHaveCount(0)
})

test('two visits are set side by side, and a second activity gets a fitting of its own', async ({
  page,
}) => {
  await signIn(page)
  await openFitting(page, 'Tove', 'story')
  await expect(
    page.getByRole('navigation', { name: 'Fittings of this client' }).getByRole('link'),
  ).toHaveCount(2)
  await page.goto(page.url().replace(/[a-z]+$/, 'measure'))
  await more(page, 'Compare visits')
  const row = (name: string) => page.getByRole('row', { name: new RegExp(`^${name}`) })
  await expect(row('Waist girth standing')).toContainText('= no change')
  await expect(row('Waist girth standing')).toContainText('+ bigger')
  await expect(row('Navicular height standing')).toContainText('− smaller')
  await page.goto('/')
  await openFitting(page, 'Mirela', 'story')
  await page.getByRole('button', { name: '+ another activity' }).click()
  await pickActivity(page, 'Road riding', 'Another activity')
  await expect(page.getByRole('link', { name: /^Road riding/ })).toHaveAttribute(
    'aria-current',
    'page',
  )
  await page.keyboard.press('2')
  await expect(page.getByRole('button', { name: /^right Foot length: 241.3 mm/ })).toBeVisible()
})

test('the owner makes a new table of norms; a number that is none is not kept', async ({
  page,
}) => {
  await signIn(page, 'Sunniva')
  await page.goto('/settings')
  const field = page.getByLabel('Ask “sure?” above a left–right gap of')
  await field.fill('many')
  await field.blur()
  await expect(page.getByRole('alert')).toContainText('“many” is not a number')
  await field.fill('14')
  await field.blur()
  await expect(page.getByRole('button', { name: 'Make table 2' })).toBeDisabled()
  await page
    .getByLabel('Why, and where do the values come from?')
    .fill('Our own clients differ more.')
  await page.getByRole('button', { name: 'Make table 2' }).click()
  await expect(
    page.getByRole('status').filter({ hasText: 'Table 2 holds for fittings opened from now on' }),
  ).toBeVisible()
  await page.getByRole('tab', { name: 'Repeatability' }).click()
  await expect(page.getByText('No double readings yet')).toBeVisible()
  await page.getByLabel('Whose foot (code and side)').fill('HR-0412 L')
  await page.getByLabel('First, mm').fill('264')
  await page.getByLabel('Second, mm').fill('265,5')
  await page.getByLabel('Second, mm').press('Enter')
  await expect(page.getByRole('cell', { name: '1.06' })).toBeVisible()
})
