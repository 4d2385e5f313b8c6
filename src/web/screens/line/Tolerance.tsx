import styled from 'styled-components'
import { quantityMm } from '../../../core/frame/quantity'
import type { Line } from '../../../core/job/schema'
import { speedOf } from '../../../core/job/train'
import { type SlipGrade, slipSpeedLimits, slipSpeeds } from '../../../core/verdict/slipSpeed'
import { length, slope, unitName } from '../../../words/terms'
import { Card, Choices, Field, Input, Muted } from '../../parts/controls'
import { QuantityField } from '../../parts/Quantity'

const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(200px, 1fr)); gap: 12px; margin-top: 12px; align-items: center; > [role='radiogroup'], > p { grid-column: 1 / -1; justify-self: start; }`

const grades = Object.keys(slipSpeeds) as SlipGrade[]

/** Whose word says what is allowed: the maker's or the site's figures, or the speed at which the halves slide. */
export function Tolerance(props: {
  line: Line
  unit: 'mm' | 'mil'
  frozen: boolean
  onChange: (tolerance: Line['tolerance']) => void
}) {
  const { line, unit, frozen, onChange } = props
  const { tolerance } = line
  const slopeUnit = unit === 'mil' ? ('mil/in' as const) : ('mm/100 mm' as const)
  const rpm = speedOf(line)
  const radius = (quantityMm(line.couplings[0]?.diameter) ?? 0) / 2
  const allowed =
    tolerance.policy === 'slip-speed' && rpm && radius > 0 ? slipSpeedLimits(rpm, radius, tolerance.grade) : undefined
  return (
    <Card aria-label="What is allowed">
      <h2>What is allowed</h2>
      <Choices
        label="Where the limits come from"
        value={tolerance.policy}
        isDisabled={frozen}
        options={[
          { value: 'slip-speed', text: 'By sliding speed' },
          { value: 'figures', text: 'The maker’s or the site’s figures' },
        ]}
        onChange={(policy) =>
          onChange(
            policy === 'slip-speed'
              ? { policy, grade: 'standard' }
              : {
                  policy,
                  offset: { text: '', unit },
                  slope: { text: '', unit: slopeUnit },
                  source: '',
                },
          )
        }
      />
      {tolerance.policy === 'slip-speed' ? (
        <Grid>
          <Choices
            label="How strict"
            value={tolerance.grade}
            isDisabled={frozen}
            options={grades.map((grade) => ({ value: grade, text: `${grade}, ${slipSpeeds[grade]} mm/s` }))}
            onChange={(grade) => onChange({ policy: 'slip-speed', grade })}
          />
          <Muted as="p">
            {allowed
              ? `Allows ${length(allowed.offset, { unit, resolution: 0.001 })} ${unitName[unit]} and ${slope(allowed.slope, unit)} at ${line.speed} rpm.`
              : 'Needs the speed and the coupling’s diameter.'}{' '}
            A maker’s or site’s figure wins over it.
          </Muted>
        </Grid>
      ) : (
        <Grid>
          <QuantityField
            label="Offset at the coupling"
            quantity={tolerance.offset}
            unit={unit}
            readOnly={frozen}
            onChange={(offset) => onChange({ ...tolerance, offset })}
          />
          <Field label={`Slope, ${tolerance.slope.unit}`}>
            <Input
              inputMode="decimal"
              value={tolerance.slope.text}
              readOnly={frozen}
              onChange={(e) => onChange({ ...tolerance, slope: { ...tolerance.slope, text: e.target.value } })}
            />
          </Field>
          <Field label="Whose figures">
            <Input
              value={tolerance.source}
              readOnly={frozen}
              placeholder="Maker’s manual, page 12"
              onChange={(e) => onChange({ ...tolerance, source: e.target.value })}
            />
          </Field>
        </Grid>
      )}
    </Card>
  )
}
