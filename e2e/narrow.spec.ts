import { lessonPaths } from './lessonPaths'
import { visit } from './screens'
import { expect, test } from './site'

/** What the page is too wide by, and what cannot be hit with a gloved finger. */
const measured = () => {
  const wide = document.documentElement.scrollWidth - window.innerWidth
  const small = [...document.querySelectorAll('button, input, select, textarea, a, summary')].flatMap((element) => {
    const { width, height } = element.getBoundingClientRect()
    if (!element.checkVisibility() || width === 0) return []
    // there for those who hear the page alone
    const around = element.parentElement?.getBoundingClientRect()
    if (around && around.width <= 1 && around.height <= 1) return []
    // a reading's cell is its whole box; a small box counts with its label
    const target = element.closest('label, [data-target]') ?? element.parentElement
    const { height: whole } = (element.matches('input') ? (target ?? element) : element).getBoundingClientRect()
    const skip = element.closest('svg') || getComputedStyle(element).position === 'absolute'
    return whole < 43.5 && height < 43.5 && !skip
      ? [`${element.tagName} ${element.getAttribute('aria-label') ?? element.textContent}: ${Math.round(whole)}`]
      : []
  })
  return { wide, small }
}

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

const long = 'Northern evaporator circulation and brine pump'

test('nothing scrolls sideways and everything can be touched, on every step, with names of 45 characters', async ({
  page,
  demo,
}) => {
  const found = await (await page.request.get(`${demo}/api/jobs/job-18`)).json()
  const { document } = found
  const [first, second] = document.line.machines
  document.line.name = long.slice(0, 45)
  document.line.machines = [
    { ...first, name: long.slice(0, 45) },
    { ...second, name: `Motor of the ${long}`.slice(0, 45) },
  ]
  document.line.couplings[0].name = 'Coupling between the pump and its second motor'.slice(0, 45)
  const put = await page.request.put(`${demo}/api/jobs/job-18`, { data: { version: found.version, document } })
  expect(put.ok()).toBe(true)
  const paths = ['pre-checks', 'soft-foot', 'readings', 'moves', 'verify', 'sign', 'dimensions'].map(
    (step) => `/jobs/job-18/${step}`,
  )
  const more = [
    '/jobs/job-19/moves',
    '/jobs/job-22/readings',
    '/jobs/job-22/moves',
    '/jobs/job-22/verify',
    '/jobs/job-43/readings',
    '/jobs/job-43/moves',
    '/jobs/job-43/dimensions',
    '/jobs/job-45/readings',
    '/jobs/job-45/moves',
    '/jobs/job-45/dimensions',
    '/jobs/job-46/readings',
    '/jobs/job-46/moves',
    '/jobs/job-46/dimensions',
    '/jobs/job-3/sign',
    '/lines/line-1/logbook',
    '/kit?item=kit-14',
    '/people',
    '/jobs/job-11/soft-foot',
    '/jobs/job-16/readings',
    '/',
    '/new',
    '/lines',
    '/site',
    '/kit',
    '/kit?item=kit-6',
    '/practice',
    ...lessonPaths,
  ]
  await page.goto(`${demo}/no-such-screen`)
  for (const path of [...paths, ...more]) {
    await visit(page, path)
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible()
    expect.soft({ path, ...(await page.evaluate(measured)) }).toEqual({ path, wide: 0, small: [] })
  }
})
