import AxeBuilder from '@axe-core/playwright'
import { expect, test } from './site'

/** Every screen, in a state with much on it. */
const screens: Readonly<Record<string, string>> = {
  floor: '/',
  'new job': '/new',
  line: '/lines/line-2',
  kit: '/kit?item=kit-6',
  ready: '/jobs/job-9/ready',
  seat: '/jobs/job-11/seat',
  read: '/jobs/job-6/read',
  'a sweep': '/jobs/job-15/read',
  'three probes': '/jobs/job-13/read',
  move: '/jobs/job-4/move',
  'move, base-bound': '/jobs/job-18/move',
  'move, came out otherwise': '/jobs/job-21/move',
  'a job’s line': '/jobs/job-3/line',
}

for (const scheme of ['light', 'dark'] as const)
  test(`axe finds nothing serious on any screen, ${scheme}`, async ({ page, plant }) => {
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' })
    const found: string[] = []
    for (const [name, path] of Object.entries(screens)) {
      await page.goto(`${plant}${path}`)
      await page.locator('#bench').waitFor()
      const axe = new AxeBuilder({ page })
      // only the colours differ in the dark
      const { violations } = await (scheme === 'dark' ? axe.withRules('color-contrast') : axe).analyze()
      for (const { id, impact, nodes } of violations)
        if (impact === 'serious' || impact === 'critical') found.push(`${name}: ${id}: ${nodes[0]?.html}`)
    }
    expect(found).toEqual([])
  })
