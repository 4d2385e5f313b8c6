import { useState } from 'react'
import { withMachineAt, withoutFoot, withoutMachine } from '../../../../core/kinds/train/document/alter'
import { withKind } from '../../../../core/kinds/train/document/held'
import { usualName, withFeet } from '../../../../core/kinds/train/document/make'
import { type Line, type MachineKind, machineKinds } from '../../../../core/kinds/train/document/schema'
import { plural } from '../../../../words/language'
import { capital, dimension, inText } from '../../../../words/terms'
import { machineKindNames } from '../../../../words/train/machines'
import { lineWords } from '../../../../words/train/page/line'
import { newId } from '../../../app/newId'
import { Button, Card, Fault, Field, Input, Select } from '../../../parts/controls'
import { Remove } from '../../../parts/Remove'
import { Grid, type LineSheet, namedTwice, Part, Row } from './Part'
import { Add, Place, Places, whereText } from './Place'

type Machine = Line['machines'][number]

/** The machines, each one line until it is opened; put in and taken out anywhere. */
export function Machines({
  line,
  unit,
  frozen,
  stations,
  onChange,
  part,
  open,
  elsewhere,
  setStation,
  dropped,
}: LineSheet) {
  const [where, setWhere] = useState(8)
  const goesWith = (machine: Machine, less: Line) =>
    lineWords.thisAlsoRemovesItsAnd(
      plural(machine.feet.length, { one: 'feet', other: `${machine.feet.length} pairs of feet` }),
      dropped(less),
    )
  const setMachine = (id: string, change: Partial<Machine>, mark: string) =>
    onChange(
      (l) => ({ ...l, machines: l.machines.map((m) => (m.id === id ? { ...m, ...change } : m)) }),
      `${id}:${mark}`,
    )
  /** What it is, and where its feet stand. */
  const feetText = (machine: Machine): string =>
    lineWords.feetAt(
      machineKindNames[machine.kind].toLowerCase(),
      machine.feet
        .map(({ id }) => {
          const x = stations.x.get(id)
          return x === undefined ? lineWords.nowhereYet : dimension(x, unit)
        })
        .join(', '),
    )
  return (
    <Card aria-label={lineWords.machinesAndWhereTheirFeet}>
      <h2>{lineWords.machinesFromLeftToRight}</h2>
      {line.machines.map((machine) => (
        <Part
          key={machine.id}
          name={machine.name}
          told={feetText(machine)}
          open={part === machine.id}
          onOpen={(now) => open(now ? machine.id : undefined)}
        >
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
              {lineWords.addFeetToThe(inText(machine.name))}
            </Button>
          )}
          {frozen || line.machines.length < 3 ? null : (
            <Remove
              label={lineWords.removeThe(inText(machine.name) || 'machine')}
              goes={goesWith(machine, withoutMachine(line, machine.id))}
              onRemove={() => onChange((l) => withoutMachine(l, machine.id))}
            />
          )}
        </Part>
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
                onPress={() => {
                  const fresh = withMachineAt(line, Math.min(where, line.machines.length), 'other', unit, newId)
                  const known = new Set(line.machines.map(({ id }) => id))
                  onChange(() => fresh)
                  open(fresh.machines.find(({ id }) => !known.has(id))?.id)
                }}
              />
            </>
          ) : null}
        </Row>
      )}
    </Card>
  )
}
