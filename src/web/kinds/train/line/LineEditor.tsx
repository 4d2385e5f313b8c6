import { type ReactNode, useMemo, useState } from 'react'
import styled from 'styled-components'
import { lengthUnitFor } from '../../../../core/frame/usual'
import { withMachineAt, withoutFoot, withoutMachine, withoutMark } from '../../../../core/kinds/train/document/alter'
import { doubtDimensions } from '../../../../core/kinds/train/document/doubts'
import { withFixed, withKind } from '../../../../core/kinds/train/document/held'
import { isSameName, usualName, withFeet } from '../../../../core/kinds/train/document/make'
import { type Line, type MachineKind, machineKinds } from '../../../../core/kinds/train/document/schema'
import { originOf, placeStations } from '../../../../core/kinds/train/document/stations'
import { chainDrawing } from '../../../../drawing/train/chain'
import { capital, footName, unitName } from '../../../../words/terms'
import { say } from '../../../../words/train/findings'
import { machineKindNames } from '../../../../words/train/machines'
import { lineWords } from '../../../../words/train/page/line'
import { referencesOf } from '../../../../words/train/places'
import type { TrainTerms } from '../../../../words/train/terms'
import { sayTrouble } from '../../../../words/troubles'
import { newId } from '../../../app/newId'
import { Button, Card, Choices, Fault, Field, Input, Muted, Select } from '../../../parts/controls'
import { Peg } from '../../../parts/Peg'
import { QuantityField, QuantityInput } from '../../../parts/Quantity'
import { Remove } from '../../../parts/Remove'
import { useWidth } from '../../../parts/useWidth'
import { drawn } from '../../../sight/Sight'
import { Growth } from './Growth'
import { OwnChecks } from './OwnChecks'
import { Add, markNames, Place, Places, whereText } from './Place'
import { Tolerance } from './Tolerance'

type Change = (change: (line: Line) => Line, mark?: string) => void

