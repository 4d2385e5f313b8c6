import { expect, type Page } from '@playwright/test'
import { beginAligning } from '../src/core/practice/aligning'
import { leverFactor, makeBench, swing } from '../src/core/practice/bench'
import { droopAt, makeBores, movedPockets } from '../src/core/practice/bores'
import { beginBoring } from '../src/core/practice/boring'
import { angleOf, boltsOf, inFrame, makeFlange } from '../src/core/practice/flange'
import { beginHalving, makeHalved } from '../src/core/practice/halving'
import { begin, benchOf } from '../src/core/practice/lesson'
import { beginMounting } from '../src/core/practice/mounting'
import { makePair, type PairFoot } from '../src/core/practice/pair'
import { beginSighting } from '../src/core/practice/sighting'
import { looksAway, makeSight } from '../src/core/practice/stand'
import { beginEasing, makeSection } from '../src/core/practice/stuck'
import { lessonPaths } from './lessonPaths'
import { test } from './site'

/** How a person handles the page. */
type How = 'click' | 'tap' | 'key'

async function at(page: Page, site: string, lesson: string, state: object, how: How = 'click') {
  await page.addInitScript(
    ([key, value]) => localStorage.getItem(key ?? '') ?? localStorage.setItem(key ?? '', value ?? ''),
    [`vane-peg-practice:${lesson}`, JSON.stringify(state)],
  )
  await page.goto(`${site}/practice/${lesson}`)
  const go = { click: 'click', tap: 'tap', key: 'press' } as const
  const press = async (name: string | RegExp, within?: string) => {
    const where = within ? page.getByRole('group', { name: within, exact: true }) : page
    const button = where.getByRole('button', { name, exact: typeof name === 'string' })
    await (how === 'key' ? button.press('Enter') : button[go[how] as 'click']())
  }
  const choose = async (name: string) => {
    const radio = page.getByRole('radio', { name, exact: true })
    await (how === 'key' ? radio.press('Space') : radio[go[how] as 'click']())
  }
  /** A move typed and made; none where there is nothing to move. */
  const move = async (label: string, mm: number, button = 'Do it') => {
    if (Math.abs(mm) < 0.005 && button === 'Do it') return
    await page.getByRole('textbox', { name: label, exact: true }).fill(mm.toFixed(2))
    await press(button, label)
  }
  const passed = () => expect(page.getByText('Passed.')).toBeVisible()
  return { press, choose, move, passed }
}

