import type { KitDial } from '../../../core/kit/schema'
import { kitWords } from '../../../words/page/kit'
import { Card, Field, Select } from '../../parts/controls'
import { Grid, NumberField, type Put, TextField } from './parts'

/** A dial: what it can follow, how finely, and until when it may be trusted. */
export function Dial({ item, unit, put }: { item: KitDial; unit: 'mm' | 'mil'; put: Put }) {
  return (
    <Card aria-label={kitWords.dial}>
      <Grid>
        <TextField label={kitWords.name} value={item.name} onChange={(name) => put({ name }, 'name')} />
        <Field label={kitWords.kind}>
          <Select
            value={item.type}
            options={[
              { value: 'plunger', text: kitWords.plunger },
              { value: 'lever', text: kitWords.lever },
            ]}
            onPick={(type) => put({ type: type as 'plunger' | 'lever' }, 'type')}
          />
        </Field>
        <NumberField
          label={kitWords.travel}
          quantity={item.travel}
          unit={unit}
          onChange={(travel) => put({ travel }, 'travel')}
        />
        <NumberField
          label={kitWords.graduation}
          positive
          quantity={item.graduation}
          unit={unit}
          onChange={(graduation) => put({ graduation }, 'graduation')}
        />
        <NumberField
          label={kitWords.oneTurn}
          quantity={item.turn}
          unit={unit}
          onChange={(turn) => put({ turn }, 'turn')}
        />
        <NumberField
          label={kitWords.repeatability1Sd}
          positive
          quantity={item.sd}
          unit={unit}
          onChange={(sd) => put({ sd }, 'sd')}
          hint={kitWords.blankHalfAGraduation}
        />
        <TextField
          label={kitWords.calibrationDue}
          type="date"
          value={item.calibrationDue}
          onChange={(calibrationDue) => put({ calibrationDue }, 'due')}
        />
        <TextField label={kitWords.note} max={300} value={item.note} onChange={(note) => put({ note }, 'note')} />
      </Grid>
    </Card>
  )
}
