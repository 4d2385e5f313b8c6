import { memo, useCallback, useLayoutEffect, useRef, useState } from 'react'
import styled from 'styled-components'
import { secondPlane } from '../../../../core/kinds/train/document/stations'
import { goesRound, probeKinds } from '../../../../core/probes'
import type { ProbeSetUp, ReadSet } from '../../../../core/shafts/schema'
import type { ProbeState } from '../../../../core/shafts/state'
import { turningOrder } from '../../../../core/shafts/turning'
import { isCoupled, readingKey, readingsIn, setPurpose } from '../../../../core/shafts/typed'
import { couplingName, methodNames, purposeNames, sideName } from '../../../../words/terms'
import { howReadText } from '../../../../words/train/howRead'
import { readWords } from '../../../../words/train/page/read'
import { setUpWords } from '../../../../words/train/page/setUp'
import { part } from '../../../app/part'
import { BenchHead } from '../../../job/frame/WorkArea'
import { Button, Muted } from '../../../parts/controls'
import { Remove } from '../../../parts/Remove'
import { LiveTraces } from '../../../strip/live'
import { useTrainFrame } from '../frame'
import { DialBench } from './DialBench'

// fetched when first opened: most readings are typed into sets that are hung already
const SetUp = part(async () => (await import('../setUp/SetUp')).SetUp)
const Live = part(async () => (await import('../live/Live')).Live)
const Import = part(async () => (await import('./Import')).Import)

const SetBox = styled.section`
  & + & { margin-top: 28px; padding-top: 16px; border-top: 2px solid var(--ink); }
`
const Buttons = styled.div`display: flex; flex-wrap: wrap; gap: 8px;`

/** What stands open beside the readings of a set. */
export type Panel = 'set-up' | 'live' | 'import'

interface Props {
  set: ReadSet
  /** Which of how many at its coupling. */
  place: { number: number; of: number }
  open: readonly Panel[]
  toggle: (panel: Panel) => void
  /** Every probe as it would be without the slip that is being tried on. */
  trial: readonly ProbeState[] | undefined
  cells: Map<string, HTMLInputElement>
  focusCell: (stateId: string, angleId: string) => void
  onward: (stateId: string, angleId: string, by: 1 | -1) => void
  onRemove: (() => void) | undefined
}

