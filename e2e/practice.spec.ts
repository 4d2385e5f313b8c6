import { readFileSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'
import { beginBelting } from '../src/core/practice/belts'
import { makeDialRig, swing } from '../src/core/practice/dialRig'
import { faceWanted, makeDrive, motor } from '../src/core/practice/drive'
import { begin } from '../src/core/practice/lesson'
import { beginPlotting, lineAt, makePlot, square } from '../src/core/practice/plot'
import { beginSeating } from '../src/core/practice/seating'
import { makeFrame } from '../src/core/practice/softFootRig'
import { test } from './site'

/** What the dial shows, as somebody who listens to it hears it: whole turns by the small hand, hundredths by the needle. */
async function heard(page: Page): Promise<{ line: number; turns: number }> {
  const text = (await page.getByRole('status').filter({ hasText: 'Needle on line' }).textContent()) ?? ''
  const [, line = '0', on, low = '0'] = /line (\d+) of 100.*(?:on (\d+)\.|between (\d+) and)/.exec(text) ?? []
  // on its figure: the needle tells which side of it
  const turns = on === undefined ? Number(low) : Number(on) - (Number(line) > 50 ? 1 : 0)
  return { line: Number(line), turns }
}

test('lesson 1 by mouse: the dial is carried round by its hub on the drawing', async ({ page, empty }) => {
  const bench = makeDialRig(350, 'coupling')
  await page.addInitScript(
    (attempt) => localStorage.setItem('vane-peg-practice:read-a-dial', JSON.stringify(attempt)),
    begin('read-a-dial', 350),
  )
  await page.goto(`${empty}/practice/read-a-dial`)
  await page.getByRole('button', { name: 'Lock out and try' }).click()
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: '1 mm in' }).click()
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: '0.2 mm in' }).click()
  await page.getByRole('button', { name: 'Turn the bezel: zero here' }).click()
  const hub = page.locator('svg', { hasText: 'bottom' }).last()
  const box = await hub.boundingBox()
  if (!box) throw new Error('no hub is drawn')
  const [x, y, r] = [box.x + box.width / 2, box.y + box.height / 2, box.width * 0.34]
  await page.mouse.move(x, y - r)
  await page.mouse.down()
  for (const degrees of [30, 60, 90, 120, 150, 180]) {
    const angle = (degrees * Math.PI) / 180
    await page.mouse.move(x + r * Math.sin(angle), y - r * Math.cos(angle))
  }
  await page.mouse.up()
  await expect(page.getByRole('slider', { name: 'Shaft angle' })).toHaveValue('180')
  const { line, turns } = await heard(page)
  expect(turns - 5 + line / 100).toBeCloseTo(swing(bench, 180), 1)
  for (const [place, at] of [
    ['Far', 90],
    ['Bottom', 180],
    ['Near', 270],
  ] as const)
    await page.getByLabel(`${place} reading, mm`).fill(swing(bench, at).toFixed(2))
  await page.getByRole('button', { name: 'Check my answers' }).click()
  await expect(page.getByText('Passed.')).toBeVisible()
})

test.describe('on glass, lesson 1', () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 844 } })
  test('lesson 1 by touch on a phone, the whole of it', async ({ page, empty }) => {
    await page.goto(`${empty}/practice/read-a-dial`)
    const tap = (name: string) => page.getByRole('button', { name, exact: true }).tap()
    await tap('Lock out and try')
    for (let i = 0; i < 4; i++) await tap('1 mm in')
    for (let i = 0; i < 3; i++) await tap('0.2 mm in')
    await tap('Turn the bezel: zero here')
    for (const place of ['Far', 'Bottom', 'Near']) {
      await tap(place)
      await expect(page.getByRole('button', { name: place, exact: true })).toHaveAttribute('aria-pressed', 'true')
      const { line, turns } = await heard(page)
      await page.getByLabel(`${place} reading, mm`).fill((turns - 5 + line / 100).toFixed(2))
    }
    await tap('Check my answers')
    await expect(page.getByText('Passed.')).toBeVisible()
  })
})

