import AxeBuilder from '@axe-core/playwright'
import { lessonPaths } from './lessonPaths'
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
  'an upright pair, moved': '/jobs/job-22/move',
  'a belt drive, read': '/jobs/job-43/read',
  'a belt drive, moved': '/jobs/job-43/move',
  'a row of bores, read': '/jobs/job-45/read',
  'a row of bores, moved': '/jobs/job-45/move',
  'a section of rolls, read': '/jobs/job-46/read',
  'a section of rolls, moved': '/jobs/job-46/move',
  prove: '/jobs/job-4/prove',
  sign: '/jobs/job-5/sign',
  signed: '/jobs/job-3/sign',
  logbook: '/lines/line-1/logbook',
  site: '/site',
  people: '/people',
  practice: '/practice',
  ...Object.fromEntries(lessonPaths.map((path) => [path, path])),
  lines: '/lines',
  'a table of limits': '/kit?item=kit-14',
}

for (const part of [0, 1, 2])
  test(`axe finds nothing serious on any screen, in light and in the dark: ${part + 1} of 3`, async ({
    page,
    plant,
  }) => {
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    const found: string[] = []
    for (const [name, path] of Object.entries(screens).filter((_, i) => i % 3 === part)) {
      await page.goto(`${plant}${path}`)
      await page.locator('#bench').waitFor()
      // in the page itself: there are no frames to gather from
      const axe = () =>
        new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'], preload: false })
      const light = await axe().analyze()
      // only the colours differ in the dark
      await page.emulateMedia({ colorScheme: 'dark' })
      const dark = await axe().withRules('color-contrast').analyze()
      await page.emulateMedia({ colorScheme: 'light' })
      for (const { id, impact, nodes } of [...light.violations, ...dark.violations])
        if (impact === 'serious' || impact === 'critical') found.push(`${name}: ${id}: ${nodes[0]?.html}`)
    }
    expect(found).toEqual([])
  })
