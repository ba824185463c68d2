import type { Page } from '@playwright/test'
import { callOut, expect, newClient, saved, signIn, test, pickActivity } from './fixtures'

/** All of Why, opened: what is said of this client now. */
async function why(page: Page): Promise<string[]> {
  const more = page.locator('.ledger .more')
  if ((await more.count()) > 0 && /more$/.test((await more.innerText()).trim())) await more.click()
  return page.locator('.ledger article p').allInnerTexts()
}
/** Says it until it stands in Why. */
const says = (page: Page, pattern: RegExp) =>
  expect.poll(async () => (await why(page)).some((words) => pattern.test(words))).toBe(true)

async function openByHand(page: Page) {
  await signIn(page)
  await newClient(page, 'Odalys Example')
  await pickActivity(page, 'Walking')
  await page.getByRole('button', { name: 'right Medial ankle' }).click()
  await page
    .getByRole('radiogroup', { name: /Pain right Medial ankle/ })
    .getByRole('radio', { name: '6' })
    .click()
}

test('ten rules, each by hand on a screen', async ({ page }) => {
  await openByHand(page)
  // 1 the lesser measure, 2 a condition
  await says(page, /Would a stock insert be enough for the right foot/)
  await page
    .getByRole('group', { name: 'Conditions told' })
    .getByRole('button', { name: 'blood thinners' })
    .click()
  await says(page, /soft edges, short try-on/)

  // Examine: 3 to 8 by the call-out line
  await page.keyboard.press('Escape')
  await page.keyboard.press('3')
  await expect(page.getByRole('heading', { name: 'Examine' })).toBeVisible()
  await callOut(page, 'stance R -6 -6')
  await says(page, /heel stands everted 6°\. A medial heel skive|the heel stands everted 6°/)
  await says(page, /A varus rearfoot post of 3° holds it nearer neutral/)
  await callOut(page, 'forefoot R 9')
  await says(page, /forefoot angle of 9°.*was read once/)
  await callOut(page, 'bigtoe R 72')
  await callOut(page, 'toeload R 9')
  await says(page, /stops under load at 9°/)
  await callOut(page, 'straight R 12')
  await callOut(page, 'bent R 9')
  await says(page, /the bent knee gives more, never less\. Take both again/)
  await callOut(page, 'tibia R 3')
  await callOut(page, 'eversion R 8')
  await says(page, /further out than its eversion/)

  // Feeling: 9 toes that go numb; Stance: 10 a leg by tape only, and half a posture
  await page.getByRole('button', { name: 'Feeling and skin' }).click()
  await page
    .getByRole('group', { name: 'left numb toes' })
    .getByRole('button', { name: '3', exact: true })
    .click()
  await page
    .getByRole('group', { name: 'left numb toes' })
    .getByRole('button', { name: '4', exact: true })
    .click()
  await says(page, /between the left third and fourth toe/)
  await page.getByRole('button', { name: 'Stance', exact: true }).click()
  await page.getByLabel('Leg length difference, mm').fill('7')
  await page.getByLabel('Leg length difference, mm').press('Enter')
  await page.getByRole('button', { name: 'tape', exact: true }).click()
  await says(page, /show it twice by blocks/)
  await page
    .getByRole('group', { name: 'left Talar head' })
    .getByRole('button', { name: '+2' })
    .click()
  await expect(page.getByText('1 of 6 seen, no sum yet')).toBeVisible()
  await page.getByLabel('left Axis, turned in, °').fill('18')
  await page.getByLabel('left Axis, turned in, °').press('Enter')
  await saved(page)
})

test('a decision is about one thing: worse is open again beside it, undone is said, aside hides nothing else', async ({
  page,
}) => {
  await openByHand(page)
  await page.keyboard.press('Escape')
  await page.keyboard.press('3')
  await callOut(page, 'stance R -6 -6')
  await says(page, /A varus rearfoot post of 3° holds it nearer neutral/)
  const before = await why(page)
  const post = page.locator('.ledger article', { hasText: 'holds it nearer neutral' })
  await post.getByRole('button', { name: 'Set aside' }).click()
  await page.getByRole('button', { name: 'Seen and checked' }).click()
  await expect.poll(() => why(page)).toEqual(before.filter((w) => !/nearer neutral/.test(w)))

  // Worse than what was set aside: open again beside it, and the decision keeps its words.
  await page.getByLabel('right Relaxed stance, try 1, degrees').fill('-11')
  await page.getByLabel('right Relaxed stance, try 1, degrees').press('Enter')
  await page.getByLabel('right Relaxed stance, try 2, degrees').fill('-11')
  await page.getByLabel('right Relaxed stance, try 2, degrees').press('Enter')
  await says(page, /everted 11°\. A varus rearfoot post/)
  await page.locator('.ledger .decided summary').click()
  const decided = page.locator('.ledger .decided .line')
  await expect(decided).toContainText('Changed since')
  await expect(decided).toContainText('everted 6°')

  // Done, then taken off by hand: said, and open again.
  await page
    .locator('.ledger article', { hasText: 'A medial heel skive of 2 mm' })
    .getByRole('button', { name: 'Do it' })
    .click()
  await expect.poll(async () => (await why(page)).join()).not.toContain('A medial heel skive')
  await page.getByRole('button', { name: 'Go to Capture' }).click()
  await page.keyboard.press('Escape')
  await page.keyboard.press('5')
  await expect(page.getByRole('heading', { name: 'Prescribe' })).toBeVisible()
  await callOut(page, 'skive R 0')
  await says(page, /A medial heel skive of 2 mm/)
  await expect(page.locator('.ledger .decided')).toContainText('No longer in the device')
  await saved(page)
})