test('a lesson of one’s own: a fault named by its place, brought in, done, kept over a reload, removed', async ({
  page,
  empty,
}) => {
  const example = JSON.parse(readFileSync('docs/lesson.example.json', 'utf8'))
  const file = (document: unknown) => ({
    name: 'lesson.json',
    mimeType: 'application/json',
    buffer: Buffer.from(typeof document === 'string' ? document : JSON.stringify(document)),
  })
  await page.goto(`${empty}/practice`)
  const own = page.getByRole('region', { name: 'Your own lessons' })
  const pick = async (document: unknown) => {
    const chosen = page.waitForEvent('filechooser')
    await own.getByRole('button', { name: 'Import a lesson' }).click()
    await (await chosen).setFiles(file(document))
  }
  const [first, second] = example.asks
  await pick({ ...example, asks: [first, { ...second, at: 400 }] })
  await expect(own.getByRole('alert')).toHaveText('Not imported. At asks.1.at: at most 359.')
  await pick('{ not JSON')
  await expect(own.getByRole('alert')).toContainText('Not imported:')
  await pick(example)
  await expect(own.getByRole('status')).toHaveText('“The long bracket of pump 4” imported.')
  await page.reload()
  await own.getByRole('link', { name: /The long bracket/ }).click()
  await expect(page.getByText('Practice only')).toBeVisible()
  await page.getByRole('button', { name: 'Lock out and try' }).click()
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: '1 mm in' }).click()
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: '0.2 mm in' }).click()
  await page.getByRole('button', { name: 'Turn the bezel: zero here' }).click()
  const shows = async (place: string) => {
    await page.getByRole('button', { name: place, exact: true }).click()
    const { line, turns } = await heard(page)
    return turns - 5 + line / 100
  }
  const sag = -0.3
  const [bottom, far] = [await shows('Bottom'), await shows('Far')]
  await page.getByLabel('Bottom shows, mm').fill(bottom.toFixed(2))
  await page.getByLabel('Bottom, sag taken off, mm').fill((bottom + sag).toFixed(2))
  await page.getByLabel('Far, sag taken off, mm').fill((far - sag / 2).toFixed(2))
  await page.getByRole('button', { name: 'Check my answers' }).click()
  await expect(page.getByText('You added the sag instead of subtracting it.')).toBeVisible()
  await page.getByLabel('Bottom, sag taken off, mm').fill((bottom - sag).toFixed(2))
  await page.reload()
  await page.getByRole('button', { name: 'Check my answers' }).click()
  await expect(page.getByText('Passed.')).toBeVisible()
  await page.getByRole('link', { name: 'All lessons' }).click()
  await own.getByRole('button', { name: 'Remove The long bracket of pump 4' }).click()
  await expect(own.getByRole('link')).toHaveCount(0)
})

/** The frame behind the page, and what a person sees of it with dial and blades. */
const frameOn = async (page: Page, seed: number) => {
  await page.addInitScript(
    (kept) =>
      localStorage.getItem('vane-peg-practice:soft-foot') ?? localStorage.setItem('vane-peg-practice:soft-foot', kept),
    JSON.stringify(beginSeating(seed)),
  )
}
const seedWith = (fault: string) =>
  Array.from({ length: 99 }, (_, i) => i + 1).find((s) => makeFrame(s).fault === fault) ?? 0

