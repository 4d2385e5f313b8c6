import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import styled from 'styled-components'
import { foldDegrees } from '../../../core/frame/angles'
import { parseNumber } from '../../../core/frame/number'
import { lengthUnitFor, makeDial } from '../../../core/job/make'
import type { DialSetUp, Line, ReadSet } from '../../../core/job/schema'
import type { Stations } from '../../../core/job/stations'
import { angleName, capital, dialName, dimension, footName, sideName } from '../../../words/terms'
import { Button, Card, Choices, Fault, Field, Input, Muted, Select } from '../../parts/controls'
import { QuantityField } from '../../parts/Quantity'

const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 12px; align-items: start;`
const Sheet = styled(
  Card,
)`display: grid; gap: 16px; margin-bottom: 16px; h3 { font-size: 15px; display: flex; align-items: center; gap: 12px; justify-content: space-between; }`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px; align-items: center;`
const Chip = styled.span`display: inline-flex; align-items: center; border: 1px solid var(--rule); border-radius: 22px; padding-left: 14px; background: var(--paper); min-height: 44px;`

interface Props {
  set: ReadSet
  line: Line
  stations: Stations
  unit: 'mm' | 'mil'
  frozen: boolean
  onSet: (change: (set: ReadSet) => ReadSet, mark?: string) => void
  onDial: (dialId: string, change: (dial: DialSetUp) => DialSetUp, mark?: string) => void
}

/** What hangs on the shafts: each dial's rim, place, sag and graduation; the angles; whether the coupling is released. */
export function SetUp({ set, line, stations, unit, frozen, onSet, onDial }: Props) {
  const terms = { line }
  const length = lengthUnitFor(unit)
  const left = line.couplings.findIndex((coupling) => coupling.id === set.coupling)
  const beside = line.machines.slice(left, left + 2)
  const references = [
    ...line.couplings.map((coupling) => ({ value: coupling.id, text: `centre of ${coupling.name.toLowerCase()}` })),
    ...line.machines.flatMap((machine) =>
      machine.feet.map((foot) => ({ value: foot.id, text: footName(foot.id, terms).toLowerCase() })),
    ),
  ]
  return (
    <Sheet aria-label="Dials and brackets">
      <Row>
        <Choices
          label="Coupling while reading"
          value={set.state}
          isDisabled={frozen}
          options={[
            { value: 'released', text: 'Coupling released' },
            { value: 'engaged', text: 'engaged' },
          ]}
          onChange={(state) => onSet((s) => ({ ...s, state }))}
        />
        <Muted>Turn one way only, so that backlash stays on one side.</Muted>
      </Row>
      {set.probes.map((dial) => {
        const change =
          <K extends keyof DialSetUp>(key: K) =>
          (value: DialSetUp[K]) =>
            onDial(dial.id, (d) => ({ ...d, [key]: value }), `${dial.id}:${key}`)
        const x = stations.x.get(dial.id)
        const name = dialName(dial.on, terms)
        return (
          <section key={dial.id} aria-label={`Set-up of the ${name.toLowerCase()}`}>
            <h3>
              {name}
              {set.probes.length > 1 && !frozen ? (
                <Button
                  look="quiet"
                  aria-label={`Take the ${name.toLowerCase()} away`}
                  onPress={() => onSet((s) => ({ ...s, probes: s.probes.filter((d) => d.id !== dial.id) }))}
                >
                  <X size={16} />
                </Button>
              ) : null}
            </h3>
            <Grid>
              <Field label="Stands on the rim of">
                <Select
                  disabled={frozen}
                  value={dial.on}
                  options={beside.map((machine) => ({ value: machine.id, text: machine.name }))}
                  onPick={(on) =>
                    onDial(dial.id, (d) => ({
                      ...d,
                      on,
                      station: { ...d.station, toward: on === beside[0]?.id ? 'left' : 'right' },
                    }))
                  }
                />
              </Field>
              <QuantityField
                label="Distance from there"
                quantity={dial.station.distance}
                unit={length}
                readOnly={frozen}
                onChange={(distance) => change('station')({ ...dial.station, distance })}
                hint={x === undefined ? '' : `${capital(dial.station.toward)}ward; x = ${dimension(x, unit)}`}
              />
              <Field label="Measured from">
                <Select
                  disabled={frozen}
                  value={dial.station.from}
                  options={references}
                  onPick={(from) => change('station')({ ...dial.station, from })}
                />
              </Field>
              <QuantityField
                label="Bracket sag, bottom of a bar"
                signed
                quantity={dial.sag}
                unit={unit}
                readOnly={frozen}
                onChange={change('sag')}
                hint="Normally below zero"
              />
              <QuantityField
                label="Rim radius"
                quantity={dial.radius}
                unit={length}
                readOnly={frozen}
                onChange={change('radius')}
                hint="If known"
              />
              <QuantityField
                label="Graduation"
                quantity={dial.graduation}
                unit={unit}
                readOnly={frozen}
                onChange={change('graduation')}
              />
              <QuantityField
                label="One turn of the dial"
                quantity={dial.turn}
                unit={unit}
                readOnly={frozen}
                onChange={change('turn')}
              />
            </Grid>
          </section>
        )
      })}
      {!frozen && set.probes.length < 6 ? (
        <Row>
          {beside.map((machine) => (
            <Button
              key={machine.id}
              onPress={() =>
                onSet((s) => ({
                  ...s,
                  probes: [...s.probes, makeDial(line, s.coupling, machine.id, freeId(s), unit)],
                }))
              }
            >
              <Plus size={16} aria-hidden="true" /> Dial on the {machine.name.toLowerCase()}
            </Button>
          ))}
        </Row>
      ) : null}
      <Angles set={set} line={line} frozen={frozen} onSet={onSet} />
    </Sheet>
  )
}

