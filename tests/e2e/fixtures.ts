import { randomUUID } from 'node:crypto'
import { DEMO_RECORDS } from '../../demo/records'
import { test as base, expect, type Locator, type Page } from '@playwright/test'

/**
 * Every page under test must be clean: no console error, no policy violation, no request off this
 * machine. Answers that a test provokes (a refused change, a closed line) are named by it.
 */
export const test = base.extend<{ clean: { allow: (pattern: RegExp) => void } }>({
  // eslint-disable-next-line no-empty-pattern -- the runner reads the names from the pattern
  baseURL: async ({}, use, { parallelIndex }) =>
    use(`http://127.0.0.1:${Number(process.env.E2E_PORT ?? 21301) + parallelIndex}`),
  clean: [
    async ({ page, baseURL }, use) => {
      const allowed: RegExp[] = []
      const troubles: string[] = []
      page.on('console', (m) => m.type() === 'error' && troubles.push(m.text()))
      page.on('pageerror', (e) => troubles.push(e.message))
      page.on('request', (r) => {
        if (!r.url().startsWith(baseURL!) && !/^(data|blob):/.test(r.url()))
          troubles.push(`request off this machine: ${r.url()}`)
      })
      await use({ allow: (pattern) => allowed.push(pattern) })
      expect(troubles.filter((t) => !allowed.some((p) => p.test(t)))).toEqual([])
    },
    { auto: true },
  ],
})
export { expect }

export async function signIn(page: Page, name = 'Rhona'): Promise<void> {
  await page.goto('/')
  await page.getByRole('radio', { name: new RegExp(name) }).click()
  await page.getByLabel(/I know what applies/).check()
  await page.getByRole('button', { name: `Sign in as ${name}` }).click()
  await expect(page.getByRole('heading', { name: 'Visits' })).toBeVisible()
}

export async function newClient(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'New client' }).click()
  await page.getByLabel('Name', { exact: true }).fill(name)
  await page.getByLabel('Born on', { exact: true }).fill('12 Apr 1988')
  await page.getByLabel('Body weight, kg').fill('71,5')
  await page.getByRole('button', { name: 'Begin the fitting' }).click()
  await expect(page.getByRole('heading', { name: 'Story' })).toBeVisible()
}

/** Opens a demo client's fitting at a station. */
export async function openFitting(page: Page, name: string, station: string): Promise<void> {
  const link = page.getByRole('link', { name: new RegExp(name) }).first()
  const href = await link.getAttribute('href')
  await page.goto(href!.replace(/[a-z]+$/, station))
  await expect(page.getByText('Opening the fitting')).toHaveCount(0)
}

/** Says a line at the call-out and keeps it. */
export async function callOut(page: Page, line: string): Promise<void> {
  const box = page.getByLabel(/Call-out/)
  await box.fill(line)
  await box.press('Enter')
  await expect(box).toHaveValue('')
}

export const saved = (page: Page) =>
  expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible()

/** Takes one of a list that opens below its field, by its words or its place in the list. */
export async function pick(
  scope: Page | Locator,
  label: string,
  option: string | number,
): Promise<void> {
  const page = 'page' in scope ? scope.page() : scope
  const box = page.getByRole('combobox', { name: label, exact: true })
  // What is chosen is drawn over the box itself: the field round it takes the click.
  await scope.locator('.v-field').filter({ has: box }).click()
  const options = page.getByRole('listbox').last().getByRole('option')
  const taken =
    typeof option === 'number'
      ? options.nth(option)
      : options.filter({ hasText: new RegExp(`^\\s*${option}`) }).first()
  await taken.click()
}

/** A fitting of its own at a station. */
export async function own(
  page: Page,
  base: string,
  name: string,
  station: string,
  change: (r: (typeof DEMO_RECORDS)[string]) => void = () => undefined,
) {
  const record = structuredClone({
    ...DEMO_RECORDS[base]!,
    client: { ...DEMO_RECORDS[base]!.client, code: undefined, name },
  })
  change(record)
  const { fittingId } = await (await page.request.post('/api/records', { data: record })).json()
  await page.goto(`/fittings/${fittingId}/${station}`)
  await expect(page.getByText('Opening the fitting')).toHaveCount(0)
  return fittingId as string
}

/** Leaves out at the bench whatever of a fitting is open: nothing is made in this test. */
export async function leaveOutSteps(page: Page, fittingId: string): Promise<void> {
  const get = async (path: string) => (await page.request.get(`/api/${path}`)).json()
  const { jobs } = await get('bench')
  const { parts } = await get(`fittings/${fittingId}`)
  type Step = { step: string; foot?: string; state: string; entry?: object }
  const steps: Step[] = jobs.find((job: { id: string }) => job.id === fittingId)?.steps ?? []
  const content = steps.map(({ step, foot, state, entry }) =>
    state === 'open' ? { step, ...(foot && { foot }), state: 'skipped' } : entry,
  )
  const command = { kind: 'part.put', part: 'jobs', content }
  const data = { id: randomUUID(), version: parts.jobs?.version ?? 0, command }
  const answer = await page.request.post(`/api/fittings/${fittingId}/commands`, { data })
  expect(answer.status(), await answer.text()).toBe(200)
}

/** Finds an activity by its letters and takes it, as a fitter types it. */
export async function pickActivity(page: Page, name: string, label = 'Activity'): Promise<void> {
  await page.getByRole('combobox', { name: label, exact: true }).fill(name)
  await page.getByRole('option', { name, exact: true }).click()
}
