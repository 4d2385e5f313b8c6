import type { Side } from '../../../../core/probes/probe'
import { exactSpot } from '../../../../core/rig/beams'
import { exactBoreReading, exactFaceReading, exactRimReading, shaftPair } from '../../../../core/rig/geometry'
import { exactPrismReading } from '../../../../core/rig/prism'
import { expect, type Page, test } from '../../../../testing/screen'

/** Every method of the trade by hand, once: exact geometry is typed, and the moves must come back. */
const truth = { offsetZ: 0.2, slopeZ: 0.0005, offsetY: -0.1, slopeY: 0.0003 }
const pair = shaftPair(truth, 0)
const quarters = [0, 90, 180, 270]
const names = ['top', 'wall', 'bottom', 'aisle']

/** At the motor's feet, 240 and 690 mm from the coupling: 0.32 and 0.545 high, 0.028 toward the aisle, 0.107 toward the wall. */
const shims = [/Take out 0\.320? mm of shim/, /Take out 0\.5[45]\d? mm of shim/]
const pushes = [/Push 0\.0(3|2[789]) mm toward wall/, /Push 0\.1(1|0[678]) mm toward aisle/]

async function openSetUp(page: Page, address: string, method: string) {
  await page.goto(`${address}/jobs/job-7/readings`)
  await expect(page.getByRole('heading', { name: 'Reverse dials' })).toBeVisible()
  const setUp = page.getByRole('button', { name: /^(Set up dials|Done setting up)$/ })
  if ((await setUp.textContent()) === 'Set up dials') await setUp.click()
  await page.getByLabel('Method').selectOption(method)
}

async function hang(page: Page, probe: string, fields: Readonly<Record<string, string>>) {
  const box = page.getByRole('region', { name: `Set-up of the ${probe}`, exact: true })
  for (const [label, text] of Object.entries(fields)) await box.getByLabel(label).fill(text)
}

async function type(page: Page, probe: string, of: (degrees: number) => number) {
  for (const [i, degrees] of quarters.entries())
    await page.getByLabel(`${probe}, ${names[i]}, mm`, { exact: true }).fill(of(degrees).toFixed(3))
}

async function expectMoves(page: Page) {
  await expect(page.getByRole('button', { name: 'Go to Moves' })).toBeVisible()
  await page.getByRole('button', { name: 'Go to Moves' }).click()
  for (const [i, end] of ['front', 'back'].entries()) {
    const card = (plane: string) => page.getByRole('region', { name: `Motor, ${end} feet, ${plane}`, exact: true })
    await expect(card('vertical')).toContainText(shims[i] as RegExp)
    await expect(card('horizontal')).toContainText(pushes[i] as RegExp)
  }
}

const rim = (x: number, sag: number, on: Side = 'right') => {
  const at = (degrees: number) => exactRimReading(pair, { on, x, radius: 80, sag }, degrees)
  return (degrees: number) => at(degrees) - at(0)
}
const face = (lead: number, float: (degrees: number) => number = () => 0) => {
  const at = (degrees: number) =>
    exactFaceReading(pair, { on: 'right', x: 40, radius: 75, side: 'front', sag: -0.02 }, degrees + lead) -
    float(degrees)
  return (degrees: number) => at(degrees) - at(0)
}
const beam = (on: Side, x: number) => ({
  on,
  x,
  from: on === 'right' ? -170 : 170,
  radius: 90,
  cantOut: 0.0003,
  cantSide: -0.0002,
  seatOut: 0.1,
  seatSide: 0.2,
})

test('rim and face, dial by dial', async ({ page, demo }) => {
  await openSetUp(page, demo, 'rim-face')
  await hang(page, 'motor dial', {
    'Distance from there, mm': '60',
    'Rim radius, mm': '80',
    'Bracket sag, bottom of bar, mm': '-0.06',
  })
  await hang(page, 'motor face dial', { 'Dial radius, mm': '75', 'Bracket sag, bottom of bar, mm': '-0.02' })
  await type(page, 'Motor dial', rim(60, -0.06))
  await type(page, 'Motor face dial', face(0))
  await expect(page.getByRole('status').filter({ hasText: 'closes to' })).toHaveCount(2)
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Rim and face' })).toBeVisible()
  await expectMoves(page)
})

