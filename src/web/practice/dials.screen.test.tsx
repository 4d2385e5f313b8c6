import { fireEvent, screen, within } from '@testing-library/dom'
import { afterEach, describe, expect, it } from 'vitest'
import { leverFactor, makeDialRig, swing } from '../../core/practice/dialRig'
import { begin, benchOf } from '../../core/practice/lesson'
import { closePractice, numberIn, openPractice } from '../../testing/lesson'
import { lessonsInOrder } from './atMachines'

afterEach(() => {
  closePractice()
  localStorage.clear()
})

const slider = () => screen.getByRole<HTMLInputElement>('slider', { name: /^Shaft angle/ })

/** The bench, with what is done at every dial first: locked, half the travel in, zeroed. */
const openBench = (lesson: string, seed: number, how: 'click' | 'key' = 'click') => {
  const page = openPractice(`/practice/${lesson}`, { kept: begin(lesson as 'read-a-dial', seed), how })
  const times = async (n: number, name: string) => {
    for (let i = 0; i < n; i++) await page.press(name)
  }
  return {
    ...page,
    times,
    zeroed: async () => {
      await page.press('Lock out and try')
      await times(4, '1 mm in')
      await times(3, '0.2 mm in')
      await page.press('Turn the bezel: zero here')
    },
    /** What the dial shows, as somebody who listens to it hears it; its zero stands at five whole turns. */
    shown: (turnsAtZero = 5) => {
      const text = page.status('Needle on line')
      const [, line = '', on, between = ''] = /line (\d+) of 100.*(?:on (\d+)\.|between (\d+) and)/.exec(text) ?? []
      const low = on === undefined ? between : String(Number(on) - (Number(line) > 50 ? 1 : 0))
      return Number(low) - turnsAtZero + Number(line) / 100
    },
    line: () => Number(/line (\d+)/.exec(page.status('Needle on line'))?.[1]),
    check: () => page.press('Check my answers'),
  }
}

describe('practice', () => {
  it('lists every lesson in its order, and each leads on to the next', async () => {
    const page = openPractice('/practice')
    // grouped by what they are done at, each with its number in the order they are learned
    const links = within(screen.getByRole('main')).getAllByRole('link')
    const wanted = lessonsInOrder.map(({ id }, i) => `${i + 1} /practice/${id}`)
    const listed = links.map((link) => `${link.querySelector('b')?.textContent} ${link.getAttribute('href')}`)
    expect(listed.toSorted()).toEqual(wanted.toSorted())
    await page.follow(/Read a dial/)
    for (const { words } of lessonsInOrder.slice(1)) {
      await page.follow('Next lesson')
      await expect.poll(() => screen.getByRole('heading', { level: 1 }).textContent).toBe(words.name)
    }
    expect(screen.queryByRole('link', { name: 'Next lesson' })).toBeNull()
    expect(screen.getByRole('link', { name: 'All lessons' }).getAttribute('href')).toBe('/practice')
  })
})

