import { describe } from 'vitest'
import { expect, test } from '../../testing/screen'

/** Made-up jobs of every kind in the demo. */
const jobs = { train: 2, belt: 43, upright: 44, bore: 45, rolls: 46 }

describe.each(Object.entries(jobs))('a %s', (_, job) => {
  test.for(['readings', 'moves', 'verify', 'sign'])(
    'is named, never numbered as it is stored, at %s',
    async (step, { page, demo }) => {
      await page.goto(`${demo}/jobs/job-${job}/${step}`)
      await expect(page.getByRole('heading').first()).toBeVisible()
      await expect(page.getByText(/\b[rpms]\d{1,2}\b/)).toHaveCount(0)
    },
  )
})
