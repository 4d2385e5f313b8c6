import { ArrowDown, ArrowUp } from 'lucide-react'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { type Finding, findingsFor, machineDoubted } from '../../../core/advice/findings'
import type { Plane } from '../../../core/frame/axis'
import { seatFeet } from '../../../core/job/seat'
import type { FootSolution } from '../../../core/moves/solve'
import { tighteningOrder } from '../../../core/seat/layout'
import { orderInWords } from '../../../words/seat'
import {
  act,
  capital,
  dimension,
  footName,
  isZero,
  length,
  lengthWithUnit,
  place,
  sideName,
  type Terms,
  unitName,
} from '../../../words/terms'
import { mono } from '../../app/style'
import { Card, Choices, Muted } from '../../parts/controls'
import { type Act, Say, sayItems } from '../../say/Say'
import { Bench, BenchAndSay, BenchHead } from './Bench'
import { type JobFrame, useJobFrame } from './context'

const Feet = styled.div`display: grid; grid-template-columns: repeat(auto-fit, minmax(240px, 1fr)); gap: 16px; margin: 8px 0 20px;`
const Foot = styled(Card)<{ $chosen: boolean }>`
  display: grid; gap: 4px; padding: 12px 16px; ${({ $chosen }) => ($chosen ? 'border-color: var(--kelp); box-shadow: 0 0 0 1px var(--kelp);' : '')}
  h3 { font-size: 16px; display: flex; justify-content: space-between; gap: 12px; small { color: var(--muted); font-weight: 400; ${mono} font-size: 13px; } }
  > p:first-of-type { font-size: 19px; font-weight: 700; display: flex; align-items: center; gap: 10px; min-height: 40px; }
  > p { color: var(--ink); } > p + p { color: var(--muted); font-size: 14px; }
`
const Tighten = styled.p`color: var(--muted); & + & { margin-top: 8px; }`
const Head2 = styled.h2`font-size: 16px; margin-top: 4px;`

/** What to do at every foot: shims in or out, and which way to push by how much. */
export function MoveStep() {
  const frame = useJobFrame()
  const { document, solved, terms } = frame
  const navigate = useNavigate()
  const { line } = document
  const anything = solved.solution.feet.some(
    (foot) => foot.machine !== line.fixed && (foot.vertical || foot.horizontal),
  )

  const actsFor = (finding: Finding): Act[] => {
    switch (finding.kind) {
      case 'not-closed':
      case 'not-a-number':
      case 'unsolved':
      case 'not-returned':
        return [{ text: 'To the readings', main: true, run: () => navigate(`/jobs/${frame.id}/read`) }]
      case 'dimension-fault':
      case 'dimension-doubt':
      case 'no-limits':
        return [{ text: 'To the line', run: () => navigate(`/jobs/${frame.id}/line`) }]
      case 'engaged':
        return finding.accepted || frame.frozen
          ? []
          : [{ text: 'Plan from it all the same', run: () => acceptEngaged(finding.coupling) }]
      case 'not-fitting':
      case 'sets-disagree':
        return [{ text: 'To the readings', main: true, run: () => navigate(`/jobs/${frame.id}/read`) }]
      case 'read-again':
        return frame.frozen ? [] : [{ text: 'Moved; read again', main: true, run: frame.beginRound }]
      default:
        return []
    }
  }

  /** Who says so, and when: it is on the record and on the printed page. */
  const acceptEngaged = (coupling: string) => {
    const by = `${frame.settings.initials || 'no initials'}, ${new Date().toISOString().slice(0, 10)}`
    frame.editRound((round) => ({
      ...round,
      sets: round.sets.map((set) =>
        set.coupling === coupling && set.state === 'engaged' ? { ...set, engagedAccepted: by } : set,
      ),
    }))
  }

  return (
    <BenchAndSay>
      <Bench id="bench">
        <BenchHead>
          <div>
            <h1>Shims and side moves</h1>
            <Muted>numbers to the dial’s own step, {lengthWithUnit(solved.resolution, terms)}</Muted>
          </div>
          <Choices
            label="Which machine stays"
            value={line.fixed}
            isDisabled={frame.frozen}
            options={line.machines.map((machine) => ({ value: machine.id, text: `${machine.name} stays` }))}
            onChange={(fixed) => frame.edit((job) => ({ ...job, line: { ...job.line, fixed, fixedBecause: '' } }))}
          />
        </BenchHead>
        {anything ? (
          line.machines
            .filter((machine) => machine.id !== line.fixed)
            .map((machine) => (
              <section key={machine.id} aria-label={`${machine.name}, moves`}>
                {(['vertical', 'horizontal'] as const).map((plane) => (
                  <div key={plane}>
                    <Head2>{plane === 'vertical' ? `${machine.name}, shims` : `${machine.name}, sideways`}</Head2>
                    <Feet>
                      {solved.solution.feet
                        .filter((foot) => foot.machine === machine.id)
                        .map((foot) => (
                          <FootCard key={foot.foot} foot={foot} plane={plane} frame={frame} terms={terms} />
                        ))}
                    </Feet>
                  </div>
                ))}
              </section>
            ))
        ) : (
          <Card>
            <p>The moves follow from the readings, and there are not enough yet.</p>
          </Card>
        )}
        {anything
          ? line.machines
              .filter((machine) => machine.id !== line.fixed)
              .map((machine) => {
                const feet = seatFeet(line, machine.id)
                const torque = document.seat?.[machine.id]?.torque
                return (
                  <Tighten key={machine.id}>
                    Tighten the {machine.name.toLowerCase()} as always:{' '}
                    {orderInWords(feet, tighteningOrder(feet), terms)}. By hand, snug, {torque || 'to the torque'},
                    twice round. Jack bolts backed off before the next reading.
                  </Tighten>
                )
              })
          : null}
      </Bench>
      <Say items={[...frame.reminders, ...sayItems(findingsFor(solved, 'move'), terms, actsFor)]} />
    </BenchAndSay>
  )
}

