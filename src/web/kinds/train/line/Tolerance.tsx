import styled from 'styled-components'
import { limitsOfLine } from '../../../../core/kinds/train/document/limits'
import type { Line } from '../../../../core/kinds/train/document/schema'
import { bySpeedId, rowsBySpeed, usualDiameter } from '../../../../core/verdict/bySpeed'
import { type SlipGrade, slipSpeeds } from '../../../../core/verdict/slipSpeed'
import { allowedText } from '../../../../words/train/limits'
import { lineWords } from '../../../../words/train/page/line'
import { useKit } from '../../../notebook/useKit'
import { ButtonLink } from '../../../parts/ButtonLink'
import { Button, Card, Choices, Field, Input, Muted, Select } from '../../../parts/controls'
import { Fold } from '../../../parts/Fold'
import { QuantityField } from '../../../parts/Quantity'

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
  const allowed = limitsOfLine(line)
  const spacer = line.couplings.some(({ kind }) => kind === 'spacer')
  return (
    <Card aria-label={lineWords.tolerance}>
      <Fold title={lineWords.tolerance}>
        <Choices
          label={lineWords.sourceOfLimits}
          value={tolerance.policy}
          isDisabled={frozen}
          options={[
            { value: 'slip-speed', text: lineWords.bySlidingSpeed },
            { value: 'table', text: lineWords.theSitesTable },
            { value: 'figures', text: lineWords.theMakersOrTheSites2 },
          ]}
          onChange={(policy) =>
            onChange(
              policy === 'slip-speed'
                ? { policy, grade: 'standard' }
                : policy === 'table'
                  ? { policy, table: { id: '', name: '', source: '' }, rows: [] }
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
              label={lineWords.grade}
              value={tolerance.grade}
              isDisabled={frozen}
              options={grades.map((grade) => ({
                value: grade,
                text: lineWords.mmS(lineWords.grades[grade], slipSpeeds[grade]),
              }))}
              onChange={(grade) => onChange({ policy: 'slip-speed', grade })}
            />
          </Grid>
        ) : tolerance.policy === 'table' ? (
          <FromTable tolerance={tolerance} frozen={frozen} onChange={onChange} />
        ) : (
          <Grid>
            <QuantityField
              label={spacer ? lineWords.offsetAtTheCenter : lineWords.offsetAtTheCoupling}
              hint={spacer ? lineWords.aSpacerNeedsNoneIts : ''}
              quantity={tolerance.offset}
              unit={unit}
              readOnly={frozen}
              onChange={(offset) => onChange({ ...tolerance, offset })}
            />
            <Field label={`${spacer ? lineWords.angleAtEachFlexPlane : lineWords.slope}, ${tolerance.slope.unit}`}>
              <Input
                inputMode="decimal"
                value={tolerance.slope.text}
                readOnly={frozen}
                onChange={(e) => onChange({ ...tolerance, slope: { ...tolerance.slope, text: e.target.value } })}
              />
            </Field>
            <Field label={lineWords.sourceOfFigures}>
              <Input
                value={tolerance.source}
                readOnly={frozen}
                placeholder={lineWords.makersManualPage12}
                onChange={(e) => onChange({ ...tolerance, source: e.target.value })}
              />
            </Field>
          </Grid>
        )}
        <Muted as="p">{lineWords.theMakersOrTheSites}</Muted>
      </Fold>
      {allowed.map(({ coupling, limits, missing }) => (
        <Muted as="p" key={coupling}>
          {allowedText(coupling, limits, missing, { line, unit, resolution: 0.001 })}
        </Muted>
      ))}
    </Card>
  )
}

/** The table is taken from the kit as it is; the line keeps a copy of its rows. */
function FromTable(props: {
  tolerance: Extract<Line['tolerance'], { policy: 'table' }>
  frozen: boolean
  onChange: (tolerance: Line['tolerance']) => void
}) {
  const { tolerance, frozen, onChange } = props
  const { items } = useKit()
  const tables = [
    {
      id: bySpeedId,
      document: {
        name: lineWords.bySpeedAlone,
        source: lineWords.ourDefault(`${usualDiameter} mm`),
        rows: rowsBySpeed(),
      },
    },
    ...items.flatMap(({ id, document }) => (document.kind === 'limits' ? [{ id, document }] : [])),
  ]
  const { id, name, source } = tolerance.table
  const now = tables.find((one) => one.id === id)?.document
  const take = (chosen: string) => {
    const found = tables.find((one) => one.id === chosen)
    if (!found) return
    const { document } = found
    onChange({
      policy: 'table',
      table: { id: found.id, name: document.name, source: document.source },
      rows: document.rows,
    })
  }
  const changed = now !== undefined && JSON.stringify(now.rows) !== JSON.stringify(tolerance.rows)
  return (
    <Grid>
      <Field label={lineWords.table}>
        <Select
          disabled={frozen}
          value={id}
          options={[
            { value: '', text: lineWords.chooseATable },
            ...tables.map((one) => ({ value: one.id, text: one.document.name })),
            ...(id && !now ? [{ value: id, text: name }] : []),
          ]}
          onPick={take}
        />
      </Field>
      {source ? <Muted>{source}</Muted> : null}
      {changed && !frozen ? <Button onPress={() => take(id)}>{lineWords.takeTheTableAsItIs}</Button> : null}
      <ButtonLink to="/kit">{lineWords.tablesAreKeptInKit}</ButtonLink>
    </Grid>
  )
}