test('every lesson is listed in its order, and each leads on to the next', async ({ page, empty }) => {
  await page.goto(`${empty}/practice`)
  const links = page.locator('ol a[href^="/practice/"]')
  await expect(links).toHaveCount(lessonPaths.length)
  expect(await links.evaluateAll((all) => all.map((one) => one.getAttribute('href')))).toEqual(lessonPaths)
  await page.goto(`${empty}${lessonPaths[0]}`)
  for (const path of lessonPaths.slice(1)) {
    await page.getByRole('link', { name: 'Next lesson' }).click()
    await expect(page).toHaveURL(`${empty}${path}`)
  }
  await expect(page.getByRole('link', { name: 'All lessons' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Next lesson' })).toHaveCount(0)
})

test('a lever dial by keyboard: the known step gives the factor, what is shown is not what is there', async ({
  page,
  empty,
}) => {
  const bench = makeBench(6, 'coupling', { lever: true })
  const { press, passed } = await at(page, empty, 'lever', begin('lever', 6), 'key')
  await press('Lock out and try')
  for (let i = 0; i < 3; i++) await press('0.2 mm in')
  await press('Turn the bezel: zero here')
  await press('Slide the 0.50 mm block under the tip')
  await expect(page.getByText('The 0.50 mm block lies under the tip.')).toBeVisible()
  const needle = page.getByRole('status').filter({ hasText: 'Needle on line' })
  const [, line = '0'] = /line (\d+)/.exec((await needle.textContent()) ?? '') ?? []
  await page.getByLabel('Factor, true over shown').fill((0.5 / (Number(line) / 100)).toFixed(3))
  const bottom = page.getByLabel('Bottom as it truly is, mm')
  await bottom.fill((swing(bench, 180) / leverFactor(bench)).toFixed(2))
  await press('Check my answers')
  await expect(page.getByText('That is what the lever shows, not what is there.')).toBeVisible()
  await bottom.fill(swing(bench, 180).toFixed(2))
  await press('Check my answers')
  await passed()
})

test('part of a turn by mouse: it stops at the pipe; what is read there is no quarter', async ({ page, empty }) => {
  const bench = makeBench(9, 'coupling', { stops: true })
  const { near = 0, far = 0 } = bench.stops ?? {}
  const { press, passed } = await at(page, empty, 'part-turn', begin('part-turn', 9))
  await press('Lock out and try')
  for (let i = 0; i < 4; i++) await press('1 mm in')
  for (let i = 0; i < 3; i++) await press('0.2 mm in')
  await press('Turn the bezel: zero here')
  await press('As far as it goes, far side')
  await expect(page.getByRole('slider', { name: 'Shaft turned to' })).toHaveValue(String(far))
  await page.getByRole('slider', { name: 'Shaft turned to' }).press('ArrowRight')
  await expect(page.getByRole('slider', { name: 'Shaft turned to' })).toHaveValue(String(far))
  await press('As far as it goes, near side')
  await expect(page.getByRole('slider', { name: 'Shaft turned to' })).toHaveValue(String(360 - near))
  await page.getByLabel('Bottom would show, mm').fill((swing(bench, far) + swing(bench, -near)).toFixed(2))
  await page.getByLabel('Far would show, mm').fill(swing(bench, 90).toFixed(2))
  await press('Check my answers')
  await expect(page.getByText('That is where the turn ends, not a quarter.')).toBeVisible()
  await page.getByLabel('Bottom would show, mm').fill(swing(bench, 180).toFixed(2))
  await press('Check my answers')
  await passed()
})

test.describe('touched', () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 844 } })
  test('rough by touch on a phone: shims and pushes at the feet, kept over a reload, bolted down', async ({
    page,
    empty,
  }) => {
    const pair = makePair('rough', 14)
    const { press, choose, move, passed } = await at(page, empty, 'rough', beginAligning('rough')(14), 'tap')
    await expect(page.getByText(/Gap between them: \d\.\d\d mm/)).toBeVisible()
    await press('Lock out and try')
    await press('Loosen the right machine’s bolts')
    for (const [name, foot] of [
      ['Right machine, front', 'right-front'],
      ['Right machine, back', 'right-back'],
    ] as const) {
      await choose(name)
      await move('Shims in under these feet, mm', -pair.up[foot])
      await move('Push these feet toward the far side, mm', -pair.far[foot])
    }
    await press('Check the pair')
    await expect(page.getByText('Bolts are still loose.')).toBeVisible()
    await page.reload()
    await press('Tighten the right machine’s bolts')
    await press('Check the pair')
    await passed()
  })
})

test('no shim left by mouse: the right machine alone comes down on its pads; with the left one raised it is in line', async ({
  page,
  empty,
}) => {
  const pair = makePair('bound', 21)
  const { press, choose, move, passed } = await at(page, empty, 'bound', beginAligning('bound')(21))
  await press('Lock out and try')
  await press('Loosen the right machine’s bolts')
  await choose('Right machine, front')
  await move('Shims in under these feet, mm', -pair.up['right-front'])
  await press('Tighten the right machine’s bolts')
  await press('Check the pair')
  await expect(page.getByText('Down on its pad, and still too high.')).toBeVisible()
  await press('Begin again, same machine')
  await press('Lock out and try')
  await press('Loosen the right machine’s bolts')
  await press('Loosen the left machine’s bolts')
  // a line every foot reaches: down by the shims under the right front feet, over by the holes of the right back ones
  const up = pair.up['right-front'] - pair.pack['right-front']
  const far = pair.far['right-back'] - Math.sign(pair.far['right-back']) * pair.hole['right-back']
  const feet: readonly (readonly [string, PairFoot])[] = [
    ['Left machine, back', 'left-back'],
    ['Left machine, front', 'left-front'],
    ['Right machine, front', 'right-front'],
    ['Right machine, back', 'right-back'],
  ]
  for (const [name, foot] of feet) {
    await choose(name)
    await move('Shims in under these feet, mm', up - pair.up[foot])
    await move('Push these feet toward the far side, mm', far - pair.far[foot])
  }
  await press('Tighten the left machine’s bolts')
  await press('Tighten the right machine’s bolts')
  await press('Check the pair')
  await passed()
  await expect(page.getByText(/at the start the right shaft stood/)).toBeVisible()
})

