import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import {
  beginPlotting,
  type Hub,
  hubs,
  judgePlot,
  lineAt,
  makePlot,
  type Plotting,
  type PlottingAct,
  plotFeet,
  plotted,
  reach,
  truthAt,
} from './plot'

const seeds = fc.integer({ min: 1, max: 9999 })
const play = (seed: number, acts: readonly PlottingAct[]): Plotting => acts.reduce(plotted, beginPlotting(seed))

/** What a hand works out of the sheet: the sag off, half of it, and the sign of the hub that the dial touches. */
function half(seed: number, hub: Hub): number {
  const { bottom, sag } = makePlot(seed)
  return ((hub === 'right' ? -1 : 1) * (bottom[hub] - sag[hub])) / 2
}

/** Dots put, and the feet read off the line through them. */
function drawn(seed: number, dot: (hub: Hub) => number): Plotting {
  const now = play(
    seed,
    hubs.map((hub) => ({ do: 'dot', hub, mm: dot(hub) })),
  )
  const plot = makePlot(seed)
  return plotFeet
    .map((foot): PlottingAct => ({ do: 'foot', foot, text: lineAt(plot, now.hands.dots, plot.at[foot]).toFixed(2) }))
    .reduce(plotted, now)
}

describe('reverse dials on squared paper', () => {
  it('is the same sheet for the same number, and stays on the paper', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const plot = makePlot(seed)
        expect(makePlot(seed)).toEqual(plot)
        for (const x of Object.values(plot.at)) expect(Math.abs(truthAt(plot, x))).toBeLessThan(reach)
      }),
      tries(200),
    )
  })

  it('is passed by who takes off the sag, halves, minds the signs and reads off the line, on every sheet', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const judged = judgePlot(
          plotted(
            drawn(seed, (hub) => half(seed, hub)),
            { do: 'check' },
          ),
        )
        expect(judged.slips).toEqual([])
        expect(judged.passed).toBe(true)
      }),
      tries(200),
    )
  })

  /** Sheets on which a slip looks like no other: none of these is as good as nought. */
  const sheets = (...distances: ((half: number, sag: number) => number)[]) =>
    Array.from({ length: 999 }, (_, i) => i + 1).filter((seed) =>
      hubs.every((hub) => {
        const [mm, sag] = [half(seed, hub), ((hub === 'right' ? -1 : 1) * makePlot(seed).sag[hub]) / 2]
        return (
          Math.abs(mm) > 0.04 && Math.abs(mm) < reach / 2 && distances.every((far) => Math.abs(far(mm, sag)) > 0.04)
        )
      }),
    )
  const slips = (seed: number, dot: (hub: Hub) => number) => judgePlot(drawn(seed, dot)).slips

  it('names the sign, the half that was not taken, and the sag that was left in', () => {
    const told = (slip: string, seeds: readonly number[], dot: (seed: number, hub: Hub) => number) => {
      expect(seeds.length).toBeGreaterThan(50)
      fc.assert(
        fc.property(fc.constantFrom(...seeds), (seed) => {
          expect(slips(seed, (hub) => dot(seed, hub))).toEqual([slip])
        }),
        tries(40),
      )
    }
    told('sign', sheets(), (seed, hub) => -half(seed, hub))
    told('not-halved', sheets(), (seed, hub) => 2 * half(seed, hub))
    told(
      'sag-left-in',
      sheets(
        (mm, sag) => 2 * mm + sag,
        (mm, sag) => mm - sag,
        (mm, sag) => 3 * mm + sag,
      ),
      (seed, hub) => ((hub === 'right' ? -1 : 1) * makePlot(seed).bottom[hub]) / 2,
    )
  })

  it('names dots that changed places', () => {
    const seed = sheets().find((one) => {
      const [left, right] = [half(one, 'left'), half(one, 'right')]
      const { sag } = makePlot(one)
      const like = [-left, 2 * left, -2 * left, left + sag.left / 2, left + sag.left, left]
      return like.every((mm) => Math.abs(right - mm) > 0.04)
    })
    expect(seed).toBeDefined()
    expect(slips(seed ?? 0, (hub) => half(seed ?? 0, hub === 'left' ? 'right' : 'left'))).toEqual(['changed'])
  })

  it('asks for both dots and both feet, and names a foot that is not on the line', () => {
    expect(judgePlot(beginPlotting(4)).slips).toEqual(['no-dots', 'no-feet'])
    const right = drawn(4, (hub) => half(4, hub))
    const astray = plotted(right, { do: 'foot', foot: 'back', text: '0.9' })
    expect(judgePlot(astray).slips).toEqual(['foot'])
    // one dot of two is no line
    expect(judgePlot(play(4, [{ do: 'dot', hub: 'left', mm: 0.1 }])).slips).toContain('no-dots')
  })

  it('keeps a dot on the paper, and to the line of a dial', () => {
    const dots = (mm: number) => play(4, [{ do: 'dot', hub: 'right', mm }]).hands.dots.right
    expect(dots(9)).toBe(reach)
    expect(dots(-9)).toBe(-reach)
    expect(dots(0.1234)).toBe(0.12)
  })
})
