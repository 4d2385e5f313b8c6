import styled from 'styled-components'
import { emptyQuantity, quantityFrom, showQuantity } from '../../../core/quantity/quantity'
import type { Unit } from '../../../core/quantity/units'
import type { StepShim } from '../../../core/seat/cure'
import { type Corner, corners } from '../../../core/seat/foot'
import type { Seat, SeatFoot } from '../../../core/seat/schema'
import { emptySeatFoot, type SeatState } from '../../../core/seat/state'
import { feetDrawing } from '../../../drawing/feet'
import { seatWords } from '../../../words/page/seat'
import { byEdge, edgeName, seatFootName, stepName } from '../../../words/seat'
import { capital, lengthWithUnit, sideName, type Terms, unitName } from '../../../words/terms'
import { mono } from '../../app/style'
import { Button, Input } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { QuantityInput } from '../../parts/Quantity'
import { useWidth } from '../../parts/useWidth'

const cell = { width: 262, height: 176 }

const Sheet = styled.div`position: relative; background: var(--card); border: 1px solid var(--rule); border-radius: 4px; margin: 8px 0 12px; overflow-x: auto; > div { position: relative; } svg.shaft { position: absolute; inset: 0; }`
const Pad = styled.fieldset<{ $over: boolean }>`
  position: absolute; transform: translate(-50%, -50%); width: ${cell.width}px; height: ${cell.height}px; margin: 0; padding: 6px;
  border: ${({ $over }) => ($over ? '2px solid var(--outside)' : '1px solid var(--rule)')}; border-radius: 4px; background: var(--body);
  display: grid; grid-template-columns: 70px 1fr 70px; grid-template-rows: 22px 44px 44px 44px; gap: 3px 6px; align-items: center;
  legend { position: absolute; top: 5px; left: 8px; font-size: 13px; font-weight: 600; padding: 0; }
  input { min-height: 44px; padding: 0 6px; font-size: 15px; }
  .blade { grid-column: 1 / -1; grid-row: 4; padding: 0 8px; font-size: 14px; }
  .middle { grid-column: 2; } .rise input { border-width: 2px; font-weight: 700; text-align: center; } .pack input { text-align: center; }
`
const Bolt = styled.span`
  position: absolute; top: 4px; right: 8px; display: grid; place-items: center; width: 22px; height: 22px; border-radius: 50%; background: var(--ink); color: var(--card); ${mono} font-size: 13px; font-weight: 700;
`

const Was = styled.span`font-weight: 400; ${mono}`

const places: Record<Corner, { far: boolean; high: boolean }> = {
  lowNear: { far: false, high: false },
  lowFar: { far: true, high: false },
  highNear: { far: false, high: true },
  highFar: { far: true, high: true },
}