test.describe('touched', () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 844 } })
  test('lesson 5 by touch on a phone: the foot is picked on the drawing, a pull is never shimmed away', async ({
    page,
    empty,
  }) => {
    const seed = seedWith('strain')
    const { foot } = makeFrame(seed)
    await frameOn(page, seed)
    await page.goto(`${empty}/practice/soft-foot`)
    await page.getByRole('button', { name: 'Lock out and try' }).tap()
    await page.locator('g.foot', { hasText: foot.replace('-', ' ') }).tap()
    await page.getByRole('button', { name: 'Loosen its bolt' }).tap()
    await page.getByLabel('Shim thickness, mm').fill('0.1')
    await page.getByRole('button', { name: 'Insert full shim' }).tap()
    await page.getByRole('button', { name: 'Tighten its bolt' }).tap()
    await page.getByLabel('Fault').selectOption('Pipe strain at one end')
    await page.getByRole('button', { name: 'Check my answer' }).tap()
    await expect(page.getByText('You shimmed a foot that pipe strain is lifting.')).toBeVisible()
    await page.getByRole('button', { name: 'Loosen its bolt' }).tap()
    await page.getByLabel('Shim thickness, mm').fill('0')
    await page.getByRole('button', { name: 'Insert full shim' }).tap()
    await page.getByRole('button', { name: 'Tighten its bolt' }).tap()
    await page.getByRole('button', { name: 'Disconnect the pipe' }).tap()
    await page.getByRole('button', { name: 'Check my answer' }).tap()
    await expect(page.getByText('Passed.')).toBeVisible()
  })
})

/** The drive of the belts behind the page. */
const driveOn = async (page: Page, seed: number) => {
  await page.addInitScript(
    (kept) => localStorage.getItem('vane-peg-practice:belts') ?? localStorage.setItem('vane-peg-practice:belts', kept),
    JSON.stringify(beginBelting(seed)),
  )
}

/** What the straightedge tells at an edge, mm proud. */
async function proud(page: Page, choose: (name: string) => Promise<void>, edge: string): Promise<number> {
  await choose(edge)
  const said = await page
    .getByRole('status')
    .filter({ hasText: /motor face is|both faces are/ })
    .textContent()
  const [, mm = '0', which] = /is ([\d.]+) mm (proud|behind)/.exec(said ?? '') ?? []
  return (which === 'behind' ? -1 : 1) * Number(mm)
}

/** One of the three moves: typed, and done. */
async function moveBelts(
  page: Page,
  field: string,
  mm: number,
  press: (name: string, group?: string) => Promise<void>,
) {
  await page.getByRole('textbox', { name: field }).fill(mm.toFixed(2))
  await press('Apply', field)
  await expect(page.getByRole('textbox', { name: field })).toHaveValue('')
}

/** Tilt, toe, offset, from what the straightedge tells and the rule of the hints. `rims`: what the faces are to stand proud by. */
async function alignBelts(
  page: Page,
  rims: number,
  press: (name: string, group?: string) => Promise<void>,
  choose: (name: string) => Promise<void>,
) {
  const slope = async (a: string, b: string) =>
    ((await proud(page, choose, a)) - (await proud(page, choose, b))) / (2 * motor.radius)
  const [up, toe] = [await slope('Top', 'Bottom'), await slope('Edge toward the fan', 'Edge away from it')]
  await moveBelts(page, 'Shims under the back feet, mm', -up * motor.feet, press)
  await moveBelts(page, 'Swing the back feet toward the fan, mm', -toe * motor.feet, press)
  const middle = ((await proud(page, choose, 'Top')) + (await proud(page, choose, 'Bottom'))) / 2
  await moveBelts(page, 'Slide the motor out (proud of the fan), mm', rims - middle, press)
}

test('lesson 13 by keyboard: touched before the lock it is lost, and done on the same drive', async ({
  page,
  empty,
}) => {
  await driveOn(page, 23)
  await page.goto(`${empty}/practice/belts`)
  const press = async (name: string, group?: string) => {
    const within = group ? page.getByRole('group', { name: group, exact: true }) : page
    await within.getByRole('button', { name, exact: true }).press('Enter')
  }
  const choose = async (name: string) => page.getByRole('radio', { name, exact: true }).press('Space')
  await press('Loosen the motor’s bolts')
  await expect(page.getByText('Failed: you touched the machine before locking out and trying it.')).toBeVisible()
  await press('Start over, same machine')
  await press('Lock out and try')
  await press('Loosen the motor’s bolts')
  await alignBelts(page, faceWanted(makeDrive(23)), press, choose)
  await choose('Tension with both screws evenly')
  await press('Tighten the motor’s bolts')
  await press('Check my alignment')
  await expect(page.getByText('Passed.')).toBeVisible()
})

