import { describe } from 'vitest'
import { jobFrom } from '../../../core/job/make'
import { type AnyJob, type AnyLine, type KindName, kindNames, kindOf } from '../../../core/kinds'
import { newLineParts } from '../../../testing/newLineParts'
import { expect, type Page, test } from '../../../testing/screen'

const post = async (path: string, body: object) => {
  const answer = await fetch(`/api${path}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  })
  expect(answer.status).toBe(201)
}

/** A line of a kind with nothing on it, and two jobs begun on it. */
async function begun(page: Page, site: string, kind: KindName): Promise<void> {
  await page.goto(site)
  const of = kindOf({ kind })
  const line = { ...of.makeLine('', 'mm', newLineParts[kind]), name: '' } as AnyLine
  const job = jobFrom(line, of.makeRound(line, '2026-12-01T08:00:00.000Z', 'mm'), 'Alignment') as AnyJob
  await post('/lines', { id: 'line-one', document: line })
  for (const id of ['job-one', 'job-two']) await post('/jobs', { id, lineId: 'line-one', document: job })
}

describe.each(kindNames)('what is typed of the line in a job: %s', (kind) => {
  test('is the line’s own and the next job’s; another open job is asked, takes it, takes it back and keeps its own', async ({
    page,
    empty,
  }) => {
    await begun(page, empty, kind)
    const number = () => page.getByRole('textbox', { name: /, mm$/ }).first()
    const asked = page.getByRole('region', { name: 'The line has changed' })
    const saved = () => expect(page.getByText(/^Saved \d/)).toBeVisible()
    await page.goto(`${empty}/jobs/job-one/dimensions`)
    await page
      .getByLabel(/^(Line )?[Nn]ame/)
      .first()
      .fill('Rinse pump 9')
    await number().fill('440')
    await saved()
    await expect(asked).toBeHidden()
    await page.goto(`${empty}/lines/line-one`)
    await expect(number()).toHaveValue('440')
    await page.goto(`${empty}/lines`)
    await expect(page.getByText('Rinse pump 9').first()).toBeVisible()
    await page.goto(`${empty}/new?line=line-one`)
    await page.getByRole('button', { name: /Begin|Start/ }).click()
    await page.getByRole('link', { name: 'Rinse pump 9' }).click()
    await expect(number()).toHaveValue('440')
    await expect(asked).toBeHidden()

    await page.goto(`${empty}/jobs/job-two/dimensions`)
    await expect(asked).toContainText('440 mm, changed in job 1.')
    await expect(asked).toContainText('Rinse pump 9, changed in job 1.')
    await asked.getByRole('button', { name: 'Take all' }).click()
    await expect(number()).toHaveValue('440')
    await saved()
    await expect(asked).toBeHidden()
    // taken back it is kept here, and the line still has it
    await page.keyboard.press('Control+z')
    await expect(number()).toHaveValue('')
    await saved()
    await expect(asked).toBeHidden()
    await page.goto(`${empty}/lines/line-one`)
    await expect(number()).toHaveValue('440')
    // the line says something else: asked again
    await number().fill('450')
    await saved()
    await page.goto(`${empty}/jobs/job-two/dimensions`)
    await expect(asked).toContainText('450 mm.')
    await asked.getByRole('button', { name: /^Keep nothing here/ }).click()
    await saved()
    await page.reload()
    await expect(number()).toHaveValue('')
    await expect(page.getByText(/^Saved/)).toBeVisible()
    await expect(asked).toBeHidden()
  })
})