test('rim and face in inches and mils', async ({ page, demo }) => {
  await openSetUp(page, demo, 'rim-face')
  await page.getByText('mil', { exact: true }).click()
  await hang(page, 'motor dial', {
    'Distance from there, in': '2.5',
    'Rim radius, in': '3.15',
    'Bracket sag, bottom of bar, mil': '-2',
  })
  await hang(page, 'motor face dial', { 'Dial radius, in': '3', 'Bracket sag, bottom of bar, mil': '-1' })
  const flat = { on: 'right', x: 40, radius: 76.2, side: 'front', sag: -0.0254 } as const
  const mil = (mm: number) => (mm / 0.0254).toFixed(2)
  const top = {
    rim: exactRimReading(pair, { on: 'right', x: 63.5, radius: 80.01, sag: -0.0508 }, 0),
    face: exactFaceReading(pair, flat, 0),
  }
  for (const [i, degrees] of quarters.entries()) {
    const rimMm = exactRimReading(pair, { on: 'right', x: 63.5, radius: 80.01, sag: -0.0508 }, degrees) - top.rim
    await page.getByLabel(`Motor dial, ${names[i]}, mil`, { exact: true }).fill(mil(rimMm))
    await page
      .getByLabel(`Motor face dial, ${names[i]}, mil`, { exact: true })
      .fill(mil(exactFaceReading(pair, flat, degrees) - top.face))
  }
  await page.getByRole('button', { name: 'Go to Moves' }).click()
  // 0.32 and 0.545 mm
  const card = (end: string) => page.getByRole('region', { name: `Motor, ${end} feet, vertical`, exact: true })
  await expect(card('front')).toContainText(/Take out 12\.[56]\d* mil of shim/)
  await expect(card('back')).toContainText(/Take out 21\.[45]\d* mil of shim/)
})

test('a rim with two faces, and the float told', async ({ page, demo }) => {
  await openSetUp(page, demo, 'rim-two-faces')
  const float = (degrees: number) => 0.2 * Math.sin(degrees)
  await hang(page, 'motor dial', {
    'Distance from there, mm': '60',
    'Rim radius, mm': '80',
    'Bracket sag, bottom of bar, mm': '-0.06',
  })
  for (const [i, lead] of [0, 180].entries()) {
    await hang(page, `motor face dial ${i + 1}`, {
      'Dial radius, mm': '75',
      'Bracket sag, bottom of bar, mm': '-0.02',
    })
    await type(page, `Motor face dial ${i + 1}`, face(lead, float))
  }
  await type(page, 'Motor dial', rim(60, -0.06))
  await expect(page.getByText(/The shaft floated axially by 0\.\d+ mm/)).toBeVisible()
  await expectMoves(page)
})

test('twin heads that see each other', async ({ page, demo }) => {
  await openSetUp(page, demo, 'twin-heads')
  for (const [name, on, x] of [
    ['Motor head', 'right', 170],
    ['Pump head', 'left', -170],
  ] as const) {
    await hang(page, name.toLowerCase(), { 'Distance from there, mm': String(Math.abs(x)) })
    await type(page, name, (degrees) => exactSpot(pair, beam(on, x), degrees).radial)
  }
  await expectMoves(page)
})

