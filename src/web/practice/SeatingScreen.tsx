import { useState } from 'react'
import styled from 'styled-components'
import {
  beginSeating,
  faultChoices,
  judgeSeating,
  mayRise,
  type Seating,
  type SeatingAct,
  seated,
} from '../../core/practice/seating'
import {
  dialShows,
  type FrameFault,
  type FrameFoot,
  frameFeet,
  gapsAt,
  makeFrame,
  padCorners,
} from '../../core/practice/softFootRig'
import { formatNumber } from '../../core/quantity/number'
import { frameFaultNames, frameFootNames, sayFrame, saySeatingSlip, seatingWords as words } from '../../words/seating'
import { capital } from '../../words/terms'
import { mono } from '../app/style'
import { Button, Choices, Field, Muted, Select } from '../parts/controls'
import { Peg } from '../parts/Peg'
import { FrameDrawing } from './FrameDrawing'
import { LengthDial } from './LengthDial'
import { LengthInput } from './LengthInput'
import { Asking, type InOrder, LessonFrame } from './LessonFrame'
import { useLengths } from './lengths'
import { Row } from './page'
import { useKept } from './useKept'

const Two = styled.div`display: grid; grid-template-columns: minmax(0, 1.6fr) minmax(180px, 1fr); gap: 20px; align-items: start; @media (max-width: 899px) { grid-template-columns: minmax(0, 1fr); }`
const Table = styled.table`border-collapse: collapse; th, td { padding: 5px 18px 5px 0; text-align: left; border-bottom: 1px solid var(--rule); } td { ${mono} } th { font-weight: 500; color: var(--muted); }`

const game = { begin: beginSeating, acted: seated, same: (kept: Partial<Seating>) => kept.lesson === 'soft-foot' }

/** The lesson of the frame: bolts, dial, blades and shims to be handled, the fault told, the truth laid over it. */
export function SeatingScreen(order: InOrder) {
  const kept = useKept<Seating, SeatingAct>('vane-peg-practice:soft-foot', game)
  const { state, act } = kept
  const [chosen, choose] = useState<FrameFoot>('near-left')
  const { hands, seed } = state
  const lengths = useLengths()
  const { told, signed, unit } = lengths
  const frame = makeFrame(seed)
  const shown = dialShows(frame, hands)
  const dialSaid =
    hands.dial && shown !== undefined ? words.dialOn(frameFootNames[hands.dial.foot], signed(shown)) : words.noDial
  const name = frameFootNames[chosen]
  const loose = hands.loose.includes(chosen)
  const gaps = gapsAt(frame, hands, chosen)
  const pack = [
    hands.shims[chosen] ? words.evenShim(told(hands.shims[chosen])) : '',
    hands.steps[chosen] ? words.stepShim(told(hands.steps[chosen])) : '',
    hands.cleaned.includes(chosen) ? words.cleaned : '',
  ].filter(Boolean)
  return (
    <LessonFrame
      order={order}
      words={words}
      rig={words.frame}
      within={words.mayRise(told(mayRise))}
      kept={kept}
      answers={<Answers state={state} act={act} />}
    >
      <Two>
        <FrameDrawing {...{ hands, chosen, choose }} />
        <LengthDial mm={shown ?? 0} label={dialSaid} lengths={lengths} />
      </Two>
      <p role="status">{dialSaid}</p>
      <Choices
        label={words.foot}
        value={chosen}
        options={frameFeet.map((foot) => ({ value: foot, text: capital(frameFootNames[foot]) }))}
        onChange={choose}
      />
      <Row role="group" aria-label={`${words.foot}: ${name}`}>
        <Button onPress={() => act({ do: 'dial', foot: chosen })}>{words.dial}</Button>
        <Button onPress={() => act({ do: loose ? 'tighten' : 'loosen', foot: chosen })}>
          {loose ? words.tighten : words.loosen}
        </Button>
        <Button isDisabled={!loose} onPress={() => act({ do: 'clean', foot: chosen })}>
          {words.clean}
        </Button>
      </Row>
      {loose ? (
        <Table aria-label={words.gaps(name)}>
          <thead>
            <tr>
              <th scope="col">{words.corner}</th>
              <th scope="col">{words.goes(unit)}</th>
            </tr>
          </thead>
          <tbody>
            {padCorners.map((corner) => (
              <tr key={corner}>
                <th scope="row">{capital(frameFootNames[corner])}</th>
                <td>{gaps[corner] > 0 ? lengths.bare(gaps[corner]) : words.none}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      ) : (
        <Muted>{words.gapsTight}</Muted>
      )}
      <Row style={{ alignItems: 'end' }}>
        <div style={{ width: 140 }}>
          <Field label={words.thickness(unit)}>
            <LengthInput text={state.thickness} unit={unit} onType={(text) => act({ do: 'thickness', text })} />
          </Field>
        </div>
        <Button isDisabled={!loose} onPress={() => act({ do: 'shim', foot: chosen })}>
          {words.shim}
        </Button>
        <Button isDisabled={!loose} onPress={() => act({ do: 'step', foot: chosen })}>
          {words.step}
        </Button>
        {pack.length > 0 ? <Muted>{words.under(pack.join(', '))}</Muted> : null}
      </Row>
      <Muted>{words.loosenFirst}</Muted>
      <Row>
        <Button onPress={() => act({ do: 'pipe', off: !hands.pipeOff })}>
          {hands.pipeOff ? words.pipeOn : words.pipeOff}
        </Button>
        <Muted>{hands.pipeOff ? words.pipeIsOff : words.pipeIsOn}</Muted>
      </Row>
    </LessonFrame>
  )
}

function Answers({ state, act }: { state: Seating; act: (one: SeatingAct) => void }) {
  const judged = judgeSeating(state)
  const { signed, told } = useLengths()
  const { fault, foot, size } = judged.frame
  return (
    <>
      <Field label={words.whatIsIt}>
        <Select
          value={state.told}
          options={[
            { value: '', text: words.choose },
            ...faultChoices.map((value) => ({ value, text: frameFaultNames[value] })),
          ]}
          onPick={(value) => act({ do: 'tell', fault: value as FrameFault | '' })}
        />
      </Field>
      <Asking
        check={words.check}
        hints={words.hints}
        taken={state.hints}
        act={act}
        outcome={state.checked ? { passed: judged.passed, slips: judged.slips.map(saySeatingSlip) } : undefined}
      >
        <Table>
          <caption style={{ textAlign: 'left', color: 'var(--muted)', fontSize: 14 }}>{words.rises}</caption>
          <tbody>
            {frameFeet.map((one) => (
              <tr key={one}>
                <th scope="row">
                  <Peg peg={Math.abs(judged.rises[one]) > mayRise ? 'outside' : 'within'} size={12} label="" />{' '}
                  {capital(frameFootNames[one])}
                </th>
                <td>{signed(judged.rises[one])}</td>
              </tr>
            ))}
          </tbody>
        </Table>
        {judged.passed ? (
          <p>
            {words.truth}{' '}
            {sayFrame(fault, frameFootNames[foot], fault === 'strain' ? formatNumber(size, 2) : told(size))}
          </p>
        ) : null}
      </Asking>
    </>
  )
}
