import styled from 'styled-components'
import type { PlannedFoot, PlannedStation } from '../../../../core/kinds/train/plan/plan'
import { emptyQuantity, type Quantity, showQuantity, unitOf } from '../../../../core/quantity/quantity'
import { packFault, packMm } from '../../../../core/shims/stock'
import { packDrawing } from '../../../../drawing/pack'
import { capital, footName, lengthWithUnit, sideName, type Terms, unitName } from '../../../../words/terms'
import { moveWords } from '../../../../words/train/page/move'
import { packAct, shimSize } from '../../../../words/train/plan'
import { mono } from '../../../app/style'
import { FaultField } from '../../../parts/FaultField'
import type { TrainFrame } from '../frame'

const Pair = styled.div`display: grid; grid-template-columns: 1fr 1fr; gap: 12px; margin-top: 6px; border-top: 1px solid var(--rule); padding-top: 8px;`
const Side = styled.div`display: grid; gap: 4px; align-content: start; min-width: 0; h4 { margin: 0; font-size: 13px; font-weight: 600; color: var(--muted); } p { font-size: 14px; font-weight: 600; line-height: 1.3; } small { color: var(--muted); font-size: 12.5px; }
  input { ${mono} font-size: 14px; min-height: 44px; }`
const Stacks = styled.svg`display: block; width: 100%; max-width: 190px; height: auto; text { ${mono} font-size: 12px; fill: var(--ink); } .cap { fill: var(--muted); font-family: inherit; }`

/** The two packs of a station: what lies there, what shall lie there, and what that takes. */
export function Packs({ station, frame }: { station: PlannedStation; frame: TrainFrame }) {
  return (
    <Pair>
      {station.feet.map((foot) => (
        <OnePack key={foot.id} foot={foot} frame={frame} />
      ))}
    </Pair>
  )
}

function OnePack({ foot, frame }: { foot: PlannedFoot; frame: TrainFrame }) {
  const { terms, round, frozen } = frame
  const typed = round.plan?.packs[foot.id]
  const shown = typed ?? (foot.present ? written(foot.present, terms) : emptyQuantity(terms.unit))
  const act = packAct(foot, terms)
  return (
    <Side>
      <h4>{moveWords.foot(capital(sideName(foot.side, terms)))}</h4>
      {foot.present && foot.change ? (
        <Drawn old={foot.present} fresh={foot.change.pack.shims} terms={terms} />
      ) : foot.present ? (
        <Drawn old={foot.present} fresh={undefined} terms={terms} />
      ) : null}
      {act ? <p>{capital(act)}</p> : null}
      {foot.softFoot > 0 ? <small>{moveWords.withForTheSoftFoot(lengthWithUnit(foot.softFoot, terms))}</small> : null}
      {foot.change && Math.abs(foot.change.pack.residual) > terms.resolution / 4 && frame.plan?.feasible ? (
        <small>
          {moveWords.thanExact(
            lengthWithUnit(Math.abs(foot.change.pack.residual), { ...terms, resolution: terms.resolution / 10 }),
            foot.change.pack.residual > 0 ? moveWords.thicker : moveWords.thinner,
          )}
        </small>
      ) : null}
      <FaultField
        hidden
        label={moveWords.shimsUnderFoot(
          footName(foot.station, terms),
          sideName(foot.side, terms),
          unitName[terms.unit],
        )}
        trouble={packFault(typed)}
        placeholder={moveWords.now105}
        readOnly={frozen}
        maxLength={40}
        value={inUnit(shown, terms)}
        onChange={({ target }) =>
          frame.editPlan(
            (plan) => ({ ...plan, packs: { ...plan.packs, [foot.id]: { text: target.value, unit: terms.unit } } }),
            `pack:${foot.id}`,
          )
        }
      />
    </Side>
  )
}

/** A pack as text in the unit shown: as typed where that is its own. */
function inUnit(pack: Quantity, terms: Terms): string {
  if (unitOf(pack) === terms.unit || packMm(pack) === undefined) return pack.text
  return pack.text.includes('+') || pack.text.includes(' ')
    ? (packMm(pack) ?? []).map((size) => shimSize(size, terms)).join(' + ')
    : showQuantity(pack, terms.unit)
}

const written = (pack: readonly number[], terms: Terms): Quantity => ({
  text: pack.map((size) => shimSize(size, terms)).join(' + '),
  unit: terms.unit,
})

/** Old and new pack side by side, one scale; what is new is filled. */
function Drawn({ old, fresh, terms }: { old: readonly number[]; fresh: readonly number[] | undefined; terms: Terms }) {
  const size = { width: 34, height: 66 }
  const stack = (pack: readonly number[], other: readonly number[], x: number, isNew: boolean) =>
    packDrawing(pack, other, size).strips.map((strip, i) => (
      // biome-ignore lint/suspicious/noArrayIndexKey: a strip's place in the pack is what it is
      <g key={i}>
        <rect
          x={x}
          y={strip.y}
          width={size.width}
          height={strip.height}
          fill={isNew && !strip.kept ? 'var(--kelp)' : 'var(--paper)'}
          stroke={!isNew && fresh && !strip.kept ? 'var(--outside)' : 'var(--ink)'}
          strokeDasharray={!isNew && fresh && !strip.kept ? '3 2' : undefined}
          strokeWidth={1}
        />
        <text x={x + size.width + 4} y={strip.y + strip.height / 2 + 4}>
          {shimSize(strip.size, terms)}
        </text>
      </g>
    ))
  return (
    <Stacks viewBox="0 0 156 84" aria-hidden="true">
      {stack(old, fresh ?? old, 2, false)}
      <text className="cap" x={2} y={81}>
        {moveWords.now3}
      </text>
      {fresh ? (
        <>
          {stack(fresh, old, 80, true)}
          <text className="cap" x={80} y={81}>
            {moveWords.thenWord}
          </text>
        </>
      ) : null}
    </Stacks>
  )
}
