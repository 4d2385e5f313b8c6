import { Plus, X } from 'lucide-react'
import styled from 'styled-components'
import { compare, compareEach } from '../../../core/kit/gauge'
import type { KitGauge } from '../../../core/kit/schema'
import { emptyQuantity } from '../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { sayCompared, sayParts } from '../../../words/kit'
import { kitWords } from '../../../words/page/kit'
import { unitName } from '../../../words/terms'
import { newId } from '../../app/newId'
import { Button, Card, Choices, Muted } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { QuantityInput } from '../../parts/Quantity'
import { DialName, Grid, NumberField, type Put, TextField } from './parts'

const Readings = styled.ol`list-style: none; display: flex; flex-wrap: wrap; gap: 8px; margin: 8px 0 12px; padding: 0; li { display: flex; align-items: center; } input { width: 110px; }`
const Answer = styled.p`display: flex; gap: 10px; align-items: flex-start; font-size: 16px; margin-top: 6px; svg { margin-top: 4px; flex: none; }`

/** A comparison: set on a gauge block, lifted, set down, read again. */
export function Gauge({
  item,
  unit,
  put,
  dials,
  repeats,
}: {
  item: KitGauge
  unit: 'mm' | 'mil'
  put: Put
  dials: readonly string[]
  /** Standard deviation of one reading of a dial of the kit, mm; undefined where it is not there. */
  repeats: (dial: string) => number | undefined
}) {
  const length = lengthUnitFor(unit)
  const known = repeats(item.dial)
  const parts = item.each ? compareEach(item, known) : undefined
  return (
    <Card aria-label={kitWords.comparison}>
      <Grid>
        <TextField label={kitWords.name} value={item.name} onChange={(name) => put({ name }, 'name')} />
        <DialName
          label={kitWords.instrument}
          value={item.dial}
          dials={dials}
          onChange={(dial) => put({ dial }, 'dial')}
        />
        <NumberField
          label={kitWords.gaugeBlockNominal}
          quantity={item.nominal}
          unit={length}
          onChange={(nominal) => put({ nominal }, 'nominal')}
        />
        <NumberField
          label={kitWords.tolerancePlus}
          quantity={item.over}
          unit={unit}
          onChange={(over) => put({ over }, 'over')}
        />
        <NumberField
          label={kitWords.toleranceMinus}
          quantity={item.under}
          unit={unit}
          onChange={(under) => put({ under }, 'under')}
        />
        <TextField
          label={kitWords.dateTaken}
          type="date"
          value={item.takenOn}
          onChange={(takenOn) => put({ takenOn }, 'taken')}
        />
      </Grid>
      <h2 style={{ marginTop: 16 }}>{item.each ? kitWords.onePartAfterAnother : kitWords.liftItSetItDown}</h2>
      <Choices
        label={kitWords.whatIsRead}
        value={item.each ? 'each' : 'same'}
        options={[
          { value: 'same', text: kitWords.theSameAgain },
          { value: 'each', text: kitWords.aSeriesOfParts },
        ]}
        onChange={(what) => put({ each: what === 'each' }, 'each')}
      />
      <Readings>
        {item.readings.map(({ id, value }, i) => (
          <li key={id}>
            {parts ? <Peg peg={parts[i]?.state ?? 'nothing'} size={13} label="" /> : null}
            <QuantityInput
              minus
              label={kitWords.reading(i + 1, unitName[length])}
              quantity={value}
              unit={length}
              onChange={(typed) =>
                put({ readings: item.readings.map((one) => (one.id === id ? { ...one, value: typed } : one)) }, id)
              }
            />
            <Button
              look="quiet"
              aria-label={kitWords.removeReading(i + 1)}
              onPress={() => put({ readings: item.readings.filter((one) => one.id !== id) }, 'less')}
            >
              <X size={14} />
            </Button>
          </li>
        ))}
        <li>
          <Button
            isDisabled={item.readings.length >= 30}
            onPress={() =>
              put(
                {
                  readings: [...item.readings, { id: newId('g'), value: emptyQuantity(length) }],
                },
                'more',
              )
            }
          >
            <Plus size={16} aria-hidden="true" /> {kitWords.addReading}
          </Button>
        </li>
      </Readings>
      {(parts ? sayParts(parts, unit, known) : sayCompared(compare(item, known), unit, known)).map(({ text, peg }) => (
        <Answer key={text}>
          <Peg peg={peg} size={15} label="" />
          <span>{text}</span>
        </Answer>
      ))}
      <Muted>{kitWords.thisIsOnlyAComparison}</Muted>
    </Card>
  )
}
