import type { KitHead } from '../../../core/kit/schema'
import { emptyQuantity } from '../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { kitWords } from '../../../words/page/kit'
import { plusWords } from '../../../words/probes'
import { capital } from '../../../words/terms'
import { Care } from '../../parts/Care'
import { CountsOther } from '../../parts/CountsOther'
import { Card, Field, Select } from '../../parts/controls'
import { noPlus, PlusMeans } from '../../parts/PlusMeans'
import { Grid, NumberField, type Put, TextField } from './parts'

/** A head: its finest step, its deviation, and how far its planes are apart where it has two. */
export function Head({ item, unit, put }: { item: KitHead; unit: 'mm' | 'mil'; put: Put }) {
  return (
    <Card aria-label={kitWords.head}>
      <Grid>
        <TextField label={kitWords.name} value={item.name} onChange={(name) => put({ name }, 'name')} />
        <Field label={kitWords.kind}>
          <Select
            value={item.type}
            options={[
              { value: 'beam', text: kitWords.onePlaneSeesTheOther },
              { value: 'beam2', text: kitWords.twoPlanes },
              { value: 'result', text: kitWords.ownResult },
            ]}
            onPick={(type) => put({ type: type as KitHead['type'] }, 'type')}
          />
        </Field>
        <NumberField
          label={kitWords.resolution}
          positive
          quantity={item.step}
          unit={unit}
          onChange={(step) => put({ step }, 'step')}
        />
        <NumberField
          label={kitWords.repeatability1Sd}
          positive
          quantity={item.sd}
          unit={unit}
          onChange={(sd) => put({ sd }, 'sd')}
          hint={kitWords.blankHalfTheResolution}
        />
        {item.type === 'beam2' ? (
          <NumberField
            label={kitWords.distanceBetweenPlanes}
            quantity={item.between ?? emptyQuantity(unit)}
            unit={lengthUnitFor(unit)}
            onChange={(between) => put({ between }, 'between')}
          />
        ) : null}
        {item.type === 'result' ? (
          <>
            <NumberField
              label={plusWords.gapOver}
              quantity={item.diameter ?? emptyQuantity(lengthUnitFor(unit))}
              unit={lengthUnitFor(unit)}
              onChange={(diameter) => put({ diameter }, 'diameter')}
              hint={plusWords.slopeAsGap}
            />
            <NumberField
              label={plusWords.gapSd}
              positive
              quantity={item.gapSd ?? emptyQuantity(unit)}
              unit={unit}
              onChange={(gapSd) => put({ gapSd }, 'gapSd')}
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
      {item.type === 'result' ? (
        <PlusMeans
          plus={item.plus ?? noPlus}
          machine={capital(plusWords.itsMachine)}
          names={{ side: (side) => plusWords.sides[side] }}
          frozen={false}
          onChange={(plus) => put({ plus }, 'plus')}
        />
      ) : (
        <CountsOther
          checked={item.counts === 'other'}
          frozen={false}
          onChange={(other) => put({ counts: other ? 'other' : undefined }, 'counts')}
        />
      )}
      <Care of="head" />
    </Card>
  )
}