const Sheet = styled.main`padding: 20px; display: grid; gap: 20px; h1 { font-size: 22px; } h2 { font-size: 16px; margin-bottom: 10px; }`
const Paper = styled.div`background: var(--card); border: 1px solid var(--rule); border-radius: 4px; overflow-x: auto;`
const Drawing = styled.div`position: relative; min-width: 560px; svg { display: block; } text { font-size: 14px; fill: var(--ink); }`
const At = styled.div<{ $x: number; $y: number }>`
  position: absolute; left: ${({ $x }) => $x}px; top: ${({ $y }) => $y}px; width: 100px; transform: translate(-50%, -50%);
  input { min-height: 44px; text-align: center; padding: 0 4px; background: var(--card); font-size: 15px; } span { position: absolute; }
`
const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(180px, 1fr)); gap: 12px;`
const Doubt = styled.p`display: flex; gap: 10px; align-items: flex-start; svg { margin-top: 3px; } span { color: var(--muted); }`
const Doubts = styled.div`&:empty { display: none; }`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 12px; align-items: end; margin-top: 14px;`
const Top = styled.div`display: flex; flex-wrap: wrap; gap: 12px; align-items: center; > :last-child { margin-left: auto; }`

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
  const [ref, width] = useWidth()
  const terms: TrainTerms = { line, unit, resolution: 0.01 }
  const [where, setWhere] = useState(8)
  const dropped = props.dropped ?? (() => '')
  const goesWith = (machine: Line['machines'][number], less: Line) =>
    lineWords.thisAlsoRemovesItsAnd(
      machine.feet.length === 1 ? 'feet' : `${machine.feet.length} pairs of feet`,
      dropped(less),
    )
  const stations = useMemo(() => placeStations(line), [line])
  const doubts = useMemo(() => doubtDimensions(line, stations), [line, stations])
  const sheet = Math.max(560, width)
  const drawing = useMemo(() => chainDrawing(line, sheet, 100, props.flipped), [line, sheet, props.flipped])
  const set =
    <K extends keyof Line>(key: K, mark?: string) =>
    (value: Line[K]) =>
      onChange((l) => ({ ...l, [key]: value }), mark ?? `line:${key}`)

  const setStation = (id: string, change: Partial<NonNullable<Line['couplings'][number]['station']>>) =>
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
  const stationOf = (id: string) =>
    line.couplings.find((c) => c.id === id)?.station ??
    line.machines.flatMap((m) => m.feet).find((f) => f.id === id)?.station
  const places = referencesOf(line)
  const nameOf = (id: string) => places.find(({ value }) => value === id)?.text ?? footName(id, terms).toLowerCase()
  const elsewhere = (id: string) => places.filter(({ value }) => value !== id)
  const setMachine = (id: string, change: Partial<Line['machines'][number]>, mark: string) =>
    onChange(
      (l) => ({ ...l, machines: l.machines.map((m) => (m.id === id ? { ...m, ...change } : m)) }),
      `${id}:${mark}`,
    )
  const setCoupling = (id: string, change: Partial<Line['couplings'][number]>, mark: string) =>
    onChange(
      (l) => ({ ...l, couplings: l.couplings.map((c) => (c.id === id ? { ...c, ...change } : c)) }),
      `${id}:${mark}`,
    )

  const setMark = (id: string, change: Partial<NonNullable<Line['marks']>[number]>, mark: string) =>
    onChange(
      (l) => ({ ...l, marks: (l.marks ?? []).map((one) => (one.id === id ? { ...one, ...change } : one)) }),
      `${id}:${mark}`,
    )

  return (
    <Sheet id="bench">
      <Top>
        <div>
          <h1>{line.name || lineWords.unnamedLine}</h1>
          <Muted>{lineWords.enterEachDistanceOnThe(unitName[length])}</Muted>
        </div>
        {props.onward}
      </Top>
      <Paper>
        <Drawing ref={ref} style={{ height: drawing.height }}>
          <svg width={sheet} height={drawing.height} aria-hidden="true">
            {drawing.shapes.map((shape, i) => drawn(shape, i))}
            {drawing.names.map(({ machine, x, y }) => {
              const found = line.machines.find((m) => m.id === machine)
              return (
                <text key={machine} x={x} y={y} textAnchor="middle">
                  {found?.name}
                  {machine === line.fixed ? lineWords.fixed : ''}
                </text>
              )
            })}
          </svg>
          {drawing.links.map((link) => {
            const station = stationOf(link.of)
            return station ? (
              <At key={link.of} $x={(link.x1 + link.x2) / 2} $y={link.y}>
                <QuantityInput
                  label={lineWords.distanceFromTowardThe(
                    capital(nameOf(link.of)),
                    nameOf(link.from),
                    station.toward,
                    unitName[length],
                  )}
                  quantity={station.distance}
                  unit={length}
                  readOnly={frozen}
                  placeholder={unitName[length]}
                  onChange={(distance) => setStation(link.of, { distance })}
                  onKeyDown={(event) => {
                    if (event.key !== 'Enter') return
                    event.preventDefault()
                    const inputs = [...(event.currentTarget.closest('main')?.querySelectorAll('input') ?? [])]
                    inputs[inputs.indexOf(event.currentTarget) + 1]?.focus()
                  }}
                />
              </At>
            ) : null
          })}
        </Drawing>
      </Paper>
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
        <Top>
          <Choices
            label={lineWords.fixedMachine}
            value={line.fixed}
            isDisabled={frozen}
            options={line.machines.map((m) => ({ value: m.id, text: m.name || 'unnamed' }))}
            onChange={(id) => onChange((l) => withFixed(l, id))}
          />
          <Field label={lineWords.reason}>
            <Input
              style={{ minWidth: 280 }}
              placeholder={lineWords.pipingIsConnected}
              value={line.fixedBecause}
              readOnly={frozen}
              onChange={(e) => set('fixedBecause')(e.target.value)}
            />
          </Field>
        </Top>
      </Card>
      <Card aria-label={lineWords.machinesAndWhereTheirFeet}>
        <h2>{lineWords.machinesFromLeftToRight}</h2>
        {line.machines.map((machine, m) => (
          <section key={machine.id} aria-label={machine.name} style={{ marginTop: m ? 18 : 0 }}>
            <Grid>
              <Field label={lineWords.name}>
                <Input
                  value={machine.name}
                  readOnly={frozen}
                  onChange={(e) => setMachine(machine.id, { name: e.target.value }, 'name')}
                />
                {namedTwice(line.machines, machine) ? <Fault>{lineWords.anotherMachineHasThisName}</Fault> : null}
              </Field>
              <Field label={lineWords.kind}>
                <Select
                  disabled={frozen}
                  value={machine.kind}
                  options={machineKinds.map((kind) => ({ value: kind, text: machineKindNames[kind] }))}
                  onPick={(kind) => {
                    const next = kind as MachineKind
                    const others = line.machines.filter((other) => other !== machine)
                    const usual = machine.name === usualName(machine.kind, others)
                    onChange((l) => withKind(l, machine.id, next), `${machine.id}:kind`)
                    if (usual) setMachine(machine.id, { name: usualName(next, others) }, 'kind')
                  }}
                />
              </Field>
            </Grid>
            <Places>
              {machine.feet.map((foot) => (
                <Place
                  key={foot.id}
                  name={capital(foot.name)}
                  station={foot.station}
                  x={stations.x.get(foot.id)}
                  unit={unit}
                  frozen={frozen}
                  references={elsewhere(foot.id)}
                  onChange={(change) => setStation(foot.id, change)}
                  {...(frozen || machine.feet.length < 2
                    ? {}
                    : { onRemove: () => onChange((l) => withoutFoot(l, machine.id, foot.id)) })}
                />
              ))}
            </Places>
            {frozen || machine.feet.length > 4 ? null : (
              <Button look="quiet" onPress={() => onChange((l) => withFeet(l, machine.id, unit, newId('f')))}>
                {lineWords.addFeetToThe(machine.name.toLowerCase())}
              </Button>
            )}
            {frozen || line.machines.length < 3 ? null : (
              <Remove
                label={lineWords.removeThe(machine.name.toLowerCase() || 'machine')}
                goes={goesWith(machine, withoutMachine(line, machine.id))}
                onRemove={() => onChange((l) => withoutMachine(l, machine.id))}
              />
            )}
          </section>
        ))}
        {frozen ? null : (
          <Row>
            {line.machines.length < 8 ? (
              <>
                <Field label={lineWords.addAMachine}>
                  <Select
                    value={String(Math.min(where, line.machines.length))}
                    options={Array.from({ length: line.machines.length + 1 }, (_, at) => ({
                      value: String(at),
                      text: whereText(line, at),
                    }))}
                    onPick={(at) => setWhere(Number(at))}
                  />
                </Field>
                <Add
                  goes={dropped(withMachineAt(line, Math.min(where, line.machines.length), 'other', unit, newId))}
                  onPress={() =>
                    onChange((l) => withMachineAt(l, Math.min(where, l.machines.length), 'other', unit, newId))
                  }
                />
              </>
            ) : null}
          </Row>
        )}
      </Card>
      <Card aria-label={lineWords.couplings}>
        <h2>{lineWords.couplings}</h2>
        {line.couplings.map((coupling, c) => (
          <section key={coupling.id} aria-label={coupling.name} style={{ marginTop: c ? 18 : 0 }}>
            <Grid>
              <Field label={lineWords.name}>
                <Input
                  value={coupling.name}
                  readOnly={frozen}
                  onChange={(e) => setCoupling(coupling.id, { name: e.target.value }, 'name')}
                />
                {namedTwice(line.couplings, coupling) ? <Fault>{lineWords.anotherCouplingHasThisName}</Fault> : null}
              </Field>
              <Field label={lineWords.kind}>
                <Select
                  disabled={frozen}
                  value={coupling.kind}
                  options={[
                    { value: 'short', text: lineWords.shortFlexible },
                    { value: 'spacer', text: lineWords.spacerTwoFlexPlanes },
                    { value: 'rigid', text: lineWords.rigidOrOther },
                  ]}
                  onPick={(kind) => setCoupling(coupling.id, { kind: kind as typeof coupling.kind }, 'kind')}
                />
              </Field>
              <QuantityField
                label={lineWords.diameter}
                quantity={coupling.diameter}
                unit={length}
                readOnly={frozen}
                onChange={(diameter) => setCoupling(coupling.id, { diameter }, 'diameter')}
              />
              {coupling.kind === 'spacer' ? (
                <QuantityField
                  label={lineWords.betweenTheFlexPlanes}
                  quantity={coupling.span}
                  unit={length}
                  readOnly={frozen}
                  onChange={(span) => setCoupling(coupling.id, { span }, 'span')}
                />
              ) : null}
            </Grid>
            {coupling.station ? (
              <Places>
                <Place
                  name="Its centre"
                  station={coupling.station}
                  x={stations.x.get(coupling.id)}
                  unit={unit}
                  frozen={frozen}
                  references={elsewhere(coupling.id)}
                  onChange={(change) => setStation(coupling.id, change)}
                />
              </Places>
            ) : null}
          </section>
        ))}
      </Card>
      <Card aria-label={lineWords.marks}>
        <h2>{lineWords.referenceMarks}</h2>
        <Muted>{lineWords.aHubFaceAShaft}</Muted>
        <Places>
          {(line.marks ?? []).map((mark) => (
            <Place
              key={mark.id}
              typed
              name={mark.name}
              station={mark.station}
              x={stations.x.get(mark.id)}
              unit={unit}
              frozen={frozen}
              references={elsewhere(mark.id)}
              onChange={(change) => setMark(mark.id, { station: { ...mark.station, ...change } }, 'station')}
              onRename={(name) => setMark(mark.id, { name }, 'name')}
              {...(frozen ? {} : { onRemove: () => onChange((l) => withoutMark(l, mark.id)) })}
            />
          ))}
        </Places>
        {frozen || (line.marks?.length ?? 0) >= 24 ? null : (
          <Row>
            {markNames.map((name) => (
              <Button
                key={name}
                onPress={() =>
                  onChange((l) => ({
                    ...l,
                    marks: [
                      ...(l.marks ?? []),
                      {
                        id: newId('k'),
                        name,
                        station: {
                          from: originOf(l),
                          toward: 'right',
                          distance: { text: '', unit: length },
                        },
                      },
                    ],
                  }))
                }
              >
                {lineWords.addA(name)}
              </Button>
            ))}
          </Row>
        )}
      </Card>
      <Growth line={line} unit={unit} frozen={frozen} onChange={onChange} />
      <OwnChecks checks={line.checks ?? []} frozen={frozen} onChange={set('checks')} />
      <Tolerance line={line} unit={unit} frozen={frozen} onChange={set('tolerance')} />
      {props.children}
    </Sheet>
  )
}

const namedTwice = <T extends { name: string }>(all: readonly T[], one: T): boolean =>
  all.some((other) => other !== one && isSameName(other.name, one.name))