const freeId = (set: ReadSet): string => {
  for (let i = set.probes.length + 1; ; i++) {
    const id = `${set.id}-dial${i}`
    if (!set.probes.some((dial) => dial.id === id)) return id
  }
}

/** Where the shafts are stopped and read: any three or more angles, or top and bottom alone. */
function Angles({ set, line, frozen, onSet }: Pick<Props, 'set' | 'line' | 'frozen' | 'onSet'>) {
  const [typed, setTyped] = useState('')
  const [fault, setFault] = useState<string>()
  const terms = { line }
  const add = () => {
    const number = parseNumber(typed.replace('°', ''))
    if (!number.ok) return setFault(number.message)
    const degrees = number.value === 360 ? 360 : foldDegrees(number.value)
    if (set.angles.some((angle) => angle.degrees === degrees)) return setFault(`${degrees}° is there already.`)
    setFault(undefined)
    setTyped('')
    onSet((s) => ({
      ...s,
      angles: [...s.angles, { id: `a${degrees}`, degrees }].sort((a, b) => a.degrees - b.degrees),
    }))
  }
  return (
    <section aria-label="Angles read">
      <h3>Angles read, from the top toward {sideName('far', terms)}</h3>
      <Row>
        {set.angles.map((angle) => (
          <Chip key={angle.id}>
            {angleName(angle.degrees, terms)}
            <Button
              look="quiet"
              aria-label={`Do not read at ${angleName(angle.degrees, terms).toLowerCase()}`}
              isDisabled={frozen || set.angles.length <= 2}
              onPress={() => onSet((s) => ({ ...s, angles: s.angles.filter((one) => one.id !== angle.id) }))}
            >
              <X size={14} />
            </Button>
          </Chip>
        ))}
        {frozen ? null : (
          <>
            <Input
              aria-label="Another angle, degrees"
              placeholder="45°"
              style={{ width: 88 }}
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
              onKeyDown={(event) => {
                if (event.key === 'Enter') add()
              }}
            />
            <Button onPress={add}>Add the angle</Button>
          </>
        )}
      </Row>
      {fault ? <Fault role="alert">{fault}</Fault> : null}
    </section>
  )
}