test('in line when it runs, by keyboard: run, cooled, locked again; touched after the run without the lock it is lost', async ({
  page,
  empty,
}) => {
  const pair = makePair('growth', 33)
  const { press, choose, move, passed } = await at(page, empty, 'growth', beginAligning('growth')(33), 'key')
  await press('Lock out and try')
  await press('Locks off, run until warm')
  await expect(page.getByText('It runs: stand clear, touch nothing. The thermometers are read.')).toBeVisible()
  await press('Stop, let it cool')
  await press('Loosen the right machine’s bolts')
  await expect(page.getByText('Failed: it was touched before it was locked out and tried.')).toBeVisible()
  await press('Begin again, same machine')
  await press('Locks off, run until warm')
  const row = (name: string) => page.getByRole('row', { name: new RegExp(name) }).getByRole('cell')
  const grows = async (name: string) =>
    Number.parseFloat((await row(name).nth(2).textContent()) ?? '') *
    Number.parseFloat((await row(name).nth(3).textContent()) ?? '') *
    11.7e-6
  const feet = {
    'left-back': await grows('Left machine, back'),
    'left-front': await grows('Left machine, front'),
    'right-front': await grows('Right machine, front'),
    'right-back': await grows('Right machine, back'),
  }
  await press('Stop, let it cool')
  await press('Lock out and try')
  await press('Loosen the right machine’s bolts')
  const lean = (feet['left-front'] - feet['left-back']) / (pair.at['left-front'] - pair.at['left-back'])
  for (const [name, foot] of [
    ['Right machine, front', 'right-front'],
    ['Right machine, back', 'right-back'],
  ] as const) {
    await choose(name)
    const line = feet['left-front'] + lean * (pair.at[foot] - pair.at['left-front'])
    await move('Shims in under these feet, mm', line - feet[foot] - pair.up[foot])
  }
  await press('Tighten the right machine’s bolts')
  await press('Check the pair')
  await passed()
})

test('a motor on its flange, by mouse: hoist before the bolts; a push by bolts counted the wrong way round is named', async ({
  page,
  empty,
}) => {
  const seed = 5
  const flange = makeFlange(seed)
  const { press, choose, move, passed } = await at(page, empty, 'flange', beginMounting(seed))
  await press('Lock out and try')
  await press('Hook the hoist on and take the weight')
  await press('Loosen the flange’s bolts')
  const lift = boltsOf(flange).map((bolt) => {
    const angle = (angleOf(flange, bolt) * Math.PI) / 180
    return flange.radius * (flange.slope[0] * Math.sin(angle) + flange.slope[1] * Math.cos(angle))
  })
  for (const bolt of boltsOf(flange)) {
    await choose(String(bolt))
    await move(`Shims at bolt ${bolt}, mm`, (lift[bolt - 1] ?? 0) - Math.min(...lift), 'Put in')
  }
  // a push that takes the shaft to the middle of the flange, as it is seen from above
  const across = [inFrame(flange, { right: 1, far: 0 }), inFrame(flange, { right: 0, far: 1 })] as const
  const seen = ([y, z]: readonly [number, number]) =>
    across.map(([ay, az]) => -(y * ay + z * az)) as [right: number, far: number]
  const wrong = seen([-flange.place[0], flange.place[1]])
  const right = seen(flange.place)
  await move('Push toward the right, mm', wrong[0])
  await move('Push away from you, toward the far side, mm', wrong[1])
  await press('Tighten the flange’s bolts')
  await press('Check the motor')
  await expect(page.getByText('Pushed by bolts counted the other way round.')).toBeVisible()
  await press('Loosen the flange’s bolts')
  await move('Push toward the right, mm', right[0] - wrong[0])
  await move('Push away from you, toward the far side, mm', right[1] - wrong[1])
  await press('Tighten the flange’s bolts')
  await press('Let the hoist down')
  await page.reload()
  await press('Check the motor')
  await passed()
})

