import { emptyQuantity } from '../../../core/frame/quantity'
import { lengthUnitFor } from '../../../core/frame/usual'
import type { KitHead } from '../../../core/kit/schema'
import { Card, Field, Select } from '../../parts/controls'
import { Grid, NumberField, type Put, TextField } from './parts'

/** A head: its finest step, its deviation, and how far its planes are apart where it has two. */
export function Head({ item, unit, put }: { item: KitHead; unit: 'mm' | 'mil'; put: Put }) {
  return (
    <Card aria-label="Head">
      <Grid>
        <TextField label="Name" value={item.name} onChange={(name) => put({ name }, 'name')} />
        <Field label="Kind">
          <Select
            value={item.type}
            options={[
              { value: 'beam', text: 'one plane; sees the other head' },
              { value: 'beam2', text: 'two planes' },
            ]}
            onPick={(type) => put({ type: type as 'beam' | 'beam2' }, 'type')}
          />
        </Field>
        <NumberField
          label="Finest step"
          positive
          quantity={item.step}
          unit={unit}
          onChange={(step) => put({ step }, 'step')}
        />
        <NumberField
          label="Deviation of one reading"
          positive
          quantity={item.sd}
          unit={unit}
          onChange={(sd) => put({ sd }, 'sd')}
          hint="Empty: half its finest step"
        />
        {item.type === 'beam2' ? (
          <NumberField
            label="Between its planes"
            quantity={item.between ?? emptyQuantity(unit)}
            unit={lengthUnitFor(unit)}
            onChange={(between) => put({ between }, 'between')}
          />
        ) : null}
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
