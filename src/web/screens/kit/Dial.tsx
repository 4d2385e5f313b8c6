import { type DialHabit, dialHabits, type KitDial } from '../../../core/kit/schema'
import { formatNumber } from '../../../core/quantity/number'
import { emptyQuantity } from '../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { tipFactor } from '../../../core/shafts/typed'
import { habitNames } from '../../../words/care'
import { kitWords } from '../../../words/page/kit'
import { Care } from '../../parts/Care'
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
        <Field label={kitWords.habit}>
          <Select
            value={item.habit ?? ''}
            options={[
              { value: '', text: kitWords.notGiven },
              ...dialHabits.map((value) => ({ value, text: habitNames[value] })),
            ]}
            onPick={(habit) => put({ habit: habit === '' ? undefined : (habit as DialHabit) }, 'habit')}
          />
        </Field>
        {item.type === 'lever' ? (
          <>
            <NumberField
              label={kitWords.tipMade}
              quantity={item.tipMade ?? emptyQuantity(lengthUnitFor(unit))}
              unit={lengthUnitFor(unit)}
              onChange={(tipMade) => put({ tipMade }, 'tip-made')}
            />
            <NumberField
              label={kitWords.tipUsed}
              quantity={item.tipUsed ?? emptyQuantity(lengthUnitFor(unit))}
              unit={lengthUnitFor(unit)}
              onChange={(tipUsed) => put({ tipUsed }, 'tip-used')}
              {...tipHint(item)}
            />
          </>
        ) : null}
        <TextField
          label={kitWords.calibrationDue}
          type="date"
          value={item.calibrationDue}
          onChange={(calibrationDue) => put({ calibrationDue }, 'due')}
        />
        <TextField label={kitWords.note} max={300} value={item.note} onChange={(note) => put({ note }, 'note')} />
      </Grid>
      <Care of={item.type} habit={item.habit} />
    </Card>
  )
}

/** What another tip makes of every reading; nothing where both are alike or one was not told. */
function tipHint({ tipMade, tipUsed }: KitDial): { hint?: string } {
  const factor = tipMade && tipUsed ? tipFactor({ made: tipMade, used: tipUsed }) : 1
  return factor === 1 ? {} : { hint: kitWords.tipFactor(formatNumber(factor, 3)) }
}
