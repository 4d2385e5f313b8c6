import type { Page } from '@playwright/test'
import { makeStandIn, type StandInKind } from '../src/core/rig/standIn'
import { seedOf } from '../src/web/device/connection'
import { expect, test } from './site'

const methodOf: Readonly<Record<StandInKind, string>> = {
  dials: 'reverse-dial',
  heads: 'twin-heads',
  'two-plane': 'two-plane-head',
}

/** The due job on Rinse pump 3, read by the method a stand-in serves, with the stand-in on the line. */
async function connect(page: Page, address: string, kind: StandInKind) {
  await page.goto(`${address}/jobs/job-7/readings`)
  await expect(page.getByRole('heading', { name: 'Reverse dials' })).toBeVisible()
  if (kind !== 'dials') {
    await page.getByLabel('Method').selectOption(methodOf[kind])
    await page.getByRole('button', { name: 'Done setting up' }).click()
  }
  await page.getByRole('button', { name: 'Live', exact: true }).click()
  await page.getByRole('button', { name: 'Connect' }).click()
  await expect(page.getByRole('status', { name: 'Connection' })).toContainText('Connected')
  await expect(page.getByRole('button', { name: 'Capture here (c)' })).toBeEnabled()
}

const turn = (page: Page, to: number) => page.getByLabel('Turn the shafts, degrees').fill(String(to))

for (const kind of ['dials', 'heads', 'two-plane'] as const)
  test(`a sweep from the stand-in ${kind} finds the hidden truth of its rig`, async ({ page, demo }) => {
    await connect(page, demo, kind)
    await page.getByRole('button', { name: 'Sweep', exact: true }).click()
    await expect(page.getByRole('button', { name: 'Stop sweep' })).toBeVisible()
    await turn(page, 370)
    await expect(page.getByRole('status', { name: 'Captured readings' })).toContainText(/3[45]\d° of the turn/, {
      timeout: 40_000,
    })
    await page.getByRole('button', { name: 'Stop sweep' }).click()
    await expect(page.getByRole('status', { name: 'Captured readings' })).toContainText('Swept')
    await page.reload()
    await expect(page.getByText(/points over/).first()).toBeVisible()
    await page.goto(`${demo}/jobs/job-7/moves`)
    const { truth } = makeStandIn(kind, seedOf('job-7r1-c1'))
    for (const [end, x] of [
      ['front', 240],
      ['back', 690],
    ] as const) {
      const card = page.getByRole('region', { name: `Motor, ${end} feet, vertical`, exact: true })
      const text = await card.textContent()
      const said = /(Add|Take out) (\d+\.\d+) mm/.exec(text ?? '')
      const move = said ? (said[1] === 'Add' ? 1 : -1) * Number(said[2]) : 0
      expect(Math.abs(move + truth.offsetZ + truth.slopeZ * x)).toBeLessThan(0.03)
    }
  })

test('captured by key and by standing still; the line is lost in the middle and nothing with it', async ({
  page,
  demo,
}) => {
  await connect(page, demo, 'dials')
  await page.keyboard.press('c')
  await expect(page.getByRole('status', { name: 'Captured readings' })).toContainText('Captured at')
  await expect(page.getByLabel('Motor dial, top, mm', { exact: true })).not.toHaveValue('')

  await page.getByRole('button', { name: 'Capture when steady' }).click()
  await page.getByRole('button', { name: 'to wall' }).click()
  await expect(page.getByLabel('Motor dial, wall, mm', { exact: true })).not.toHaveValue('', { timeout: 20_000 })
  const wall = await page.getByLabel('Motor dial, wall, mm', { exact: true }).inputValue()

  await page.getByRole('button', { name: 'Auto capture' }).click()
  await page.getByRole('button', { name: 'Sweep', exact: true }).click()
  await turn(page, 150)
  await expect(page.getByRole('status', { name: 'Captured readings' })).toContainText(/[1-9]\d points/)
  await page.getByLabel('Faults on the simulated rig').selectOption('disconnect')
  await expect(page.getByRole('status', { name: 'Connection' })).toContainText('Connection lost')
  await expect(page.getByRole('status', { name: 'Connection' })).toContainText('Connected')
  await turn(page, 300)
  await expect(page.getByRole('status', { name: 'Captured readings' })).toContainText(/(2\d\d|30\d)° of the turn/, {
    timeout: 30_000,
  })
  await page.getByRole('button', { name: 'Stop sweep' }).click()
  await expect(page.getByText(/Saved \d/)).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Motor dial, wall, mm', { exact: true })).toHaveValue(wall)
  await expect(page.getByText(/points over/)).toHaveCount(2)
})

