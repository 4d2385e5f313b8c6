import { useState } from 'react'
import styled from 'styled-components'
import { roughKey, solveRough } from '../../../../core/kinds/train/document/rough'
import { emptyQuantity } from '../../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../../core/quantity/usual'
import { emptyReady } from '../../../../core/ready/ready'
import { angleInText, inText } from '../../../../words/terms'
import { readyWords } from '../../../../words/train/page/ready'
import { sayRough } from '../../../../words/train/rough'
import { Card, Choices, Muted } from '../../../parts/controls'
import { Peg } from '../../../parts/Peg'
import { QuantityField } from '../../../parts/Quantity'
import { useTrainFrame } from '../frame'

const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(130px, 1fr)); gap: 12px; margin: 8px 0 14px;`
const Box = styled(
  Card,
)`margin-top: 20px; h2 { font-size: 17px; } h3 { font-size: 15px; margin-top: 4px; } ul { padding: 0; list-style: none; display: grid; gap: 6px; margin: 10px 0 0; } li { display: flex; gap: 10px; align-items: baseline; flex-wrap: wrap; }`

const Hows = styled.div`display: flex; flex-wrap: wrap; gap: 8px 16px; margin: 10px 0;`

const quarters = [
  ['top', 0],
  ['far', 90],
  ['bottom', 180],
  ['near', 270],
] as const

/** Straightedge or strip and feeler at the rims, taper gauge between the faces: near enough for a dial to take over. */
export function Rough() {
  const frame = useTrainFrame()
  const { document, terms, settings, frozen } = frame
  const [chosen, choose] = useState<string>()
  const rough = solveRough(document, chosen)
  const { couplings, machines } = document.line
  const c = Math.max(
    0,
    couplings.findIndex(({ id }) => id === rough.coupling),
  )
  const hubs = { left: machines[c]?.name ?? 'left', right: machines[c + 1]?.name ?? 'right' }
  const felt = rough.carrier === 'left' ? hubs.right : hubs.left
  const typed = document.ready?.rough ?? {}
  const length = lengthUnitFor(settings.unit)
  const change = (name: string) => (value: (typeof typed)[string]) =>
    frame.edit((job) => {
      const ready = job.ready ?? emptyReady()
      const key = roughKey(job.line, rough.coupling, name)
      return { ...job, ready: { ...ready, rough: { ...ready.rough, [key]: value } } }
    }, `rough:${rough.coupling}:${name}`)
  const field = (key: string, label: string, unit = settings.unit as 'mm' | 'mil' | 'in') => (
    <QuantityField
      key={key}
      label={label}
      signed={key.startsWith('rim') || key === 'radii'}
      quantity={typed[roughKey(document.line, rough.coupling, key)] ?? emptyQuantity(unit)}
      unit={unit}
      readOnly={frozen}
      onChange={change(key)}
    />
  )
  const said = sayRough(rough, terms)
  return (
    <Box aria-label={readyWords.roughAlignment}>
      <h2>{readyWords.roughAlignment}</h2>
      <Muted>{readyWords.straightedgeOrBentStripWith}</Muted>
      <Hows>
        {couplings.length > 1 ? (
          <Choices
            label={readyWords.roughAlignmentAt}
            value={rough.coupling}
            options={couplings.map(({ id, name }) => ({ value: id, text: name }))}
            onChange={choose}
          />
        ) : null}
        <Choices
          label={readyWords.straightedgeOrStripCarriedBy}
          value={rough.carrier}
          isDisabled={frozen}
          options={[
            { value: 'left', text: readyWords.onTheHub(inText(hubs.left)) },
            { value: 'right', text: readyWords.onTheHub2(inText(hubs.right)) },
          ]}
          onChange={(carrier) =>
            frame.edit((job) => {
              const ready = job.ready ?? emptyReady()
              return { ...job, ready: { ...ready, roughCarrier: { ...ready.roughCarrier, [rough.coupling]: carrier } } }
            })
          }
        />
      </Hows>
      <h3>{readyWords.gapFromTheStraightedgeOr(inText(felt))}</h3>
      <Grid>
        {quarters.map(([quarter, degrees]) => field(`rim.${quarter}`, readyWords.rimGap(angleInText(degrees, terms))))}
        {field('radii', readyWords.leftRadiusMinusRight)}
      </Grid>
      <h3>{readyWords.gapBetweenTheHubFaces}</h3>
      <Grid>
        {quarters.map(([quarter, degrees]) =>
          field(`face.${quarter}`, readyWords.faceGap(angleInText(degrees, terms))),
        )}
        {field('diameter', readyWords.atDiameter, length as 'mm' | 'in')}
        {field('travel', readyWords.dialTravel)}
      </Grid>
      {said.length > 0 ? (
        <ul role="status" aria-label={readyWords.roughResult}>
          {said.map(({ key, peg, title, detail }) => (
            <li key={key}>
              <Peg peg={peg} size={14} label="" />
              <span>
                <b>{title}</b> {detail ? <Muted>{detail}</Muted> : null}
              </span>
            </li>
          ))}
        </ul>
      ) : null}
    </Box>
  )
}