test('halving at the coupling, by mouse: both sides told alike once it is in line; without stops it creeps, with them it stays', async ({
  page,
  empty,
}) => {
  const begun = beginHalving(4)
  const { wanted } = makeHalved(4).slide
  // pushed there already by hand: what is left is to bolt it so that it stays
  const pushed = { ...begun, hands: { ...begun.hands, locked: true, at: wanted, loose: ['front', 'back'] as const } }
  const { press, choose, passed } = await at(page, empty, 'halving', pushed)
  const dial = page.getByRole('group', { name: 'On the hub that moves' })
  await choose('The near side')
  await press('Turn the bezel: zero', 'On the hub that moves')
  await press('Turn the bezel: zero', 'On the hub that stays')
  await choose('The far side')
  await press('Turn the bezel: half of it', 'On the hub that moves')
  await expect(dial.getByRole('status')).toHaveText('On the hub that moves: 0.00 mm')
  await press('Tighten these bolts')
  await press('Check the machine')
  await expect(page.getByText('It was there, and crept as the bolts were tightened.')).toBeVisible()
  await page.goto(`${empty}/practice`)
  await page.evaluate((state) => localStorage.setItem('vane-peg-practice:halving', JSON.stringify(state)), pushed)
  await page.getByRole('link', { name: /Halving at the coupling/ }).click()
  for (const end of ['Front', 'Back']) {
    await choose(`${end} feet`)
    for (const side of ['near', 'far'])
      await press('Until it just bears', `Jack bolt, ${end.toLowerCase()}, ${side} side`)
  }
  for (const end of ['Front', 'Back']) {
    await choose(`${end} feet`)
    await press('Tighten these bolts')
  }
  await press('Check the machine')
  await expect(page.getByText('A jack bolt still bears on the machine.')).toBeVisible()
  for (const end of ['Front', 'Back']) {
    await choose(`${end} feet`)
    for (const side of ['near', 'far']) await press('Back 1.0 mm', `Jack bolt, ${end.toLowerCase()}, ${side} side`)
  }
  await press('Check the machine')
  await passed()
})

test('a dial that may lie, by keyboard: slack told for nothing wrong is named, and its number is not the shafts’', async ({
  page,
  empty,
}) => {
  const seed = [...Array(300).keys()].find((n) => benchOf(begin('trust', n)).lies?.fault === 'backlash') ?? 1
  const bench = benchOf(begin('trust', seed))
  const { press, passed } = await at(page, empty, 'trust', begin('trust', seed), 'key')
  await press('Lock out and try')
  await press('Far')
  await expect(page.getByText('On the far side: seen in the mirror, left and right changed.')).toBeVisible()
  await press('Tap the dial')
  await page.getByLabel('What is wrong').selectOption({ label: 'nothing: it tells the truth' })
  await page.getByLabel('Bottom truly shows, mm').fill((swing(bench, 180) + (bench.lies?.by ?? 0)).toFixed(2))
  await press('Check my answers')
  await expect(page.getByText('It is something else.')).toBeVisible()
  await expect(page.getByText('That is what the dial made of it.')).toBeVisible()
  await page.getByLabel('What is wrong').selectOption({ label: 'slack in bracket or bearings' })
  await page.getByLabel('Bottom truly shows, mm').fill(swing(bench, 180).toFixed(2))
  await press('Check my answers')
  await passed()
})

test('pockets on one line, by keyboard: on the wire is not on the line', async ({ page, empty }) => {
  const bores = makeBores(3)
  const { press, choose, move, passed } = await at(page, empty, 'bore', beginBoring(3), 'key')
  await press('Lock out and try')
  for (const pocket of movedPockets) {
    await choose(`Pocket ${pocket}`)
    await press(`Loosen pocket ${pocket}`)
    const wall = async (name: string) =>
      Number(await page.locator('dl div').filter({ hasText: name }).locator('dd').textContent())
    const [up, far] = [
      ((await wall('Top')) - (await wall('Bottom'))) / 2,
      ((await wall('Far')) - (await wall('Near'))) / 2,
    ]
    await move('Shims in under this pocket, mm', -up)
    await move('Push this pocket toward the far side, mm', -far)
    await press(`Tighten pocket ${pocket}`)
  }
  await press('Check the line')
  await expect(page.getByText('It stands on the wire, not on the line.')).toBeVisible()
  for (const pocket of movedPockets) {
    await choose(`Pocket ${pocket}`)
    await press(`Loosen pocket ${pocket}`)
    await move('Shims in under this pocket, mm', droopAt(bores, pocket))
    await press(`Tighten pocket ${pocket}`)
  }
  await press('Check the line')
  await passed()
})