test('after a lost line what comes is of now at once, and nothing counts as lost that was not', async ({
  page,
  demo,
}) => {
  await connect(page, demo, 'dials')
  await expect(page.getByText(/messages? lost/)).toBeHidden()
  await turn(page, 370)
  const motor = page
    .getByRole('region', { name: 'Devices' })
    .getByText(/^\d+\.\d°$/)
    .first()
  const angle = async () => Number.parseFloat((await motor.textContent()) ?? '')
  await expect.poll(angle, { timeout: 40_000 }).toBeGreaterThan(365)
  await turn(page, 100)
  await expect.poll(angle, { timeout: 40_000 }).toBeLessThan(105)
  await page.getByLabel('Faults on the simulated rig').selectOption('disconnect')
  await expect(page.getByRole('status', { name: 'Connection' })).toContainText('Connection lost')
  await turn(page, 20)
  // the rig begins anew at the top: seen long before it has been on the line as long as the old one was
  await expect.poll(angle, { timeout: 10_000 }).toBeLessThan(60)
  await page.keyboard.press('c')
  await expect(page.getByRole('status', { name: 'Captured readings' })).toContainText('Captured at')
})

for (const away of ['another step', 'a reload', 'putting the devices away'] as const)
  test(`a sweep under way survives ${away}`, async ({ page, demo }) => {
    await connect(page, demo, 'dials')
    await page.getByRole('button', { name: 'Sweep', exact: true }).click()
    await turn(page, 120)
    await expect(page.getByRole('status', { name: 'Captured readings' })).toContainText(/[3-9]\d points/)
    if (away === 'a reload') await page.reload()
    else if (away === 'another step') {
      await page.locator('nav[aria-label="Steps"] a[href$="/moves"]').click()
      await expect(page.getByRole('heading', { name: 'Moves', exact: true })).toBeVisible()
      await page.locator('nav[aria-label="Steps"] a[href$="/readings"]').click()
    } else await page.getByRole('button', { name: 'Close devices' }).click()
    await expect(page.getByText(/points over/)).toHaveCount(2)
    await expect(page.getByText(/^Saved/)).toBeVisible()
    await page.reload()
    await expect(page.getByText(/points over/)).toHaveCount(2)
  })

test('slack between the shafts, no beam, and a battery that runs out are told', async ({ page, demo }) => {
  await connect(page, demo, 'heads')
  const trouble = page.getByLabel('Faults on the simulated rig')
  await trouble.selectOption('slack')
  await turn(page, 40)
  await expect(page.getByRole('alert')).toContainText(/Shaft angles differ by 1\.\d°/)
  await trouble.selectOption('out-of-range')
  await expect(page.getByText('no beam on the detector')).toHaveCount(2)
  await page.getByRole('button', { name: 'Capture here (c)' }).click()
  await trouble.selectOption('flat-battery')
  await expect(page.getByText(/battery 6 %: nearly empty/)).toBeVisible()
})

