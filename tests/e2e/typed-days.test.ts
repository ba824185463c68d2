import { expect, newClient, openFitting, saved, signIn, test } from './fixtures'
import type { Locator } from '@playwright/test'

/** Typed as people type: one key after the other, with time to think between them. */
async function typeDay(field: Locator, text: string) {
  await field.click()
  await field.press('ControlOrMeta+a')
  await field.pressSequentially(text, { delay: 60 })
  await field.press('Tab')
}

test('a birth date typed key by key is what was typed, in every way of writing it', async ({
  page,
}) => {
  await signIn(page)
  await newClient(page, 'Day By Day')
  const field = page.getByRole('textbox', { name: /Born/ })
  for (const [text, shown] of [
    ['3.4.1988', '3 Apr 1988'],
    ['1951-05-01', '1 May 1951'],
    ['29 feb 2016', '29 Feb 2016'],
    ['Nov 28, 1999', '28 Nov 1999'],
  ] as const) {
    await typeDay(field, text)
    await expect(field).toHaveValue(shown)
    await saved(page)
    await page.reload()
    await expect(field).toHaveValue(shown)
  }
  // What may mean two days, or none, is asked, and the day before it stays.
  for (const [text, asked] of [
    ['3.4.88', '1988 or 2088?'],
    ['31.2.1990', 'is not a day'],
    ['3.4.0001', 'Not before 1 Jan 1900.'],
    ['1.1.2090', 'Not after'],
  ] as const) {
    await typeDay(field, text)
    await expect(page.getByText(asked)).toBeVisible()
    await page.reload()
    await expect(field).toHaveValue('28 Nov 1999')
  }
})

test('every other field for a day keeps what was typed', async ({ page }) => {
  await signIn(page)
  await openFitting(page, 'Tove', 'handover')
  for (const station of ['handover', 'make']) {
    await page.keyboard.press(station === 'make' ? '7' : '8')
    // Both stations have days: what is typed must be this one's.
    await expect(page).toHaveURL(new RegExp(`/${station}$`))
    const fields = page.locator('.day-field input:enabled')
    await expect(fields.first()).toBeVisible()
    for (let i = 0; i < (await fields.count()); i++) {
      await typeDay(fields.nth(i), '14.2.2027')
      await expect(fields.nth(i)).toHaveValue('14 Feb 2027')
    }
    await saved(page)
    await page.reload()
    await expect(fields.first()).toHaveValue('14 Feb 2027')
  }
})
