import { Plus, X } from 'lucide-react'
import styled from 'styled-components'
import { lifted } from '../../../core/kit/lift'
import type { KitLift } from '../../../core/kit/schema'
import { emptyQuantity } from '../../../core/quantity/quantity'
import { sayLifted } from '../../../words/kit'
import { kitWords } from '../../../words/page/kit'
import { newId } from '../../app/newId'
import { Button, Card, Muted } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { Grid, NumberField, type Put, TextField } from './parts'

const Foot = styled.fieldset`border: 0; margin: 0; padding: 10px 0; border-top: 1px solid var(--rule); display: grid; grid-template-columns: repeat(auto-fill, minmax(170px, 1fr)); gap: 12px; align-items: end;`
const Answer = styled.p`display: flex; gap: 10px; align-items: flex-start; font-size: 16px; margin-top: 6px; svg { margin-top: 4px; flex: none; }`
const Caution = styled.p`display: flex; gap: 10px; font-weight: 600; margin: 0 0 12px; svg { margin-top: 3px; flex: none; }`

/** A known lift: all feet of a machine raised by one shim, read before and after, and what that says of how it is read. */
export function Lift({ item, unit, put }: { item: KitLift; unit: 'mm' | 'mil'; put: Put }) {
  const change = (id: string, part: Partial<KitLift['stations'][number]>, mark: string) =>
    put({ stations: item.stations.map((one) => (one.id === id ? { ...one, ...part } : one)) }, `${id} ${mark}`)
  return (
    <Card aria-label={kitWords.lift}>
      <Caution>
        <Peg peg="outside" size={15} label="" />
        <span>{kitWords.liftCaution}</span>
      </Caution>
      <Grid>
        <TextField label={kitWords.name} value={item.name} onChange={(name) => put({ name }, 'name')} />
        <TextField
          label={kitWords.liftMachine}
          value={item.machine}
          onChange={(machine) => put({ machine }, 'machine')}
        />
        <TextField label={kitWords.liftMethod} value={item.method} onChange={(method) => put({ method }, 'method')} />
        <NumberField
          label={kitWords.liftBy}
          quantity={item.lift}
          unit={unit}
          onChange={(lift) => put({ lift }, 'lift')}
        />
        <NumberField
          label={kitWords.liftSd}
          hint={kitWords.liftSdHint}
          quantity={item.sd}
          unit={unit}
          onChange={(sd) => put({ sd }, 'sd')}
        />
        <TextField
          label={kitWords.dateTaken}
          type="date"
          value={item.takenOn}
          onChange={(takenOn) => put({ takenOn }, 'taken')}
        />
      </Grid>
      <h2 style={{ marginTop: 16 }}>{kitWords.liftFeet}</h2>
      {item.stations.map(({ id, name, before, after }) => (
        <Foot key={id} aria-label={name || kitWords.liftFoot}>
          <TextField label={kitWords.liftFoot} value={name} onChange={(typed) => change(id, { name: typed }, 'name')} />
          <NumberField
            label={kitWords.liftBefore(name || kitWords.liftFoot)}
            quantity={before}
            unit={unit}
            signed
            onChange={(typed) => change(id, { before: typed }, 'before')}
          />
          <NumberField
            label={kitWords.liftAfter(name || kitWords.liftFoot)}
            quantity={after}
            unit={unit}
            signed
            onChange={(typed) => change(id, { after: typed }, 'after')}
          />
          <Button
            look="quiet"
            aria-label={kitWords.removeFeet(name || kitWords.liftFoot)}
            style={{ justifySelf: 'start' }}
            onPress={() => put({ stations: item.stations.filter((one) => one.id !== id) }, 'less')}
          >
            <X size={18} />
          </Button>
        </Foot>
      ))}
      <Button
        isDisabled={item.stations.length >= 12}
        onPress={() => {
          const none = emptyQuantity(unit)
          put({ stations: [...item.stations, { id: newId('f'), name: '', before: none, after: none }] }, 'more')
        }}
      >
        <Plus size={16} aria-hidden="true" /> {kitWords.addFeet}
      </Button>
      <div role="status" style={{ margin: '12px 0' }}>
        {sayLifted(lifted(item)).map(({ text, peg }) => (
          <Answer key={text}>
            <Peg peg={peg} size={15} label="" />
            <span>{text}</span>
          </Answer>
        ))}
      </div>
      <Muted>{kitWords.liftOnly}</Muted>
    </Card>
  )
}