/** The sheet of the graph behind the page, and where a hand puts its dots. */
const sheetOn = async (page: Page, seed: number) => {
  await page.addInitScript(
    (kept) => localStorage.getItem('vane-peg-practice:graph') ?? localStorage.setItem('vane-peg-practice:graph', kept),
    JSON.stringify(beginPlotting(seed)),
  )
  const plot = makePlot(seed)
  const dots = {
    left: (plot.bottom.left - plot.sag.left) / 2,
    right: -(plot.bottom.right - plot.sag.right) / 2,
  }
  const feet = (foot: 'front' | 'back') => lineAt(plot, dots, plot.at[foot]).toFixed(2)
  return { plot, dots, feet }
}

test('lesson 7 by mouse: two dots on squared paper, one on the wrong side first; the feet read off; a blank sheet printed', async ({
  page,
  empty,
}) => {
  const { plot, dots } = await sheetOn(page, 14)
  await page.goto(`${empty}/practice/graph`)
  const paper = page.locator('section[aria-label^="Graph paper"] svg')
  const put = async (x: number, mm: number) => {
    await paper.scrollIntoViewIfNeeded()
    const box = await paper.boundingBox()
    if (!box) throw new Error('There is no paper.')
    const from = plot.at.left - 4 * square.along
    const px = box.width / ((plot.at.back + 4 * square.along - from) / square.along)
    await page.mouse.click(box.x + ((x - from) / square.along) * px, box.y + box.height / 2 - (mm / square.up) * px)
  }
  await put(plot.at.left, dots.left)
  await put(plot.at.right, -dots.right)
  await page.getByLabel('Front feet, mm (+ high, − low)').fill('0')
  await page.getByRole('button', { name: 'Check my graph' }).click()
  await expect(page.getByText('A point is on the wrong side of the line.')).toBeVisible()
  await expect(page.getByText('You have not read the feet.')).toBeVisible()
  await put(plot.at.right, dots.right)
  await page.reload()
  // a finger puts a dot to the line of a dial; what is read off is the line that was drawn
  const drawn = {
    left: Number(await page.getByRole('slider', { name: 'Point at the dial on the fixed hub' }).inputValue()),
    right: Number(await page.getByRole('slider', { name: 'Point at the dial on the movable hub' }).inputValue()),
  }
  expect(Math.abs(drawn.left - dots.left)).toBeLessThan(0.0151)
  for (const foot of ['front', 'back'] as const)
    await page
      .getByLabel(`${foot === 'front' ? 'Front' : 'Back'} feet, mm (+ high, − low)`)
      .fill(lineAt(plot, drawn, plot.at[foot]).toFixed(2))
  await page.getByRole('button', { name: 'Check my graph' }).click()
  await expect(page.getByText('Passed.')).toBeVisible()
  await expect(page.getByText(/your line gives/)).toHaveCount(2)

  await page.evaluate(() => {
    window.print = () => document.body.setAttribute('data-printed', '')
  })
  await page.getByRole('button', { name: 'Print a blank sheet' }).click()
  await expect(page.locator('body[data-printed]')).toHaveCount(1)
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('region', { name: 'Graph paper', exact: true })).toBeVisible()
  await expect(page.locator('#blank-sheet').getByText('One square: 10 mm along, 0.02 mm up.')).toBeVisible()
  await expect(page.locator('#blank-sheet').getByText('Practice only')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Reverse dials to a graph' })).toBeHidden()
  await page.emulateMedia({ media: 'screen' })
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')))
  await expect(page.locator('#blank-sheet')).toHaveCount(0)
})