/** The feet seen from above, at their spacing: rise at the bolt, gaps at the corners, the order of tightening on the bolts. */
export function FeetFromAbove(props: {
  state: SeatState
  seat: Seat
  terms: Terms
  unit: Unit
  flipped: boolean
  frozen: boolean
  onFoot: (id: string, change: (foot: SeatFoot) => SeatFoot, mark: string) => void
}) {
  const { state, seat, terms, unit, flipped } = props
  const [ref, width] = useWidth()
  const sheet = Math.max(width, 2 * cell.width + 24)
  const drawing = feetDrawing(state.feet, sheet, cell, flipped)
  const fine = { ...terms, resolution: unit === 'mm' ? 0.01 : 0.0254 }
  const passes = ({ nothingOver }: SeatFoot) => Boolean(nothingOver?.text)
  const named = new Set(state.findings[0]?.kind === 'clean' ? [] : state.findings[0]?.feet)
  return (
    <Sheet ref={ref}>
      <div style={{ width: sheet, height: drawing.height }}>
        <svg className="shaft" width={sheet} height={drawing.height} aria-hidden="true">
          <line
            x1={drawing.shaft.from}
            x2={drawing.shaft.to}
            y1={drawing.shaft.y}
            y2={drawing.shaft.y}
            stroke="var(--ink)"
            strokeWidth={4}
          />
        </svg>
        {drawing.pads.map((pad) => {
          const typed = seat[state.pass][pad.id] ?? emptySeatFoot(unit)
          const name = seatFootName(pad.id, terms)
          const before = state.pass === 'after' ? seat.before[pad.id]?.rise : undefined
          const was = before?.text ? showQuantity(before, unit) : ''
          return (
            <Pad key={pad.id} $over={named.has(pad.id)} style={{ left: pad.x, top: pad.y }} data-foot={pad.id}>
              <legend>
                {capital(name)}
                {was ? <Was>{seatWords.was(was)}</Was> : null}
              </legend>
              <Bolt title={seatWords.boltInTheTighteningSequence(state.order.indexOf(pad.id) + 1)}>
                {state.order.indexOf(pad.id) + 1}
              </Bolt>
              {state.pass === 'loose' ? null : (
                <div className="middle rise" style={{ gridRow: 2 }}>
                  <QuantityInput
                    label={seatWords.rise(capital(name), unitName[unit])}
                    placeholder={seatWords.rise2}
                    quantity={typed.rise}
                    unit={unit}
                    readOnly={props.frozen}
                    onChange={(rise) => props.onFoot(pad.id, (foot) => ({ ...foot, rise }), 'rise')}
                  />
                </div>
              )}
              <div className="middle pack" style={{ gridRow: 3 }}>
                <Input
                  aria-label={seatWords.shimsUnderItNow(capital(name))}
                  placeholder={seatWords.shims}
                  maxLength={60}
                  value={typed.pack}
                  readOnly={props.frozen}
                  onChange={(event) => {
                    const pack = event.target.value
                    props.onFoot(pad.id, (foot) => ({ ...foot, pack }), 'pack')
                  }}
                />
              </div>
              {corners.map((corner) => {
                const { far, high } = places[corner]
                const side = sideName(far ? 'far' : 'near', terms)
                return (
                  <div key={corner} style={{ gridColumn: high !== flipped ? 3 : 1, gridRow: far !== flipped ? 2 : 3 }}>
                    <QuantityInput
                      label={seatWords.feelerGapAtItsCorner(
                        capital(name),
                        side,
                        high ? 'right' : 'left',
                        unitName[unit],
                      )}
                      placeholder={seatWords.gap}
                      quantity={typed.gaps[corner] ?? emptyQuantity(unit)}
                      unit={unit}
                      readOnly={props.frozen}
                      onChange={(gap) =>
                        props.onFoot(pad.id, (foot) => ({ ...foot, gaps: { ...foot.gaps, [corner]: gap } }), corner)
                      }
                    />
                  </div>
                )
              })}
              <Button
                className="blade"
                isDisabled={props.frozen}
                aria-pressed={passes(typed)}
                aria-label={seatWords.nothingUnder(capital(name), lengthWithUnit(state.threshold, fine))}
                onPress={() =>
                  props.onFoot(
                    pad.id,
                    ({ nothingOver, ...foot }) =>
                      nothingOver?.text
                        ? foot
                        : { ...foot, nothingOver: quantityFrom(state.threshold, unit, unit === 'mm' ? 3 : 1) },
                    'blade',
                  )
                }
              >
                <Peg peg={passes(typed) ? 'within' : 'nothing'} label="" />{' '}
                {seatWords.nothingGoesUnder(lengthWithUnit(state.threshold, fine))}
              </Button>
            </Pad>
          )
        })}
      </div>
      {state.cure.map((cure) =>
        'steps' in cure
          ? byEdge(cure.steps).map(([edge, steps]) => (
              <Steps
                key={`${cure.foot}${edge}`}
                foot={seatFootName(cure.foot, terms)}
                steps={steps}
                pad={state.pad}
                terms={terms}
              />
            ))
          : null,
      )}
    </Sheet>
  )
}

/** The pad from above, as the feet are drawn: each strip lies along its own edge and ends where it is cut. */
function FromAbove({ steps, x, side }: { steps: readonly StepShim[]; x: number; side: number }) {
  const strip = ({ edge, cover }: StepShim) => {
    const along = edge === 'low' || edge === 'high'
    const [width, height] = along ? [side * cover, side] : [side, side * cover]
    return { x: edge === 'high' ? side - width : 0, y: edge === 'near' ? side - height : 0, width, height }
  }
  return (
    <g transform={`translate(${x} 22)`}>
      <text x={0} y={-8} fontSize={13} fill="var(--muted)">
        {seatWords.fromAbove}
      </text>
      <rect width={side} height={side} fill="var(--body)" stroke="var(--ink)" strokeWidth={1.5} />
      {steps.map((step) => (
        <rect
          key={`${step.edge}${step.cover}`}
          {...strip(step)}
          fill="var(--kelp)"
          fillOpacity={0.22}
          stroke="var(--kelp)"
        />
      ))}
    </g>
  )
}

/** A stack of step shims in section, widest edge at the left, with the length of each as a share of the pad. */
function Steps(props: { foot: string; steps: readonly StepShim[]; pad: SeatState['pad']; terms: Terms }) {
  const { foot, steps, pad, terms } = props
  const width = 300
  const step = 14
  const height = steps.length * step + 46
  const edge = edgeName(steps[0]?.edge ?? 'high', terms)
  const long = [...steps].sort((a, b) => b.cover - a.cover)
  return (
    <svg
      width={width + 300 + Math.max(64, height - 40)}
      height={height}
      role="img"
      aria-label={seatWords.stepShimsUnderTheIn(foot)}
      style={{ margin: 12 }}
    >
      <text x={0} y={14} fontSize={13} fill="var(--muted)">
        {seatWords.underTheInSectionEdge(foot, edge)}
      </text>
      {long.map((shim, i) => (
        <g key={shim.cover}>
          <rect
            x={0}
            y={height - 14 - (i + 1) * step}
            width={width * shim.cover}
            height={step - 2}
            fill="var(--kelp)"
          />
          <text x={width * shim.cover + 8} y={height - 14 - i * step - 4} fontSize={12} fill="var(--ink)">
            {stepName(shim, pad, terms)}
          </text>
        </g>
      ))}
      <line x1={0} x2={width} y1={height - 12} y2={height - 12} stroke="var(--ink)" strokeWidth={3} />
      <FromAbove steps={long} x={width + 290} side={Math.max(64, height - 40)} />
    </svg>
  )
}