test('a spreadsheet with wrong columns loses nothing and is mended', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-6/readings`)
  await page.getByRole('button', { name: 'Import' }).click()
  const sheet = page.getByRole('region', { name: 'Import and export' })
  await sheet
    .getByLabel('Paste from a spreadsheet, or CSV')
    .fill(
      'who\tangle\tpump\tmotor\nR. T.\t0\t0\t0\nR. T.\t90\t0.081\t-0.283\nR. T.\t180\t0.104\t-0.412\nR. T.\t270\t0.023\t-0.129',
    )
  await expect(sheet.getByRole('combobox', { name: 'Angle', exact: true })).toHaveValue('1')
  await expect(sheet.getByLabel('Motor dial')).toHaveValue('3')
  await sheet.getByLabel('Motor dial').selectOption('0')
  await expect(sheet.getByRole('alert')).toContainText('Row 2, column A: “R. T.” is not a number')
  await expect(sheet.getByRole('button', { name: 'Import' })).toBeDisabled()
  await expect(page.getByLabel('Motor dial, bottom, mm')).toHaveValue('−0.42')
  await sheet.getByLabel('Motor dial').selectOption('3')
  await sheet.getByRole('button', { name: 'Import 4 rows' }).click()
  await expect(page.getByLabel('Motor dial, bottom, mm')).toHaveValue('−0.412')
  await expect(page.getByLabel('Pump dial, wall, mm')).toHaveValue('+0.081')
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('Motor dial, bottom, mm')).toHaveValue('−0.42')
})

test('a file of a hundred thousand rows is read beside the page, its fault named by row and column, and taken as a sweep', async ({
  page,
  demo,
}) => {
  const rows = 100_000
  const file = (wrong: number) => ({
    name: 'sweep.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      `angle,motor,pump\n${Array.from({ length: rows }, (_, i) => {
        const t = (i * 2 * Math.PI) / rows
        const motor = i === wrong ? 'lost' : (0.2 * Math.cos(t) - 0.1 * Math.sin(t)).toFixed(3)
        return `${((i * 360) / rows).toFixed(4)},${motor},${(-0.1 * Math.cos(t)).toFixed(3)}`
      }).join('\n')}\n`,
    ),
  })
  await page.goto(`${demo}/jobs/job-6/readings`)
  await page.getByRole('button', { name: 'Import' }).click()
  const sheet = page.getByRole('region', { name: 'Import and export' })
  await sheet.getByLabel('or a CSV file').setInputFiles(file(70_000))
  await expect(sheet.getByRole('alert')).toContainText('Row 70002, column B: “lost” is not')
  await sheet.getByLabel('or a CSV file').setInputFiles(file(-1))
  await sheet.getByRole('button', { name: /^Import 100\D?000 points as a sweep$/ }).click()
  await expect(page.getByText(/100\D?000 points over/).first()).toBeVisible()
  await expect(page.getByText(/^Saved/)).toBeVisible()
  await page.reload()
  await expect(page.getByText(/100\D?000 points over/).first()).toBeVisible()
})

test('a round goes out as CSV and as a survey, and a survey comes in as a job', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-12/readings`)
  await page.getByRole('button', { name: 'Import' }).click()
  const [csv] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export readings as CSV' }).click(),
  ])
  expect(csv.suggestedFilename()).toBe('sludge-pump-1-r1.csv')
  const [survey] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export round as a survey' }).click(),
  ])
  const file = await survey.path()
  await page.goto(`${demo}/new`)
  await page.getByLabel('A file in the open survey format (JSON)').setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"vane-peg.survey","version":1,"units":{"length":"cm","reading":"mm"}}'),
  })
  await expect(page.getByRole('alert')).toContainText('broken.json, units.length: expected "mm" or "in"')
  await page.getByLabel('Line name').fill('Sludge pump again')
  await page.getByLabel('A file in the open survey format (JSON)').setInputFiles(file)
  await expect(page.getByRole('heading', { name: 'Rim and face' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Sludge pump again' })).toBeVisible()
  await expect(page.getByText(/^Motor: /)).toBeVisible()
})

test('the kit: a sag is taken on the bench, hung in a job, and doubted at another span', async ({ page, demo }) => {
  await page.goto(demo)
  await page.getByRole('link', { name: 'Kit' }).click()
  await page.getByLabel('Expected TIR, mm').fill('4')
  await expect(page.getByText('Not enough travel: the TIR needs 133 % of it.')).toBeVisible()
  // what the kit wants stands first: the bracket's sag was never taken
  await page
    .getByRole('region', { name: 'Needs attention' })
    .getByRole('button', { name: /Chain bracket/ })
    .click()
  const bench = page.getByRole('region', { name: 'Bracket sag' })
  await bench.getByLabel('Span on the bar, mm').fill('260')
  await bench.getByLabel('Dial used on the bar').selectOption('Dial K2')
  for (const [at, text] of [
    ['top', '0'],
    ['far', '-0.07'],
    ['bottom', '0.14'],
    ['near', '-0.07'],
  ] as const)
    await bench.getByLabel(`On the bar, ${at}, mm`).fill(text)
  await expect(bench.getByText(/A bracket sags downward/)).toBeVisible()
  await expect(bench.getByRole('button', { name: 'Save as this bracket’s sag' })).toBeDisabled()
  await bench.getByLabel('On the bar, bottom, mm').press('-')
  await expect(bench.getByText('Sag: −0.14 mm, bottom minus top.')).toBeVisible()
  await bench.getByRole('button', { name: 'Save as this bracket’s sag' }).click()
  await expect(page.getByLabel('Sag, mm', { exact: true })).toHaveValue('−0.14')
  await expect(page.getByText(/^Saved \d/)).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Span, mm')).toHaveValue('260')

  await page.goto(`${demo}/jobs/job-6/readings`)
  await page.getByRole('button', { name: 'Set up dials' }).click()
  const dial = page.getByRole('region', { name: 'Set-up of the motor dial' })
  await dial.getByLabel('Dial from the kit').selectOption({ label: 'Dial K1' })
  await dial.getByLabel('Bracket from the kit').selectOption({ label: 'Chain bracket' })
  await expect(dial.getByLabel('Bracket sag, bottom of bar, mm')).toHaveValue('−0.14')
  await expect(page.getByText('Motor dial: bracket sag was measured with another dial.')).toBeVisible()
  await dial.getByText('Graduation, turn, travel, span, mounting').click()
  await dial.getByLabel('Span, clamp to plunger, mm').fill('310')
  await expect(page.getByText('Motor dial: bracket sag was measured at another span.')).toBeVisible()
})

test('a comparison with a gauge block tells how well it repeats', async ({ page, empty }) => {
  await page.goto(`${empty}/kit`)
  await expect(page.getByText(/Nothing in the kit yet/)).toBeVisible()
  await page.getByRole('button', { name: 'Add a comparison' }).click()
  await page.getByLabel('Gauge block, nominal, mm').fill('25')
  await page.getByLabel('Tolerance, plus, mm').fill('0.01')
  await page.getByLabel('Tolerance, minus, mm').fill('0.01')
  for (const [i, text] of ['25.002', '25.004', '25.003'].entries()) {
    await page.getByRole('button', { name: 'Add reading' }).click()
    await page.getByLabel(`Reading ${i + 1}, mm`).fill(text)
  }
  await expect(page.getByText('Repeatability ± 0.0020 mm (2 SD).')).toBeVisible()
  await expect(page.getByText('Within tolerance.')).toBeVisible()
})

test('a known lift tells a coupling that holds the shafts, by keyboard, in mil, and after a reload', async ({
  page,
  empty,
}) => {
  await page.goto(`${empty}/kit`)
  await page.getByRole('radio', { name: 'mil' }).click()
  await page.getByRole('button', { name: 'Add a known lift' }).press('Enter')
  const card = page.getByRole('region', { name: 'Known lift', exact: true })
  await expect(card).toContainText('Lock out and try.')
  await card.getByLabel('Shim under every foot, mil').focus()
  await page.keyboard.type('40')
  for (const [label, typed] of [
    ['Front feet, before, mil', '2'],
    ['Front feet, after, mil', '26'],
    ['Back feet, before, mil', '-3'],
    ['Back feet, after, mil', '21'],
  ] as const) {
    await card.getByLabel(label).focus()
    await page.keyboard.type(typed)
  }
  await expect(card.getByText(/^Front feet: 60 % of the lift was measured, ± 3 %\.$/)).toBeVisible()
  await expect(card.getByText(/^Every foot shows 60 % of the lift\. The coupling holds the shafts/)).toBeVisible()
  await expect(page.getByText(/^Saved/)).toBeVisible()
  await page.reload()
  await card.getByLabel('Back feet, after, mil').fill('37')
  await expect(card.getByText(/^The feet show different shares of one lift/)).toBeVisible()
  await card.getByLabel('Front feet, after, mil').fill('42')
  await expect(card.getByText(/^Confirmed/)).toBeVisible()
})
