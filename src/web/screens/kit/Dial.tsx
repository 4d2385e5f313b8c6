import type { KitDial } from '../../../core/kit/schema'
import { Card, Field, Select } from '../../parts/controls'
import { Grid, NumberField, type Put, TextField } from './parts'

/** A dial: what it can follow, how finely, and until when it may be trusted. */
export function Dial({ item, unit, put }: { item: KitDial; unit: 'mm' | 'mil'; put: Put }) {
  return (
    <Card aria-label="Dial">
      <Grid>
        <TextField label="Name" value={item.name} onChange={(name) => put({ name }, 'name')} />
        <Field label="Kind">
          <Select
            value={item.type}
            options={[
              { value: 'plunger', text: 'plunger' },
              { value: 'lever', text: 'lever' },
            ]}
            onPick={(type) => put({ type: type as 'plunger' | 'lever' }, 'type')}
          />
        </Field>
        <NumberField
          label="Travel"
          quantity={item.travel}
          unit={unit}
          onChange={(travel) => put({ travel }, 'travel')}
        />
        <NumberField
          label="Graduation"
          positive
          quantity={item.graduation}
          unit={unit}
          onChange={(graduation) => put({ graduation }, 'graduation')}
        />
        <NumberField label="One turn" quantity={item.turn} unit={unit} onChange={(turn) => put({ turn }, 'turn')} />
        <NumberField
          label="Deviation of one reading"
          positive
          quantity={item.sd}
          unit={unit}
          onChange={(sd) => put({ sd }, 'sd')}
          hint="Empty: half a graduation"
        />
        <TextField
          label="Calibration due"
          type="date"
          value={item.calibrationDue}
          onChange={(calibrationDue) => put({ calibrationDue }, 'due')}
        />
        <TextField label="Note" max={300} value={item.note} onChange={(note) => put({ note }, 'note')} />
      </Grid>
    </Card>
  )
}
