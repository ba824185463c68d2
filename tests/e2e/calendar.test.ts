import { expect, pick, signIn, test } from './fixtures'
import { addWeeks, format, nextWednesday } from 'date-fns'
import type { Page } from '@playwright/test'

/** A Monday of weeks in which the demo has no visits. */
const WEEK = '/calendar?day=2027-06-07'
const card = (page: Page, name: string) =>
  page.getByRole('region', { name: /Week of|June/ }).getByRole('button', { name: new RegExp(name) })
const column = (page: Page, name: string) => page.getByRole('group', { name, exact: true })

/** Books somebody new at a day and time of the dialog. */
async function bookNew(page: Page, name: string, day: string, time: string) {
  await page.keyboard.press('b')
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Who comes').fill(name)
  await page.getByRole('option', { name: new RegExp(`${name}.*a new client`) }).click()
  await dialog.getByLabel('Telephone').fill('0555 0199')
  await dialog.getByLabel('Day', { exact: true }).fill(day)
  await dialog.getByLabel('Time').fill(time)
  await dialog.getByRole('button', { name: 'Book it', exact: true }).click()
}

test('a week is booked by keys, moved by keys and by hand, taken back, called off, and waits for a day', async ({
  page,
  clean,
}) => {
  clean.allow(/409/)
  await signIn(page)
  await page.goto(WEEK)
  await expect(page.getByRole('heading', { name: 'Week of 7 June' })).toBeVisible()
  await bookNew(page, 'Ottoline Brand', '8 Jun 2027', '10:00')
  await expect(card(page, 'Ottoline Brand')).toHaveAccessibleName(/Tuesday 8 June, 10:00 to 10:45/)
  await bookNew(page, 'Percival Loam', '9 Jun 2027', '11:00')
  await expect(card(page, 'Percival Loam')).toBeVisible()

  // By keys: a day on and an hour later, seen before it is kept.
  await card(page, 'Ottoline Brand').focus()
  for (const key of ['ArrowRight', ...Array(5).fill('ArrowDown')]) await page.keyboard.press(key)
  await expect(column(page, 'Wed 9').getByText('11:15')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(column(page, 'Wed 9').getByText('11:15')).toBeHidden()
  for (const key of ['ArrowRight', ...Array(5).fill('ArrowDown')]) await page.keyboard.press(key)
  await page.keyboard.press('Enter')
  // The chair is taken by the other one then: it stays until somebody says so.
  await expect(page.getByRole('alert')).toContainText('The chair is taken then')
  await expect(card(page, 'Ottoline Brand')).toHaveAccessibleName(/Tuesday 8 June, 10:00/)
  await page.getByRole('button', { name: 'All the same' }).click()
  await expect(card(page, 'Ottoline Brand')).toHaveAccessibleName(
    /Wednesday 9 June, 11:15 to 12:00/,
  )
  await page.getByRole('button', { name: 'Take back' }).click()
  await expect(card(page, 'Ottoline Brand')).toHaveAccessibleName(/Tuesday 8 June, 10:00/)

  // By hand: dragged two days on.
  const from = (await card(page, 'Ottoline Brand').boundingBox())!
  const to = (await column(page, 'Thu 10').boundingBox())!
  await page.mouse.move(from.x + 20, from.y + 6)
  await page.mouse.down()
  await page.mouse.move(from.x + 80, from.y + 12, { steps: 4 })
  await page.mouse.move(to.x + 40, from.y + 6, { steps: 6 })
  await page.mouse.up()
  await expect(card(page, 'Ottoline Brand')).toHaveAccessibleName(/Thursday 10 June, 10:00/)

  // It waits for a day, and is put onto one by pressing there.
  await page.getByRole('button', { name: 'Waits for a day' }).click()
  const waits = page.getByRole('button', { name: /Ottoline Brand.*45 min/ })
  await expect(waits).toBeVisible()
  await expect(card(page, 'Ottoline Brand,')).toHaveCount(0)
  await waits.click()
  const friday = (await column(page, 'Fri 11').boundingBox())!
  await page.mouse.click(friday.x + 40, friday.y + friday.height / 2)
  await expect(card(page, 'Ottoline Brand')).toHaveAccessibleName(/Friday 11 June/)

  // Called off with why, and on again; the other one did not come.
  await card(page, 'Ottoline Brand').click()
  await page.getByRole('button', { name: 'Call off …' }).click()
  await page.getByLabel('Why it is called off').fill('has a cold')
  await page.getByRole('button', { name: 'Call off', exact: true }).click()
  await expect(card(page, 'Ottoline Brand')).toHaveAccessibleName(/Called off/)
  await expect(page.getByText('has a cold')).toBeVisible()
  await page.getByRole('button', { name: 'Take back' }).click()
  await expect(card(page, 'Ottoline Brand')).toHaveAccessibleName(/To come/)
  await card(page, 'Percival Loam').click()
  await page.getByRole('button', { name: 'Did not come' }).click()
  await expect(card(page, 'Percival Loam')).toHaveAccessibleName(/Did not come/)
  await page.reload()
  await expect(card(page, 'Percival Loam')).toHaveAccessibleName(/Did not come/)
  await expect(card(page, 'Ottoline Brand')).toHaveAccessibleName(/Friday 11 June/)
})

test('a day by people shows who is not to be had; a free time is pressed to book with them', async ({
  page,
}) => {
  await signIn(page)
  // A Wednesday half a year on.
  const day = addWeeks(nextWednesday(new Date()), 26)
  const iso = format(day, 'yyyy-MM-dd')
  await page.goto(`/calendar?day=${iso}&view=day`)
  await expect(page.getByRole('heading', { name: format(day, 'EEEE, d MMMM') })).toBeVisible()
  await page.getByRole('button', { name: 'Calendar files' }).click()
  const dialog = page.getByRole('dialog')
  await pick(dialog, 'Whose', 'Rhona')
  const times = [
    `DTSTART:${format(day, 'yyyyMMdd')}T120000Z`,
    `DTEND:${format(day, 'yyyyMMdd')}T140000Z`,
  ]
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'BEGIN:VEVENT',
    'UID:x',
    ...times,
    'SUMMARY:Private thing',
  ]
  await dialog.locator('input[type=file]').setInputFiles({
    name: 'own.ics',
    mimeType: 'text/calendar',
    buffer: Buffer.from([...lines, 'END:VEVENT', 'END:VCALENDAR'].join('\r\n')),
  })
  await expect(dialog.getByRole('status')).toContainText('1 time in the next year')
  await dialog.getByRole('button', { name: 'Keep these times' }).click()
  await expect(dialog.getByText('Rhona Ketteridge is not to be had then')).toBeVisible()
  await dialog.getByRole('button', { name: 'Close' }).click()
  await page.getByRole('tab', { name: 'People' }).click()
  await expect(column(page, 'Rhona Ketteridge').getByText('not to be had')).toBeVisible()
  await expect(page.getByText('Private thing')).toHaveCount(0)

  const rhona = (await column(page, 'Rhona Ketteridge').boundingBox())!
  await page.mouse.click(rhona.x + 30, rhona.y + 4)
  await dialog.getByLabel('Who comes').fill('Tove')
  await page.getByRole('option', { name: /^Tove Marchetti/ }).click()
  await expect(dialog.getByLabel('Time')).toHaveValue('09:00')
  await dialog.getByRole('button', { name: 'Book it', exact: true }).click()
  await expect(column(page, 'Rhona Ketteridge').getByRole('button')).toHaveAccessibleName(
    /Tove Marchetti, Wednesday .*, 09:00 to 09:45, .*with Rhona Ketteridge/,
  )
  // Into another column: with somebody else, at the same time.
  await column(page, 'Rhona Ketteridge').getByRole('button').focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await expect(column(page, 'Sunniva Hale').getByRole('button')).toHaveAccessibleName(
    /with Sunniva Hale/,
  )
})
