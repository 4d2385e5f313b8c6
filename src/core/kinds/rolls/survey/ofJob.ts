import type { JobOf } from '../../../job/document'
import { tidy } from '../../../quantity/openFormat'
import type { RollsLine, RollsRound } from '../document/schema'
import { sectionOf } from '../solve/measured'
import { readingsOf } from '../solve/readings'
import type { RollsSurvey } from './schema'

/** A round of a section of rolls as an open survey document, in mm; undefined while a dimension is missing or nothing is read. */
export function surveyOf(
  { line }: Pick<JobOf<RollsLine, RollsRound>, 'line'>,
  round: RollsRound,
): RollsSurvey | undefined {
  const section = sectionOf(line)
  const readings = section ? readingsOf(line, round) : []
  if (!section || readings.length === 0) return undefined
  return {
    format: 'vane-peg.survey',
    version: 1,
    kind: 'rolls',
    units: { length: 'mm', reading: 'mm' },
    rolls: {
      ...(line.name ? { name: line.name } : {}),
      rolls: section.rolls.map((roll, i) => ({
        id: roll.id,
        name: line.rolls[i]?.name ?? roll.id,
        x: tidy(roll.x),
        z: tidy(roll.z),
        width: tidy(roll.width),
        diameter: tidy(2 * roll.radius),
        housings: [tidy(roll.housings[0]), tidy(roll.housings[1])],
        ...(roll.movable ? {} : { movable: false }),
        ...(roll.incline ? { incline: roll.incline } : {}),
        limit: roll.limit,
        ...(roll.reach ? { limits: { near: roll.reach } } : {}),
      })),
      web: { side: Object.fromEntries(section.rolls.map(({ id, side }) => [id, side])) },
      ...(section.reference === undefined ? {} : { reference: section.reference }),
      ...(section.baseline === undefined ? {} : { baseline: { offset: tidy(section.baseline) } }),
      readings: readings.map(({ written: _, ...one }) => {
        if (one.type === 'level') return { ...one, instrument: one.instrument ?? 'level' }
        if (one.type === 'plane') return { ...one, x: tidy(one.x), value: tidy(one.value) }
        if (one.type === 'diagonals')
          return { ...one, between: [...one.between], nearFar: tidy(one.nearFar), farNear: tidy(one.farNear) }
        if (one.type === 'direct') return one
        if (one.type === 'centre') return { ...one, value: tidy(one.value) }
        if (one.type === 'scale') {
          const { stand, ...own } = one
          return { ...own, near: tidy(one.near), far: tidy(one.far), over: tidy(one.over), ...(stand ? { stand } : {}) }
        }
        return { ...one, between: [...one.between], near: tidy(one.near), far: tidy(one.far), over: tidy(one.over) }
      }),
    },
  }
}
