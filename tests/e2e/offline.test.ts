import type { Page } from '@playwright/test'
import { callOut, expect, openFitting, signIn, test, own } from './fixtures'

test.use({ serviceWorkers: 'allow' })

/** Ids of what this device keeps of answers. */
const keptAnswers = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<string>((done) => {
        const open = indexedDB.open('gentle-arch')
        open.onsuccess = () => {
          const all = open.result.transaction('sealed').objectStore('sealed').getAllKeys()
          all.onsuccess = () => {
            open.result.close()
            done(all.result.join('\n'))
          }
        }
      }),
  )

test('without a line the application opens with what it had, to its own person, and says from when', async ({
  page,
  context,
  clean,
}) => {
  clean.allow(/ERR_INTERNET_DISCONNECTED|ERR_FAILED|Failed to load resource/)
  await signIn(page)
  await own(page, 'tove-marchetti', 'Orla Outofreach', 'story')
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  const address = page.url()
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Visits' })).toBeVisible()
  // A page that is left before its answer came has kept none.
  await expect.poll(() => keptAnswers(page)).toContain('answer today')
  await page.goto(address)
  await expect(page.getByRole('heading', { name: 'Story' })).toBeVisible()

  const [, fitting] = /fittings\/([^/]+)/.exec(address)!
  for (const path of ['me', `fittings/${fitting}`])
    await expect.poll(() => keptAnswers(page)).toContain(`answer ${path}`)

  await context.setOffline(true)
  await page.reload()
  // It is hers: nobody else opens it, and nothing of it is seen before.
  await expect(page.getByText('Locked for Rhona')).toBeVisible()
  await expect(page.getByText('Orla Outofreach')).toHaveCount(0)
  await page.getByRole('button', { name: 'Open as Rhona' }).click()
  await expect(page.getByText('Orla Outofreach').first()).toBeVisible()
  await expect(page.getByText(/No line: as of \d\d:\d\d/)).toBeVisible()
  // A station that was not open before opens too, and what is typed there is kept.
  await page.keyboard.press('2')
  await expect(page.getByLabel(/Call-out/)).toBeVisible()
  await callOut(page, 'stance -3 / -6')
  await expect(page.getByText('Kept on this device')).toBeVisible()
  await page.goto('/')
  await page.getByRole('button', { name: 'Open as Rhona' }).click()
  await expect(page.getByRole('heading', { name: 'Visits' })).toBeVisible()
  await expect(page.getByRole('button', { name: /^2 wait/ })).toBeVisible()

  await context.setOffline(false)
  await expect(page.getByRole('button', { name: /wait/ })).toHaveCount(0)
  await page.reload()
  await expect(page.getByText(/No line/)).toHaveCount(0)
  await openFitting(page, 'Tove', 'measure')
})

test('signed out, a device opens nothing without a line', async ({ page, context, clean }) => {
  clean.allow(/ERR_INTERNET_DISCONNECTED|ERR_FAILED|Failed to load resource/)
  await signIn(page)
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  await page.getByRole('button', { name: /Menu/ }).click()
  await page.getByText('Sign out').click()
  await expect(page).toHaveURL(/sign-in/)
  await context.setOffline(true)
  await page.goto('/')
  await expect(page).toHaveURL(/sign-in/)
  await expect(page.getByText(/does not answer/)).toBeVisible()
  await expect(page.getByText(/Rhona/)).toHaveCount(0)
})
