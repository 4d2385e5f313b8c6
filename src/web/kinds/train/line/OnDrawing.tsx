import { type CSSProperties, useMemo, useState } from 'react'
import styled from 'styled-components'
import { lengthUnitFor } from '../../../../core/quantity/usual'
import { chainDrawing } from '../../../../drawing/train/chain'
import { capital, unitName } from '../../../../words/terms'
import { lineWords } from '../../../../words/train/page/line'
import { Drawn, named } from '../../../drawing/Drawing'
import { QuantityInput } from '../../../parts/Quantity'
import { useWidth } from '../../../parts/useWidth'
import type { LineSheet } from './Part'
import { Place, Places } from './Place'

const Paper = styled.div`background: var(--card); border: 1px solid var(--rule); border-radius: 4px; overflow-x: auto;`
const Drawing = styled.div`position: relative; min-width: var(--least); svg { display: block; } text { font-size: 14px; fill: var(--ink); }`
const At = styled.div<{ $x: number; $y: number }>`
  position: absolute; left: ${({ $x }) => $x}px; top: ${({ $y }) => $y}px; width: var(--cell); transform: translate(-50%, -50%);
  input { min-height: 44px; text-align: center; padding: 0 4px; background: var(--card); font-size: 15px; } span { position: absolute; }
`
const Tap = styled.button`
  position: absolute; padding: 0; border: 1.5px solid transparent; border-radius: 3px; background: none; cursor: pointer;
  &:hover, &[aria-expanded='true'] { border-color: var(--kelp); }
`
const Measured = styled.section`border-top: 1px solid var(--rule); padding: 8px 16px 12px;`

/** The train to scale: every distance stands where it is, a part is opened where it is tapped, and so is a dimension's reference. */
export function OnDrawing(props: LineSheet & { flipped: boolean; nameOf: (id: string) => string }) {
  const { line, unit, frozen, stations, part, open, elsewhere, setStation, nameOf } = props
  const length = lengthUnitFor(unit)
  const [ref, width] = useWidth()
  const [dimension, setDimension] = useState<string>()
  // a pair fits on a phone; more machines are pushed along
  const least = line.machines.length > 2 ? 560 : 330
  const sheet = Math.max(least, width)
  const cell = sheet < 480 ? 76 : 100
  const drawing = useMemo(() => chainDrawing(line, sheet, cell, props.flipped), [line, sheet, cell, props.flipped])
  const stationOf = (id: string) =>
    line.couplings.find((c) => c.id === id)?.station ??
    line.machines.flatMap((m) => m.feet).find((f) => f.id === id)?.station
  const tapped = dimension === undefined ? undefined : stationOf(dimension)
  const measured = dimension !== undefined && tapped ? { of: dimension, station: tapped } : undefined
  return (
    <Paper>
      <Drawing
        ref={ref}
        style={{ height: drawing.height, '--least': `${least}px`, '--cell': `${cell}px` } as CSSProperties}
      >
        <svg width={sheet} height={drawing.height} aria-hidden="true">
          {named(drawing.shapes).map(([name, shape]) => (
            <Drawn key={name} shape={shape} />
          ))}
          {drawing.names.map(({ machine, x, y }) => {
            const found = line.machines.find((m) => m.id === machine)
            return (
              <text key={machine} x={x} y={y} textAnchor="middle">
                {found?.name}
                {machine === line.fixed ? lineWords.fixed : ''}
              </text>
            )
          })}
        </svg>
        {drawing.parts.map(({ id, x, y, half }) => {
          const name = [...line.machines, ...line.couplings].find((one) => one.id === id)?.name
          return (
            <Tap
              key={id}
              type="button"
              aria-label={lineWords.openPart(name ?? '')}
              aria-expanded={part === id}
              style={{ left: x - half, top: y - 37, width: 2 * half, height: 74 }}
              onClick={() => open(part === id ? undefined : id)}
            />
          )
        })}
        {drawing.links.map((link) => {
          const station = stationOf(link.of)
          return station ? (
            <At key={link.of} $x={(link.x1 + link.x2) / 2} $y={link.y}>
              <QuantityInput
                minus
                label={lineWords.distanceFromTowardThe(
                  capital(nameOf(link.of)),
                  nameOf(link.from),
                  station.toward,
                  unitName[length],
                )}
                quantity={station.distance}
                unit={length}
                readOnly={frozen}
                placeholder={unitName[length]}
                onFocus={() => setDimension(link.of)}
                onChange={(distance) => setStation(link.of, { distance })}
                onKeyDown={(event) => {
                  if (event.key !== 'Enter') return
                  event.preventDefault()
                  const inputs = [...(event.currentTarget.closest('main')?.querySelectorAll('input') ?? [])]
                  inputs[inputs.indexOf(event.currentTarget) + 1]?.focus()
                }}
              />
            </At>
          ) : null
        })}
      </Drawing>
      {measured ? (
        <Measured aria-label={lineWords.thisDimension}>
          <Places>
            <Place
              name={capital(nameOf(measured.of))}
              station={measured.station}
              x={stations.x.get(measured.of)}
              unit={unit}
              frozen={frozen}
              references={elsewhere(measured.of)}
              onChange={(change) => setStation(measured.of, change)}
            />
          </Places>
        </Measured>
      ) : null}
    </Paper>
  )
}