test('rolls from two stands, by mouse: set point, references facing one way, the same number, roll 2 moved', async ({
  page,
  empty,
}) => {
  const begun = beginSighting(11)
  const sight = makeSight(11)
  const { press, choose, move, passed } = await at(page, empty, 'rolls', begun)
  const shows = async (name: string) =>
    Number(
      ((await page.locator('dl div').filter({ hasText: name }).locator('dd').textContent()) ?? '').replace('−', '-'),
    )
  await press('Lock out and try')
  await press('Level it')
  await press('Near target: zero here')
  for (let time = 0; time < 3; time++) {
    const far = await shows('far end')
    await move('Turn until the far end shows, mm', (-far * sight.toNear) / sight.face, 'Turn')
    await press('Level it')
    await press('Near target: zero here')
  }
  expect(Math.abs(await shows('far end'))).toBeLessThan(0.03)
  if (looksAway(sight, begun.hands)) await press('Turn reference b round in its holder')
  await press('Both floor references: zero here')
  await choose('Second stand')
  await press('Level it')
  for (let time = 0; time < 8; time++) {
    await move('Turn until reference a shows, mm', await shows('Floor reference b'), 'Turn')
    await press('Level it')
  }
  await press('Near target: zero here')
  const off = await shows('far end')
  await press('Loosen the near housing of roll 2')
  await move('Move the near end of roll 2 down the line, mm', off)
  await press('Tighten the near housing of roll 2')
  await press('Check roll 2')
  await passed()
  await expect(page.getByText(/at the start the far end of roll 2 stood/)).toBeVisible()
})

test('a roll that won’t go, by mouse: every roll to its number leaves the web all of it; shared out it forgives', async ({
  page,
  empty,
}) => {
  const { off } = makeSection(8)
  const { press, choose, move, passed } = await at(page, empty, 'stuck-roll', beginEasing(8))
  await press('Lock out and try')
  const stands = { 2: off[2], 3: off[3], 5: off[5], 6: off[6] }
  const to = async (roll: 2 | 3 | 5 | 6, mm: number) => {
    await choose(`Roll ${roll}`)
    await press(`Loosen roll ${roll}`)
    await move('Move its far end down the line, mm', mm - stands[roll])
    await press(`Tighten roll ${roll}`)
    stands[roll] = mm
  }
  for (const roll of [2, 3, 5, 6] as const) await to(roll, 0)
  await press('Check the section')
  await expect(page.getByText('Every roll to its number, and the web still takes all of it.')).toBeVisible()
  for (const [roll, share] of [
    [2, 1 / 3],
    [3, 2 / 3],
    [5, 2 / 3],
    [6, 1 / 3],
  ] as const)
    await to(roll, Math.round(100 * share * off[4]) / 100)
  await press('Check the section')
  await passed()
})

test('in mil, by keyboard: what is told and typed is mil, and stays what it was when the unit is changed', async ({
  page,
  empty,
}) => {
  const pair = makePair('rough', 14)
  const { press, choose, move, passed } = await at(page, empty, 'rough', beginAligning('rough')(14), 'key')
  await page.getByRole('radio', { name: 'mil', exact: true }).press('Space')
  await expect(page.getByText(/Gap between them: \d+\.\d mil/)).toBeVisible()
  await expect(page.getByText(/Within 11\.8 mil and 1\.50 mil\/in at the coupling/)).toBeVisible()
  await press('Lock out and try')
  await press('Loosen the right machine’s bolts')
  const shims = page.getByRole('textbox', { name: 'Shims in under these feet, mil' })
  await shims.fill('12')
  await page.getByRole('radio', { name: 'mm', exact: true }).press('Space')
  await expect(page.getByRole('textbox', { name: 'Shims in under these feet, mm' })).toHaveValue('12 mil')
  await page.getByRole('radio', { name: 'mil', exact: true }).press('Space')
  await expect(shims).toHaveValue('12')
  for (const [name, foot] of [
    ['Right machine, front', 'right-front'],
    ['Right machine, back', 'right-back'],
  ] as const) {
    await choose(name)
    await move('Shims in under these feet, mil', -pair.up[foot] / 0.0254)
    await move('Push these feet toward the far side, mil', -pair.far[foot] / 0.0254)
  }
  await press('Tighten the right machine’s bolts')
  await press('Check the pair')
  await passed()
})
