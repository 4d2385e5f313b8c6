import { describe } from 'vitest'
import { expect, test } from '../../../testing/screen'

/** A train keeps what was done in its own plan, by station of feet: `e2e/move.spec.ts`. */
const jobs = [
  { kind: 'upright', job: 'job-44', act: /^Bolt 1: shims added/ },
  { kind: 'belt', job: 'job-43', act: /^Motor, Back feet: shims added/ },
  { kind: 'bore', job: 'job-45', act: /: moved up/ },
  { kind: 'rolls', job: 'job-46', act: /: roll pushed/ },
] as const

describe.each(jobs)('the moves of the kind $kind', ({ job, act }) => {
  test('are written down as planned, put right by hand, kept, and printed', async ({ page, demo }) => {
    await page.goto(`${demo}/jobs/${job}/moves`)
    await page.getByRole('button', { name: 'Moves done: start next round' }).first().click()
    await expect(page.getByRole('heading', { name: 'Readings' }).first()).toBeVisible()
    await page.goto(`${demo}/jobs/${job}/moves`)
    const done = page.getByRole('region', { name: 'Moves made before this round' })
    const field = done.getByLabel(act).first()
    await expect(field).toHaveValue(/^[+−]?\d+\.\d+$/)
    await field.fill('0.375')
    await field.press('Enter')
    await page.goto(`${demo}/jobs/${job}/sign`)
    await page.getByRole('button', { name: 'Show the record' }).click()
    await expect(page.getByText('Moves made, as recorded')).toBeVisible()
    await expect(page.getByText('0.375 mm').first()).toBeVisible()
    await page.goto(`${demo}/jobs/${job}/moves`)
    await expect(
      page.getByRole('region', { name: 'Moves made before this round' }).getByLabel(act).first(),
    ).toHaveValue('+0.375')
  })
})