test('twin heads that both count the other way say so, and give the same moves', async ({ page, demo }) => {
  await openSetUp(page, demo, 'twin-heads')
  for (const [name, on, x] of [
    ['Motor head', 'right', 170],
    ['Pump head', 'left', -170],
  ] as const) {
    await hang(page, name.toLowerCase(), { 'Distance from there, mm': String(Math.abs(x)) })
    const box = page.getByRole('region', { name: `Set-up of the ${name.toLowerCase()}` })
    await expect(box.getByText('Plus: the spot is farther out from the shaft.')).toBeVisible()
    await box.getByLabel('Opposite sign').check()
    await expect(box.getByText(/^Minus: the spot is farther out from the shaft\. Reversed for you\.$/)).toBeVisible()
    await type(page, name, (degrees) => -exactSpot(pair, beam(on, x), degrees).radial)
  }
  await expectMoves(page)
})

test('one beam on a detector with two planes', async ({ page, demo }) => {
  await openSetUp(page, demo, 'two-plane-head')
  await hang(page, 'motor two-plane head', { 'Distance of plane 1, mm': '160', 'Plane 2 beyond plane 1, mm': '150' })
  for (const [plane, x] of [
    ['plane 1', 160],
    ['plane 2', 310],
  ] as const) {
    const spot = (degrees: number) => exactSpot(pair, beam('right', x), degrees)
    await type(page, `Motor two-plane head, ${plane} outward`, (degrees) => spot(degrees).radial)
    await type(page, `Motor two-plane head, ${plane} sideways`, (degrees) => spot(degrees).tangential)
  }
  await expectMoves(page)
})

test('one beam folded by a prism: both of its numbers are doubled', async ({ page, demo }) => {
  await openSetUp(page, demo, 'prism-head')
  await hang(page, 'motor head with a prism', {
    'Distance of the head from there, mm': '160',
    'Prism’s edge from the head, mm': '300',
  })
  const spot = (degrees: number) => exactPrismReading(pair, { on: 'right', head: 160, edge: -140 }, degrees)
  await type(page, 'Motor head with a prism, outward', (degrees) => spot(degrees).r - spot(0).r)
  await type(page, 'Motor head with a prism, sideways', (degrees) => spot(degrees).t - spot(0).t)
  await expectMoves(page)
})

test('dials in a bore', async ({ page, demo }) => {
  await openSetUp(page, demo, 'bore-dials')
  for (const [i, x] of [90, 250].entries()) {
    await hang(page, `motor bore dial ${i + 1}`, {
      'Distance from there, mm': String(x),
      'Bracket sag, bottom of bore minus top, mm': '0.03',
    })
    const at = (degrees: number) => exactBoreReading(pair, { on: 'right', x, radius: 120, sag: 0.03 }, degrees)
    await type(page, `Motor bore dial ${i + 1}`, (degrees) => at(degrees) - at(0))
  }
  await expectMoves(page)
})

test('part of a turn: what it costs is said before it is taken, and told by the clock', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-6/readings`)
  await page.getByRole('button', { name: 'Set up dials' }).click()
  await page.getByLabel('How far the shafts can turn').selectOption('part')
  await expect(
    page.getByText(/Least certain foot: ± 0\.\d+ mm\. A full turn by quarters gives ± 0\.\d+ mm/),
  ).toBeVisible()
  await page.getByLabel('Over, degrees').fill('400')
  await expect(page.getByText('Enter an arc of 5 to 350 degrees.')).toBeVisible()
  await page.getByLabel('Over, degrees').fill('60')
  await page.getByRole('button', { name: 'Use these angles' }).click()
  await page.getByText('Change', { exact: true }).click()
  await page.getByRole('radio', { name: 'clock from the right end' }).click()
  await expect(page.getByLabel('Motor dial, 1 o’clock, mm')).toBeVisible()
  await expect(page.getByLabel('Motor dial, 2 o’clock, mm')).toBeVisible()
  await page.getByRole('radio', { name: 'clock from the left end' }).click()
  await expect(page.getByLabel('Motor dial, 11 o’clock, mm')).toBeVisible()
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('Motor dial, bottom, mm')).toHaveValue('−0.42')
})

test('a slip is tried on before anything changes, applied, and taken back', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-6/readings`)
  const bottom = page.getByLabel('Pump dial, bottom, mm')
  await page.getByRole('button', { name: 'Try this correction' }).click()
  await expect(page.getByText(/Pump dial, as if the bottom were \+0\.11/)).toBeVisible()
  await expect(bottom).toHaveValue('−0.11')
  await page.getByRole('button', { name: 'Keep as typed' }).click()
  await page.getByRole('button', { name: 'Try this correction' }).click()
  await page.getByRole('button', { name: 'Apply' }).click()
  await expect(bottom).toHaveValue('+0.11')
  await expect(page.getByRole('status').filter({ hasText: 'closes to' })).toHaveCount(2)
  await page.keyboard.press('Control+z')
  await expect(bottom).toHaveValue('−0.11')
})

