import { probeKinds } from '../../../probes'
import { flipSign, type Quantity, quantityFrom, quantityMm, typedDecimals, unitOf } from '../../../quantity/quantity'
import { fromMm } from '../../../quantity/units'
import type { ProbeSetUp, ReadSet } from '../../../shafts/schema'
import type { Suspect } from '../../../shafts/suspects'
import { correctionOf, readingKey, readingsOf } from '../../../shafts/typed'
import type { Round } from './schema'

/** The probe as it would have been written without a slip; what is not named by the slip stays as it was typed. */
export function probeAsIf(set: ReadSet, probe: ProbeSetUp, suspect: Suspect): ProbeSetUp {
  if (suspect.fault === 'sag-sign') return { ...probe, sag: flipped(probe.sag) }
  if (suspect.fault === 'sag-missing') return { ...probe, sag: quantityFrom(suspect.would, probe.graduation.unit, 3) }
  const channel = probeKinds[probe.type].channels[suspect.channel]
  const read = readingsOf(set, probe, channel)
  const keyOf = (index: number) => readingKey(read[index]?.angleId ?? '', channel)
  const key = keyOf(suspect.reading)
  const typed = probe.readings[key]
  const value = read[suspect.reading]?.value
  if (!typed || value === undefined) return probe
  const put = (readings: ProbeSetUp['readings']): ProbeSetUp => ({
    ...probe,
    readings: { ...probe.readings, ...readings },
  })
  switch (suspect.fault) {
    case 'sign':
      return put({ [key]: { value: flipped(typed.value), turns: -typed.turns || 0 } })
    case 'swap': {
      const other = keyOf(suspect.other ?? -1)
      const there = probe.readings[other]
      return there ? put({ [key]: there, [other]: typed }) : probe
    }
    case 'turn':
      return put({ [key]: { ...typed, turns: typed.turns + (suspect.would > value ? 1 : -1) } })
    default: {
      const turns = typed.turns * (quantityMm(probe.turn) ?? 0)
      const unit = unitOf(typed.value)
      const decimals = Math.min(4, typedDecimals(typed.value.text) + (suspect.fault === 'decimal' ? 1 : 0))
      const bare = suspect.would / correctionOf(probe) - turns
      return put({
        [key]: { ...typed, value: quantityFrom(bare, unit, Math.max(decimals, fromMm(1, unit) > 1 ? 1 : 2)) },
      })
    }
  }
}

const flipped = (quantity: Quantity): Quantity => ({ ...quantity, text: flipSign(quantity.text) })

/** The round as it would have been written without a slip of one of its probes. */
export function roundAsIf(round: Round, probeId: string, suspect: Suspect): Round {
  return {
    ...round,
    sets: round.sets.map((set) => ({
      ...set,
      probes: set.probes.map((probe) => (probe.id === probeId ? probeAsIf(set, probe, suspect) : probe)),
    })),
  }
}
