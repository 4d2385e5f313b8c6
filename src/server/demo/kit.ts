import { makeKitItem } from '../../core/kit/make'
import type { KitBracket, KitDial, KitGauge, KitHead, KitItem, KitLimits, KitShims } from '../../core/kit/schema'
import { quantityFrom } from '../../core/quantity/quantity'
import { chance } from '../../core/rig/random'
import type { TypedLimitRow } from '../../core/verdict/table'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const day = (today: Date, days: number): string =>
  new Date(today.getTime() + days * 86_400_000).toISOString().slice(0, 10)

/** The made-up crib of Skerry Point Kelp Works. */
export function demoKit(today: Date): KitItem[] {
  const limits = (coupling: TypedLimitRow['coupling'], from: string, to: string, offset: string, slope: string) => ({
    id: `${coupling}-${from}`,
    coupling,
    from,
    to,
    offset: mm(offset),
    slope: { text: slope, unit: 'mm/100 mm' as const },
  })
  const dial = (name: string, due: number, rest: Partial<KitDial>): KitDial => ({
    ...(makeKitItem('dial', 'mm') as KitDial),
    name,
    calibrationDue: day(today, due),
    ...rest,
  })
  const bracket = (name: string, rest: Partial<KitBracket>): KitBracket => ({
    ...(makeKitItem('bracket', 'mm') as KitBracket),
    name,
    ...rest,
  })
  const shims = (name: string, slot: string, unit: 'mm' | 'mil', counts: Record<string, string>): KitShims => {
    const made = makeKitItem('shims', unit) as KitShims
    return {
      ...made,
      name,
      slot: { text: slot, unit: unit === 'mil' ? 'in' : 'mm' },
      sizes: made.sizes.map((size) => ({ ...size, count: counts[size.thickness.text] ?? '' })),
    }
  }
  const source = chance(77)
  const gauge: KitGauge = {
    ...(makeKitItem('gauge', 'mm') as KitGauge),
    name: 'Dial K2 on 10 mm',
    dial: 'Dial K2',
    nominal: mm('10'),
    over: mm('0.01'),
    under: mm('0.01'),
    takenOn: day(today, -20),
    readings: Array.from({ length: 6 }, (_, i) => ({
      id: `g${i + 1}`,
      value: quantityFrom(10.002 + 0.0015 * source.normal(), 'mm', 3),
    })),
  }
  return [
    dial('Dial K1', 140, {}),
    dial('Dial K2', 200, {}),
    dial('Small dial K3', -12, { travel: mm('3'), graduation: mm('0.002'), turn: mm('0.2') }),
    dial('Lever dial K4', 90, { type: 'lever', travel: mm('0.8'), graduation: mm('0.01'), turn: mm('0.8') }),
    bracket('Short bracket', {
      span: mm('180'),
      sag: mm('-0.08'),
      dial: 'Dial K1',
      takenOn: day(today, -35),
      bar: { top: mm('0'), far: mm('-0.04'), bottom: mm('-0.08'), near: mm('-0.04') },
      barSpan: mm('180'),
      barDial: 'Dial K1',
    }),
    bracket('Long bracket', {
      span: mm('320'),
      sag: mm('-0.28'),
      dial: 'Dial K1',
      takenOn: day(today, -210),
      bar: { top: mm('0'), far: mm('-0.15'), bottom: mm('-0.31'), near: mm('-0.16') },
      barSpan: mm('320'),
      barDial: 'Dial K2',
    }),
    bracket('Chain bracket', { note: 'New; sag not taken yet.' }),
    {
      ...(makeKitItem('head', 'mm') as KitHead),
      name: 'Heads, gray case',
      sd: mm('0.003'),
      calibrationDue: day(today, 300),
    },
    {
      ...(makeKitItem('head', 'mm') as KitHead),
      name: 'Two-plane head',
      type: 'beam2',
      between: mm('140'),
      sd: mm('0.003'),
      calibrationDue: day(today, 60),
    },
    gauge,
    shims('Shims, slot 21', '21', 'mm', { '0.05': '12', '0.25': '3' }),
    shims('Shims, slot 27', '27', 'mm', {}),
    shims('Inch shims, slot 13/16', '0.81', 'mil', {}),
    {
      ...(makeKitItem('limits', 'mm') as KitLimits),
      name: 'Kelp works standard 12',
      source: 'Issue 3, page 2',
      rows: [
        limits('short', '0', '1200', '0.10', '0.09'),
        limits('short', '1200', '1800', '0.07', '0.06'),
        limits('short', '1800', '3600', '0.04', '0.03'),
        limits('spacer', '0', '3600', '', '0.05'),
        limits('rigid', '0', '3600', '0.02', '0.02'),
      ],
    },
  ]
}
