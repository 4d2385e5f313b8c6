import { describe } from 'vitest'
import { expect, test } from '../../testing/screen'

/** Every key that does something by itself on some screen, and screens on which it would. */
const keys = ['n', '/', '?', 'c', '1', '2', '3', '4', '5', '6']
const screens = ['/', '/jobs/job-6/readings', '/jobs/job-12/moves', '/jobs/job-43/readings', '/lines/line-1', '/kit']

describe.each(screens)('no shortcut of %s fires', (screen) => {
  test('while the search has the keyboard, from the first letter on', async ({ page, demo }) => {
    await page.goto(`${demo}${screen}`)
    await expect(page.locator('#bench')).toBeVisible()
    const search = page.getByRole('dialog', { name: 'Search everything' }).getByRole('textbox')
    const dialogs = page.getByRole('dialog')
    for (const key of keys) {
      const at = page.url()
      await page.keyboard.press('Control+k')
      // at once: the dialog may still be on its way
      await page.keyboard.type(`${key}orth`)
      await expect(search).toHaveValue(`${key}orth`)
      await expect(dialogs).toHaveCount(1)
      expect(page.url()).toBe(at)
      await page.keyboard.press('Escape')
      await page.keyboard.press('Escape')
      await expect(dialogs).toHaveCount(0)
    }
  })
})

test('undo in the search takes back nothing of the job behind it', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-5/dimensions`)
  await page.getByLabel('Title').fill('Seal replaced again')
  await expect(page.getByText(/^Saved \d/)).toBeVisible()
  await page.keyboard.press('Control+k')
  await page.getByRole('dialog').waitFor()
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Escape')
  await expect(page.getByLabel('Title')).toHaveValue('Seal replaced again')
})