describe('lessons at a dial', () => {
  it('read a dial, by keyboard: half the travel, zeroed, read with sign and turns, kept over a reload', async () => {
    const { press, zeroed, shown, fill, field, check, passed, see, reload } = openBench('read-a-dial', 350, 'key')
    see('Practice only')
    await zeroed()
    expect(shown()).toBe(0)
    const places = ['Far', 'Bottom', 'Near'] as const
    for (const [i, place] of places.entries()) {
      await press(place)
      expect(slider().value).toBe(String(90 * (i + 1)))
      await fill(`${place} reading, mm`, shown().toFixed(2))
    }
    const [far, bottom] = [field('Far reading, mm').value, field('Bottom reading, mm').value]
    expect(Number(bottom)).toBeCloseTo(swing(makeDialRig(350, 'coupling'), 180), 1)
    reload()
    expect(field('Bottom reading, mm').value).toBe(bottom)
    await check()
    passed()
    // the sign the other way round fails, and is named
    await fill('Far reading, mm', (-Number(far)).toFixed(2))
    await check()
    see('Wrong sign.')
    see('Not yet.')
  })

  it('the sag of a bracket on a pipe, by mouse, and what it leaves of a machine’s reading', async () => {
    const { press, zeroed, line, fill, check, passed, see } = openBench('sag-bench', 7)
    await zeroed()
    await press('Bottom')
    const sag = Number((line() / 100 - 1).toFixed(2))
    expect(sag).toBeLessThan(0)
    await fill('Sag, bottom minus top, mm', sag.toFixed(2))
    await fill('Bottom reading of an aligned machine, mm', sag.toFixed(2))
    const aside = screen.getByRole('complementary', { name: 'Your answers' }).textContent ?? ''
    const machine = numberIn(aside, /reads ([−+]?\d\.\d\d) mm at the bottom/)
    const left = 'Machine reading corrected for sag, mm'
    await fill(left, (machine + sag).toFixed(2))
    await check()
    see('You added the sag instead of subtracting it.')
    await fill(left, (machine - sag).toFixed(2))
    await check()
    passed()
  })

  it('what a bolted coupling hides, by mouse: read bolted, opened, zeroed anew and read again', async () => {
    // a machine whose coupling hides enough to be read
    const hides = (seed: number) => {
      const bench = makeDialRig(seed, 'coupling')
      return Math.abs(swing(bench, 180) - swing(bench, 180, true)) > 0.2
    }
    const seed = [...Array(100).keys()].find((n) => n > 0 && hides(n)) ?? 1
    const { press, zeroed, shown, fill, check, passed, see } = openBench('engaged', seed)
    await zeroed()
    const bottom = async () => {
      await press('Top')
      await press('Turn the bezel: zero here')
      await press('Bottom')
      return shown()
    }
    see('Coupling connected.')
    const bolted = await bottom()
    await fill('Bottom, coupling connected, mm', bolted.toFixed(2))
    await press('Disconnect the coupling')
    see('Coupling disconnected')
    const open = await bottom()
    await fill('Bottom, coupling disconnected, mm', open.toFixed(2))
    const hidden = 'Offset hidden by the coupling, no sign, mm'
    await fill(hidden, Math.abs(open - bolted).toFixed(2))
    await check()
    see('That is the total reading, not the offset.')
    await fill(hidden, (Math.abs(open - bolted) / 2).toFixed(3))
    await check()
    passed()
  })

  it('touched before it was locked out, a lesson is lost, and begun again on the same machine', async () => {
    const { press, see, unseen } = openBench('closure', 12)
    see(/^Machine 12 /)
    await press('Bottom')
    see('Failed: you touched the machine before locking out and trying it.')
    await press('Start over, same machine')
    unseen('Failed: you touched')
    see(/^Machine 12 /)
    // one of the four is out: top and bottom against near and far
    const written = within(screen.getByRole('region', { name: 'Readings on the sheet' }))
    expect(written.getAllByRole('row')).toHaveLength(4)
    await press('Hint')
    see('Add top and bottom, then near and far.')
    await press('Another machine')
    see(/^Machine \d+/)
  })

  it('a lever dial, by keyboard: the known step gives the factor, what is shown is not what is there', async () => {
    const bench = makeDialRig(6, 'coupling', { lever: true })
    const { press, times, line, fill, check, passed, see } = openBench('lever', 6, 'key')
    await press('Lock out and try')
    await times(3, '0.2 mm in')
    await press('Turn the bezel: zero here')
    await press('Put the 0.50 mm gauge block under the tip')
    see('0.50 mm gauge block under the tip.')
    await fill('Factor, true ÷ indicated', (0.5 / (line() / 100)).toFixed(3))
    const bottom = 'True bottom reading, mm'
    await fill(bottom, (swing(bench, 180) / leverFactor(bench)).toFixed(2))
    await check()
    see('That is the indicated reading, not the true one.')
    await fill(bottom, swing(bench, 180).toFixed(2))
    await check()
    passed()
  })

  it('part of a turn, by mouse: it stops at the pipe; what is read there is no quarter', async () => {
    const bench = makeDialRig(9, 'coupling', { stops: true })
    const { near = 0, far = 0 } = bench.stops ?? {}
    const { press, zeroed, fill, check, passed, see } = openBench('part-turn', 9)
    await zeroed()
    await press('Turn as far as it goes, far side')
    expect(slider().value).toBe(String(far))
    fireEvent.change(slider(), { target: { value: String(far + 1) } })
    expect(slider().value).toBe(String(far))
    await press('Turn as far as it goes, near side')
    expect(slider().value).toBe(String(360 - near))
    await fill('Calculated bottom reading, mm', (swing(bench, far) + swing(bench, -near)).toFixed(2))
    await fill('Calculated far reading, mm', swing(bench, 90).toFixed(2))
    await check()
    see('That is the reading where you stopped, not at the quarter.')
    await fill('Calculated bottom reading, mm', swing(bench, 180).toFixed(2))
    await check()
    passed()
  })

  it('a dial that may lie, by keyboard: slack told for nothing wrong is named, and its number is not the shafts’', async () => {
    const seed = [...Array(300).keys()].find((n) => benchOf(begin('trust', n)).lies?.fault === 'backlash') ?? 1
    const bench = benchOf(begin('trust', seed))
    const { press, pick, fill, check, passed, see } = openBench('trust', seed, 'key')
    await press('Lock out and try')
    await press('Far')
    see('Far side: seen in a mirror, so left and right are reversed.')
    await press('Tap the dial')
    await pick('Fault', 'nothing: the dial is good')
    await fill('True bottom reading, mm', (swing(bench, 180) + (bench.lies?.by ?? 0)).toFixed(2))
    await check()
    see('The fault is something else.')
    see('That is the faulty reading.')
    await pick('Fault', 'play in the bracket or bearings')
    await fill('True bottom reading, mm', swing(bench, 180).toFixed(2))
    await check()
    passed()
  })
})