function FootCard(props: { foot: FootSolution; plane: Plane; frame: JobFrame; terms: Terms }) {
  const { foot, plane, frame, terms } = props
  const known = foot[plane]
  const name = capital(footName(foot.foot, terms).split(', ')[1] ?? footName(foot.foot, terms))
  const doubted = machineDoubted(frame.solved, foot.machine)
  return (
    <Foot
      $chosen={frame.chosen === foot.foot}
      aria-label={`${footName(foot.foot, terms)}, ${plane}`}
      onPointerEnter={() => frame.choose(foot.foot)}
    >
      <h3>
        {name}
        {plane === 'vertical' ? ', all at this station' : ''}
        <small>x = {dimension(foot.x, terms.unit)}</small>
      </h3>
      {known ? (
        <>
          <p>
            <Direction move={known.move} plane={plane} terms={terms} />
            {doubted ? `Not sure: ${act(known.move, plane, terms)}` : capital(act(known.move, plane, terms))}
          </p>
          <p>
            {plane === 'vertical' ? 'Its shaft stands' : 'Its shaft lies'} {place(known.position, plane, terms)} now, ±
            {length(2 * known.moveSd, terms)} {unitName[terms.unit]}
          </p>
        </>
      ) : (
        <>
          <p>Not measured</p>
          <p>{plane === 'vertical' ? 'Read top and bottom.' : 'Read both sides.'}</p>
        </>
      )}
    </Foot>
  )
}

/** An arrow as the drawing shows it: shims up or down; far is up in the plan. */
function Direction({ move, plane, terms }: { move: number; plane: Plane; terms: Terms }) {
  if (isZero(move, terms)) return null
  const up = move > 0
  const Arrow = up ? ArrowUp : ArrowDown
  const label = plane === 'vertical' ? (up ? 'up' : 'down') : `toward ${sideName(up ? 'far' : 'near', terms)}`
  return <Arrow size={26} strokeWidth={2.5} color="var(--kelp)" aria-label={label} />
}