test('two sets that disagree: a sag with sign reversed is named and mended', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-17/readings`)
  await expect(page.getByText('Coupling: the readings contradict each other.')).toBeVisible()
  await page.getByRole('button', { name: 'Try this correction' }).click()
  await expect(page.getByText(/Motor dial of set 2, as if the sag were −0\.28/)).toBeVisible()
  await page.getByRole('button', { name: 'Apply' }).click()
  await expect(page.getByText('contradict each other')).toHaveCount(0)
  await expect(page.getByText('do not tell the same')).toHaveCount(0)
})

test('bracket’s shaft only shaft turned: the run-out is asked for', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-12/readings`)
  await page.getByRole('button', { name: 'Set up dials' }).click()
  await page.getByText('Change', { exact: true }).click()
  await page.getByRole('radio', { name: 'bracket’s shaft only' }).click()
  await expect(page.getByText(/run-out of the hub under the motor dial is in the readings/)).toBeVisible()
  const box = page.getByRole('region', { name: 'Set-up of the motor dial' })
  await box.getByLabel('Hub run-out, TIR, mm').fill('0.04')
  await box.getByLabel('High spot at, degrees').fill('90')
  await expect(page.getByText('Run-out of 0.04 mm is subtracted from the motor dial.')).toBeVisible()
})

test('a quarter that was not read is worked out, shown as computed, and asked for all the same', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-12/readings`)
  const bottom = page.getByLabel('Motor dial, bottom, mm')
  const was = await bottom.inputValue()
  await bottom.fill('')
  await expect(bottom).toHaveAttribute('placeholder', was)
  await expect(page.getByText('computed', { exact: true })).toBeVisible()
  await expect(page.getByText('Next: bottom on the motor dial.')).toBeVisible()
})

test('the coupling engaged: moves are not trusted until a person says so', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-12/readings`)
  await page.getByRole('button', { name: 'Set up dials' }).click()
  await page.getByText('Change', { exact: true }).click()
  await page.getByRole('radio', { name: 'Coupling connected' }).click()
  await expect(page.getByText(/^Saved \d/)).toBeVisible()
  await page.goto(`${demo}/jobs/job-12/moves`)
  const card = page.getByRole('region', { name: 'Motor, front feet, vertical', exact: true })
  await expect(page.getByText(/Not enough readings yet, so no moves/)).toBeVisible()
  await expect(card).toHaveCount(0)
  await page.getByRole('button', { name: 'Plan from these readings anyway' }).click()
  await expect(card).toContainText('Take out')
  await expect(card).not.toContainText('Not sure')
  const said = page.getByRole('article').filter({ hasText: 'was only read with the coupling connected' })
  await said.getByRole('button', { name: 'Details' }).click()
  await expect(said).toContainText('Moves are planned from it anyway')
})

test('dials are refused for a machine that runs, with the reason; the running check opens heads', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-6/readings`)
  await page.getByRole('button', { name: 'Set up dials' }).click()
  await page.getByText('Change', { exact: true }).click()
  await page.getByRole('radio', { name: 'Running check', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Never use dials on a running machine' })).toBeVisible()
  await expect(page.getByRole('radio', { name: 'Running check', exact: true })).not.toBeChecked()
})
