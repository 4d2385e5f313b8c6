import type { KitBracket, KitDial, KitHead } from '../../../kit/schema'
import { emptyQuantity, positiveMm, quantityMm } from '../../../quantity/quantity'
import type { ProbeSetUp } from '../../../shafts/schema'

/** A probe with what a dial of the kit brings: graduation, turn, travel, deviation, and its name for the record. */
export function withDial(probe: ProbeSetUp, id: string, dial: KitDial): ProbeSetUp {
  const { correction, ...bare } = probe
  return {
    ...bare,
    graduation: dial.graduation,
    turn: dial.turn,
    travel: dial.travel,
    ...(positiveMm(dial.sd) ? { sd: dial.sd } : {}),
    ...mountedAs(dial, correction),
    kit: { ...probe.kit, dial: { id, name: dial.name } },
  }
}

/** How it stands stays as it was told, where a dial of that sort can stand so; a lever whose angle nobody told asks for it. */
function mountedAs(
  { type, tipMade, tipUsed }: KitDial,
  correction: ProbeSetUp['correction'],
): Pick<ProbeSetUp, 'correction'> {
  if (correction?.kind === 'step') return { correction }
  if (type === 'lever') {
    const tip = tipMade && tipUsed ? { tip: { made: tipMade, used: tipUsed } } : {}
    return {
      correction: { kind: 'lever', angle: correction?.angle ?? '', madeFor: correction?.madeFor ?? '', ...tip },
    }
  }
  return correction && correction.kind !== 'lever' ? { correction } : {}
}

/** A probe with what a bracket of the kit brings: its sag, and the span, dial and day that sag belongs to. */
export function withBracket(probe: ProbeSetUp, id: string, bracket: KitBracket): ProbeSetUp {
  const { name, span, dial, takenOn } = bracket
  return {
    ...probe,
    sag: bracket.sag,
    span: quantityMm(probe.span) === undefined ? span : (probe.span ?? span),
    kit: { ...probe.kit, bracket: { id, name, span, dial, takenOn } },
  }
}

/** A probe with what a head of the kit brings: its finest step and deviation. */
export function withHead(probe: ProbeSetUp, id: string, head: KitHead): ProbeSetUp {
  const between = quantityMm(head.between)
  const { counts: _, ...bare } = probe
  return {
    ...bare,
    ...(head.counts ? { counts: head.counts } : {}),
    graduation: head.step,
    sd: positiveMm(head.sd) ? head.sd : emptyQuantity(head.step.unit),
    ...(head.type === 'result' ? resultOf(head) : {}),
    ...(probe.plane2 && between ? { plane2: { ...probe.plane2, distance: head.between } } : {}),
    kit: { ...probe.kit, dial: { id, name: head.name } },
  }
}

/** What an instrument of the kit brings to its result: how its plus was asked, and what its gap is told over. */
function resultOf({ plus, diameter, gapSd }: KitHead): Partial<ProbeSetUp> {
  return { ...(plus ? { plus } : {}), ...(diameter ? { diameter } : {}), ...(positiveMm(gapSd) ? { gapSd } : {}) }
}
