import { Plus, X } from 'lucide-react'
import styled from 'styled-components'
import { emptyQuantity } from '../../../core/frame/quantity'
import { lengthUnitFor } from '../../../core/frame/usual'
import { compare } from '../../../core/kit/gauge'
import type { KitGauge } from '../../../core/kit/schema'
import { sayCompared } from '../../../words/kit'
import { unitName } from '../../../words/terms'
import { newId } from '../../app/newId'
import { Button, Card, Muted } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { QuantityInput } from '../../parts/Quantity'
import { DialName, Grid, NumberField, type Put, TextField } from './parts'

const Readings = styled.ol`list-style: none; display: flex; flex-wrap: wrap; gap: 8px; margin: 8px 0 12px; padding: 0; li { display: flex; align-items: center; } input { width: 110px; }`
const Told = styled.p`display: flex; gap: 10px; align-items: flex-start; font-size: 16px; margin-top: 6px; svg { margin-top: 4px; flex: none; }`

/** A comparison: set on a gauge block, lifted, set down, read again. */
export function Gauge({
  item,
  unit,
  put,
  dials,
}: {
  item: KitGauge
  unit: 'mm' | 'mil'
  put: Put
  dials: readonly string[]
}) {
  const length = lengthUnitFor(unit)
  const compared = compare(item)
  return (
    <Card aria-label="Comparison">
      <Grid>
        <TextField label="Name" value={item.name} onChange={(name) => put({ name }, 'name')} />
        <DialName label="Instrument" value={item.dial} dials={dials} onChange={(dial) => put({ dial }, 'dial')} />
        <NumberField
          label="Gauge block, nominal"
          quantity={item.nominal}
          unit={length}
          onChange={(nominal) => put({ nominal }, 'nominal')}
        />
        <NumberField label="Allowed over" quantity={item.over} unit={unit} onChange={(over) => put({ over }, 'over')} />
        <NumberField
          label="Allowed under"
          quantity={item.under}
          unit={unit}
          onChange={(under) => put({ under }, 'under')}
        />
        <TextField
          label="Taken on"
          type="date"
          value={item.takenOn}
          onChange={(takenOn) => put({ takenOn }, 'taken')}
        />
      </Grid>
      <h2 style={{ marginTop: 16 }}>Lift it, set it down, read: as often as you have patience for</h2>
      <Readings>
        {item.readings.map(({ id, value }, i) => (
          <li key={id}>
            <QuantityInput
              label={`Set down ${i + 1}, ${unitName[length]}`}
              quantity={value}
              unit={length}
              onChange={(typed) =>
                put({ readings: item.readings.map((one) => (one.id === id ? { ...one, value: typed } : one)) }, id)
              }
            />
            <Button
              look="quiet"
              aria-label={`Take reading ${i + 1} away`}
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
            <Plus size={16} aria-hidden="true" /> Another
          </Button>
        </li>
      </Readings>
      {sayCompared(compared, unit).map(({ text, peg }) => (
        <Told key={text}>
          <Peg peg={peg} size={15} label="" />
          <span>{text}</span>
        </Told>
      ))}
      <Muted>The makers’ and the site’s calibration rules decide; this only compares.</Muted>
    </Card>
  )
}