/** One set: what hangs on the shafts, and a strip with its cells for every probe. */
export function SetSection({ set, place, open, toggle, trial, cells, focusCell, onward, onRemove }: Props) {
  const frame = useTrainFrame()
  const { document, round, solved, terms, settings, frozen } = frame
  const [traces] = useState(() => new LiveTraces())
  const editSet = (change: (set: ReadSet) => ReadSet, mark?: string) =>
    frame.editRound((r) => ({ ...r, sets: r.sets.map((s) => (s.id === set.id ? change(s) : s)) }), mark)
  const editDial = (dialId: string, change: (dial: ProbeSetUp) => ProbeSetUp, mark?: string) =>
    editSet((s) => ({ ...s, probes: s.probes.map((dial) => (dial.id === dialId ? change(dial) : dial)) }), mark)
  const states = solved.dials.filter((state) => state.set.id === set.id)
  const name = couplingName(set.coupling, terms)
  const turns = set.probes.some(goesRound)
  const heads = set.probes.some(({ type }) => probeKinds[type].instrument === 'head')
  const latest = useRef(toggle)
  useLayoutEffect(() => {
    latest.current = toggle
  })
  const press = useCallback((which: Panel) => latest.current(which), [])
  // what every set has goes without saying: it is in the set-up
  const unusual = [
    place.of > 1 ? readWords.setNumber(place.number) : '',
    round.sets.length > place.of ? name : '',
    set.turned === 'one' ? setUpWords.bracketsShaftOnly : '',
    isCoupled(set) || setPurpose(set) !== 'plan' ? purposeNames[setPurpose(set)] : '',
    set.direction === 'near' ? readWords.fromTheTopToward(sideName('near', terms)) : '',
  ]
  return (
    <SetBox aria-label={place.of > 1 ? readWords.setWord(name, place.number) : name}>
      <BenchHead>
        <div>
          {round.sets[0]?.id === set.id ? <h1>{readWords.title}</h1> : null}
          <h2>{methodNames[set.method]}</h2>
          <Muted>{turns ? unusual.filter(Boolean).join(', ') : howReadText(set, document.line)}</Muted>
        </div>
        <PanelButtons open={open.join(' ')} heads={heads} turns={turns} frozen={frozen} press={press} />
      </BenchHead>
      {open.includes('set-up') ? (
        <>
          <SetUp
            set={set}
            line={document.line}
            stations={solved.stations}
            unit={settings.unit}
            frozen={frozen}
            onSet={editSet}
            onDial={editDial}
            onDone={() => {
              const [first] = states
              const [angle] = first ? turningOrder(first.set) : []
              if (first && angle) focusCell(first.id, angle.id)
            }}
          />
          {onRemove ? (
            <Remove
              label={readWords.removeThisSet}
              goes={readWords.thisAlsoRemovesReadingsUndo(readingsIn([set]))}
              onRemove={onRemove}
            />
          ) : null}
        </>
      ) : null}
      {open.includes('live') && !frozen ? (
        <Live
          set={set}
          states={states}
          onSet={editSet}
          traces={traces}
          onSettings={() => toggle('set-up')}
          frame={{ jobId: frame.id, line: document.line, x: solved.stations.x, unit: settings.unit }}
        />
      ) : null}
      {open.includes('import') && !frozen ? (
        <Import set={set} round={round} onSet={editSet} done={() => toggle('import')} />
      ) : null}
      {states.map((state) => (
        <DialBench
          key={state.id}
          dial={state}
          trial={trial?.find(({ id }) => id === state.id)}
          live={open.includes('live') ? traces : undefined}
          terms={terms}
          unit={settings.unit}
          frozen={frozen}
          chosen={frame.chosen === state.dial.id}
          x={
            state.channel?.startsWith('t')
              ? undefined
              : solved.stations.x.get(state.channel === 'r2' ? secondPlane(state.dial.id) : state.dial.id)
          }
          couplingX={solved.stations.x.get(set.coupling) ?? 0}
          cellRef={(angleId) => (element) => {
            const key = `${state.id}/${angleId}`
            if (element) cells.set(key, element)
            else cells.delete(key)
          }}
          onFocus={() => frame.choose(state.dial.id)}
          onReading={(angleId, change) => {
            const key = readingKey(angleId, state.channel)
            editDial(
              state.dial.id,
              (d) => ({
                ...d,
                readings: {
                  ...d.readings,
                  [key]: change(d.readings[key] ?? { value: { text: '', unit: settings.unit }, turns: 0 }),
                },
              }),
              `${state.dial.id}/${key}`,
            )
          }}
          onward={(angleId, by) => onward(state.id, angleId, by)}
          across={(angleId, by) => {
            const other = states[states.findIndex(({ id }) => id === state.id) + by]
            if (other) focusCell(other.id, angleId)
          }}
        />
      ))}
    </SetBox>
  )
}

/** They stay as they are from keystroke to keystroke. */
const PanelButtons = memo(function PanelButtons(props: {
  /** The open panels' names, blanks between. */
  open: string
  heads: boolean
  turns: boolean
  frozen: boolean
  press: (panel: Panel) => void
}) {
  const open = props.open.split(' ')
  const panel = (which: Panel, text: string, close: string) => (
    <Button aria-expanded={open.includes(which)} onPress={() => props.press(which)}>
      {open.includes(which) ? close : text}
    </Button>
  )
  return (
    <Buttons>
      {panel(
        'set-up',
        props.turns ? (props.heads ? readWords.setUpHeads : readWords.setUpDials) : readWords.setUpInstrument,
        readWords.doneSettingUp,
      )}
      {props.frozen || !props.turns ? null : panel('live', readWords.live, readWords.closeDevices)}
      {props.frozen || !props.turns ? null : panel('import', readWords.import2, readWords.closeImport)}
    </Buttons>
  )
})
