import { type ReactNode, useMemo, useState } from 'react'
import styled from 'styled-components'
import { doubtDimensions } from '../../../../core/kinds/train/document/doubts'
import { withFixed } from '../../../../core/kinds/train/document/held'
import type { Line } from '../../../../core/kinds/train/document/schema'
import { placeStations } from '../../../../core/kinds/train/document/stations'
import { lengthUnitFor } from '../../../../core/quantity/usual'
import { capital, footName, inText, unitName } from '../../../../words/terms'
import { say } from '../../../../words/train/findings'
import { lineWords } from '../../../../words/train/page/line'
import { referencesOf } from '../../../../words/train/places'
import type { TrainTerms } from '../../../../words/train/terms'
import { sayTrouble } from '../../../../words/troubles'
import { Card, Choices, Field, Input, Muted } from '../../../parts/controls'
import { Peg } from '../../../parts/Peg'
import { Couplings } from './Couplings'
import { Growth } from './Growth'
import { Machines } from './Machines'
import { Marks } from './Marks'
import { OnDrawing } from './OnDrawing'
import { OwnChecks } from './OwnChecks'
import { type Change, Grid, type LineSheet, type LineStation } from './Part'
import { Tolerance } from './Tolerance'

const Sheet = styled.main`padding: 20px; display: grid; gap: 20px; h1 { font-size: 22px; } h2 { font-size: 16px; margin-bottom: 10px; }`
const Doubt = styled.p`display: flex; gap: 10px; align-items: flex-start; svg { margin-top: 3px; } span { color: var(--muted); }`
const Doubts = styled.div`&:empty { display: none; }`
const Top = styled.div`display: flex; flex-wrap: wrap; gap: 12px; align-items: center; > :last-child { margin-left: auto; }`
const Held = styled.div`display: flex; flex-wrap: wrap; gap: 12px 24px; align-items: end; > label { flex: 0 1 340px; }`

/** A line's sheet: the train dimensioned on its own drawing, and what else is known of it. */
export function LineEditor(props: {
  line: Line
  unit: 'mm' | 'mil'
  flipped: boolean
  frozen?: boolean
  onChange: Change
  onward?: ReactNode
  /** What else an alteration would drop: the readings of a job, as a sentence with a blank at its end. */
  dropped?: (line: Line) => string
  /** More cards below the line’s own. */
  children?: ReactNode
}) {
  const { line, unit, onChange, frozen = false } = props
  const length = lengthUnitFor(unit)
  const terms: TrainTerms = { line, unit, resolution: 0.01 }
  // what was tapped on the drawing
  const [part, open] = useState<string>()
  const dropped = props.dropped ?? (() => '')
  const stations = useMemo(() => placeStations(line), [line])
  const doubts = useMemo(() => doubtDimensions(line, stations), [line, stations])
  const set =
    <K extends keyof Line>(key: K, mark?: string) =>
    (value: Line[K]) =>
      onChange((l) => ({ ...l, [key]: value }), mark ?? `line:${key}`)

  const setStation = (id: string, change: Partial<LineStation>) =>
    onChange(
      (l) => ({
        ...l,
        couplings: l.couplings.map((c) =>
          c.id === id && c.station ? { ...c, station: { ...c.station, ...change } } : c,
        ),
        machines: l.machines.map((m) => ({
          ...m,
          feet: m.feet.map((f) => (f.id === id ? { ...f, station: { ...f.station, ...change } } : f)),
        })),
      }),
      `station:${id}`,
    )
  const places = referencesOf(line)
  const nameOf = (id: string) => places.find(({ value }) => value === id)?.text ?? inText(footName(id, terms))
  const elsewhere = (id: string) => places.filter(({ value }) => value !== id)
  const parts: LineSheet = { line, unit, frozen, stations, onChange, part, open, elsewhere, setStation, dropped }

  return (
    <Sheet id="bench">
      <Top>
        <div>
          <h1>{lineWords.theLine}</h1>
          <Muted>{lineWords.enterEachDistanceOnThe(unitName[length])}</Muted>
        </div>
        {props.onward}
      </Top>
      <OnDrawing {...parts} flipped={props.flipped} nameOf={nameOf} />
      <Doubts role="status" aria-label={lineWords.dimensionsToCheck}>
        {stations.faults
          .filter((fault) => fault.kind !== 'missing')
          .map((fault) => (
            <Doubt key={fault.of}>
              <Peg peg="outside" />
              <b>{capital(nameOf(fault.of))}:</b> <span>{sayTrouble(fault.trouble)}</span>
            </Doubt>
          ))}
        {doubts.map((doubt) => {
          const { title, detail } = say({ kind: 'dimension-doubt', peg: 'outside', doubt }, terms)
          return (
            <Doubt key={`${doubt.of}${doubt.kind}`}>
              <Peg peg="outside" />
              <b>{title}</b> <span>{detail}</span>
            </Doubt>
          )
        })}
      </Doubts>
      <Card aria-label={lineWords.theLine}>
        <Grid>
          <Field label={lineWords.lineName}>
            <Input value={line.name} readOnly={frozen} onChange={(e) => set('name')(e.target.value)} />
          </Field>
          <Field label={lineWords.area}>
            <Input value={line.area} readOnly={frozen} onChange={(e) => set('area')(e.target.value)} />
          </Field>
          <Field label={lineWords.nearSideWhereYouStand}>
            <Input
              value={line.sides.near}
              readOnly={frozen}
              onChange={(e) => set('sides', 'near')({ ...line.sides, near: e.target.value })}
            />
          </Field>
          <Field label={lineWords.farSideAcrossTheShaft}>
            <Input
              value={line.sides.far}
              readOnly={frozen}
              onChange={(e) => set('sides', 'far')({ ...line.sides, far: e.target.value })}
            />
          </Field>
          <Field label={lineWords.speedRpm}>
            <Input
              inputMode="numeric"
              value={line.speed}
              readOnly={frozen}
              onChange={(e) => set('speed')(e.target.value)}
            />
          </Field>
        </Grid>
      </Card>
      <Card aria-label={lineWords.fixedMachine}>
        <h2>{lineWords.fixedMachine}</h2>
        <Held>
          <Choices
            label={lineWords.fixedMachine}
            value={line.fixed}
            isDisabled={frozen}
            options={line.machines.map((m) => ({ value: m.id, text: m.name || 'unnamed' }))}
            onChange={(id) => onChange((l) => withFixed(l, id))}
          />
          <Field label={lineWords.reason}>
            <Input
              placeholder={lineWords.pipingIsConnected}
              value={line.fixedBecause}
              readOnly={frozen}
              onChange={(e) => set('fixedBecause')(e.target.value)}
            />
          </Field>
        </Held>
      </Card>
      <Machines {...parts} />
      <Couplings {...parts} />
      <Marks {...parts} />
      <Growth line={line} unit={unit} frozen={frozen} onChange={onChange} />
      <OwnChecks checks={line.checks ?? []} frozen={frozen} onChange={set('checks')} />
      <Tolerance line={line} unit={unit} frozen={frozen} onChange={set('tolerance')} />
      {props.children}
    </Sheet>
  )
}
