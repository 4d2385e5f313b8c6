import { Minus, Plus } from 'lucide-react'
import { memo, type RefCallback, useCallback } from 'react'
import styled from 'styled-components'
import { type Quantity, quantityFault } from '../../../../core/quantity/quantity'
import type { Unit } from '../../../../core/quantity/units'
import { unitName } from '../../../../words/terms'
import { readWords } from '../../../../words/train/page/read'
import { mono, narrow } from '../../../app/style'
import { Button } from '../../../parts/controls'
import { QuantityInput } from '../../../parts/Quantity'

const Cell = styled.div<{ $width: number }>`
  position: absolute; width: ${({ $width }) => $width}px; transform: translateX(-50%);
  border: 1px solid var(--rule); border-radius: 4px; background: var(--card); padding: 4px 2px 0 8px;
  &:focus-within { border-color: var(--kelp); box-shadow: 0 0 0 1px var(--kelp); }
  &[data-bad='true'] { border: 2px solid var(--outside); }
  label, .label { display: flex; justify-content: space-between; font-size: 12.5px; color: var(--muted); padding-right: 8px; }
  input { border: 0; min-height: 34px; font-size: 18px; font-weight: 600; background: none; padding: 0 8px 4px 0; border-radius: 2px; }
  input:focus-visible { outline: none; }
  &:focus-within .turns { display: flex; }
  ${narrow} { position: relative; left: auto !important; transform: none; width: auto; }
`
/** Hangs under the cell that has the focus, so that nothing else moves. */
const Turns = styled.div`
  position: absolute; z-index: 2; top: calc(100% + 3px); left: 50%; transform: translateX(-50%); min-width: 168px;
  display: none; align-items: center; justify-content: space-between; background: var(--card); border: 1px solid var(--kelp); border-radius: 4px; font-size: 13px;
  b { ${mono} } button { padding: 0; }
`

/** What a cell can ask of its dial; the same object for the dial's life, so that cells stay as they are. */
export interface CellHands {
  cellRef: (angleId: string) => RefCallback<HTMLInputElement>
  focus: (angleId: string) => void
  type: (angleId: string, value: Quantity) => void
  turn: (angleId: string, by: 1 | -1) => void
  /** To a neighbor in turning order. */
  onward: (angleId: string, by: 1 | -1) => void
  across: (angleId: string, by: 1 | -1) => void
}

interface Props {
  angleId: string
  dialName: string
  label: string
  /** The angle inside a sentence. */
  inText: string
  /** Where this probe stood, when it was not quite there. */
  ownAngle?: string | undefined
  /** Shown pale in an empty cell: a quarter worked out from the other three, or what to set the dial to. */
  placeholder?: string | undefined
  computed?: boolean
  text: string
  typedUnit: Unit
  turns: number
  /** Whether it is a dial, with turns to count. */
  turning?: boolean
  unit: Unit
  width: number
  left: number
  active: boolean
  frozen: boolean
  /** Its closure would be mended by mending this one. */
  suspected: boolean
  faultId: string
  hands: CellHands
}

/** One reading: the angle's name, the number, and whole turns of the dial while it has the focus. */
export const ReadingCell = memo(function ReadingCell(props: Props) {
  const { angleId, label, turns, unit, frozen, hands } = props
  const quantity: Quantity = { text: props.text, unit: props.typedUnit }
  const fault = quantityFault(quantity)
  const turn = useCallback(
    (by: 1 | -1) => {
      if (!frozen) hands.turn(angleId, by)
    },
    [frozen, hands, angleId],
  )
  return (
    <Cell $width={props.width} style={{ left: props.left }} data-bad={Boolean(fault) || props.suspected}>
      <span className="label" aria-hidden="true">
        {props.ownAngle ?? label}
        {props.computed ? <span>{readWords.computed}</span> : null}
        {turns !== 0 ? (
          <span>{readWords.turn(turns > 0 ? '+' : '−', Math.abs(turns), Math.abs(turns) > 1 ? 's' : '')}</span>
        ) : null}
      </span>
      <QuantityInput
        signed
        turns={props.turning !== false}
        label={`${props.dialName}, ${props.inText}, ${unitName[unit]}`}
        quantity={quantity}
        {...(props.placeholder === undefined ? {} : { placeholder: props.placeholder })}
        unit={unit}
        readOnly={frozen}
        describedBy={fault ? props.faultId : undefined}
        inputRef={hands.cellRef(angleId)}
        onFocus={() => hands.focus(angleId)}
        onChange={(value) => hands.type(angleId, value)}
        onKeyDown={(event) => {
          const key = event.key
          if (key === 'Enter') hands.onward(angleId, event.shiftKey ? -1 : 1)
          else if (key === 'ArrowDown') hands.across(angleId, 1)
          else if (key === 'ArrowUp') hands.across(angleId, -1)
          else if (key === 'PageUp') turn(1)
          else if (key === 'PageDown') turn(-1)
          else return
          event.preventDefault()
        }}
      />
      {props.active && !frozen && props.turning !== false ? (
        <WholeTurns label={props.inText} turns={turns} turn={turn} />
      ) : null}
    </Cell>
  )
})

const WholeTurns = memo(function WholeTurns(props: { label: string; turns: number; turn: (by: 1 | -1) => void }) {
  return (
    <Turns className="turns" role="group" aria-label={readWords.wholeTurnsAt(props.label)}>
      <Button look="quiet" excludeFromTabOrder aria-label={readWords.oneTurnOfTheDial} onPress={() => props.turn(-1)}>
        <Minus size={16} />
      </Button>
      <span>
        <b>{props.turns}</b> {readWords.turns}
      </span>
      <Button look="quiet" excludeFromTabOrder aria-label={readWords.oneTurnOfTheDial2} onPress={() => props.turn(1)}>
        <Plus size={16} />
      </Button>
    </Turns>
  )
})
