import { useState } from 'react'
import styled from 'styled-components'
import { setPoint } from '../../../core/kinds/rolls/solve/web'
import { emptyQuantity, quantityMm } from '../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { rollsPageWords as words } from '../../../words/rolls/page/page'
import { lengthWithUnit, signedLength } from '../../../words/terms'
import { Card } from '../../parts/controls'
import { QuantityField } from '../../parts/Quantity'
import { useRollsFrame } from './frame'

const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(200px, 1fr)); gap: 12px; margin: 12px 0; align-items: end;`

/** The usual limit of a span, of which a third must be met, rad. */
const usualLimit = 0.0001

/** A swept plane is brought parallel to the reference roll: where to turn the far target, pass by pass. */
export function SetPoint() {
  const { settings, told } = useRollsFrame()
  const length = lengthUnitFor(settings.unit)
  const [near, setNear] = useState(emptyQuantity(length))
  const [beyond, setBeyond] = useState(emptyQuantity(length))
  const [far, setFar] = useState(emptyQuantity(settings.unit))
  const [l1, l2, f] = [quantityMm(near), quantityMm(beyond), quantityMm(far)]
  const most = (told.width * usualLimit) / 3
  return (
    <Card as="section" aria-label={words.setPointTitle} style={{ marginBottom: 16 }}>
      <h2>{words.setPointTitle}</h2>
      <Grid>
        <QuantityField label={words.setPointL1} quantity={near} unit={length} signed onChange={setNear} />
        <QuantityField label={words.setPointL2} quantity={beyond} unit={length} onChange={setBeyond} />
        <QuantityField label={words.setPointF} quantity={far} unit={settings.unit} signed onChange={setFar} />
      </Grid>
      <p role="status">
        {l1 === undefined || l2 === undefined || l2 === 0 || f === undefined ? null : Math.abs(f) <= most ? (
          <b>{words.setPointDone(lengthWithUnit(most, told))}</b>
        ) : (
          <b>{words.setPoint(`${signedLength(setPoint(f, l1, l2), told)} ${settings.unit}`)}</b>
        )}
      </p>
    </Card>
  )
}
