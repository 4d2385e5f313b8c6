import styled from 'styled-components'
import { emptyQuantity } from '../../../core/frame/quantity'
import { lengthUnitFor } from '../../../core/job/make'
import { solveRough } from '../../../core/job/rough'
import { emptyReady } from '../../../core/ready/ready'
import { act, angleName, capital, footName, lengthWithUnit, slope } from '../../../words/terms'
import { Card, Muted } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { QuantityField } from '../../parts/Quantity'
import { useJobFrame } from './context'

const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(130px, 1fr)); gap: 12px; margin: 8px 0 14px;`
const Box = styled(
  Card,
)`margin-top: 20px; h2 { font-size: 17px; } h3 { font-size: 15px; margin-top: 4px; } ul { padding: 0; list-style: none; display: grid; gap: 6px; margin: 10px 0 0; } li { display: flex; gap: 10px; align-items: baseline; flex-wrap: wrap; }`

const quarters = [
  ['top', 0],
  ['far', 90],
  ['bottom', 180],
  ['near', 270],
] as const

/** Straightedge or strip and feeler at the rims, taper gauge between the faces: near enough for a dial to take over. */
export function Rough() {
  const frame = useJobFrame()
  const { document, terms, settings, frozen } = frame
  const coarse = { ...terms, resolution: 0.05 }
  const rough = solveRough(document)
  const typed = document.ready?.rough ?? {}
  const length = lengthUnitFor(settings.unit)
  const change = (key: string) => (value: (typeof typed)[string]) =>
    frame.edit((job) => {
      const ready = job.ready ?? emptyReady()
      return { ...job, ready: { ...ready, rough: { ...ready.rough, [key]: value } } }
    }, `rough:${key}`)
  const field = (key: string, label: string, unit = settings.unit as 'mm' | 'mil' | 'in') => (
    <QuantityField
      key={key}
      label={label}
      signed={key.startsWith('rim') || key === 'radii'}
      quantity={typed[key] ?? emptyQuantity(unit)}
      unit={unit}
      readOnly={frozen}
      onChange={change(key)}
    />
  )
  const known = [rough.position.vertical, rough.position.horizontal].some((p) => p.offset !== null || p.slope !== null)
  return (
    <Box aria-label="Rough alignment">
      <h2>Rough alignment</h2>
      <Muted>
        Straightedge or bent strip with a feeler, then a taper gauge between the hubs. Angle first, then offset.
      </Muted>
      <h3>How far the right hub’s rim stands in from a straightedge or strip on the left hub; above zero is in</h3>
      <Grid>
        {quarters.map(([quarter, degrees]) =>
          field(`rim.${quarter}`, `Rim gap, ${angleName(degrees, terms).toLowerCase()}`),
        )}
        {field('radii', 'Left radius less right')}
      </Grid>
      <h3>Between the hub faces</h3>
      <Grid>
        {quarters.map(([quarter, degrees]) =>
          field(`face.${quarter}`, `Face gap, ${angleName(degrees, terms).toLowerCase()}`),
        )}
        {field('diameter', 'At diameter', length as 'mm' | 'in')}
        {field('travel', 'Travel of the dial')}
      </Grid>
      {known ? (
        <ul role="status" aria-label="Rough result">
          {rough.feet.map(({ foot, vertical, horizontal }) => (
            <li key={foot}>
              <b>{capital(footName(foot, terms))}:</b>{' '}
              {vertical
                ? `${act(vertical.total, 'vertical', coarse)} (${lengthWithUnit(Math.abs(vertical.angle), coarse)} ${vertical.angle < 0 ? 'down' : 'up'} for the angle, then ${lengthWithUnit(Math.abs(vertical.offset), coarse)} ${vertical.offset < 0 ? 'down' : 'up'})`
                : 'up and down not measured'}
              {horizontal ? `; ${act(horizontal.total, 'horizontal', coarse)}` : ''}
            </li>
          ))}
          {rough.position.vertical.slope === null ? null : (
            <li>
              <Muted>Slope {slope(rough.position.vertical.slope, settings.unit)} vertical.</Muted>
            </li>
          )}
          {rough.goodEnough === undefined ? null : (
            <li>
              <Peg peg={rough.goodEnough ? 'within' : 'outside'} />
              {rough.goodEnough ? 'Good enough for a dial.' : 'Not yet: bring it nearer before a dial goes on.'} A dial
              would swing {lengthWithUnit(rough.swing ?? 0, coarse)}.
            </li>
          )}
        </ul>
      ) : null}
    </Box>
  )
}
