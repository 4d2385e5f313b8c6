import { memo } from 'react'
import styled from 'styled-components'
import type { PlaceProved, Proof } from '../../../core/prove/proof'
import { proveWords } from '../../../words/page/prove'
import type { ProofTerms } from '../../../words/prove'
import { isZero, length, unitName } from '../../../words/terms'
import { rowsAsCards } from '../../app/style'
import { Muted } from '../../parts/controls'
import { Help } from '../../parts/Help'
import { Peg } from '../../parts/Peg'
import { Wide } from '../../parts/Wide'
import { HelpHead, Sheet } from './parts'

// a station, what was moved and where it came to: all seven columns have to be seen at once
const Places = styled.table`&&& td { white-space: normal; } &&& :is(td, tbody th) { vertical-align: top; } &&& td:last-child { white-space: nowrap; } ${rowsAsCards}`

/** Every station from as found to as left. */
export const ProofTable = memo(function ProofTable({ proof, terms }: { proof: Proof; terms: ProofTerms }) {
  const { places } = proof
  if (places.length === 0) return null
  const unit = unitName[terms.unit]
  const moved = places.some((one) => one.moved !== undefined)
  const again = proof.found !== proof.left
  return (
    <Sheet aria-label={proveWords.asFoundToAsLeft}>
      <HelpHead>
        <h2>{proveWords.asFoundToAsLeft}</h2>
        <Help of={proveWords.asFoundToAsLeft}>{proveWords.positionsAre(unit)}</Help>
      </HelpHead>
      <Wide>
        <Places>
          <thead>
            <tr>
              <th scope="col">{proveWords.station}</th>
              <th scope="col">{proveWords.direction}</th>
              <th scope="col">{proveWords.found}</th>
              {moved ? <th scope="col">{proveWords.moved(unit)}</th> : null}
              {again ? <th scope="col">{proveWords.left}</th> : null}
              {moved ? <th scope="col">{proveWords.expected}</th> : null}
              {moved ? <th scope="col">{proveWords.off(unit)}</th> : null}
            </tr>
          </thead>
          <tbody>
            {places.map((one, i) => (
              <Place
                key={`${one.place}${one.plane}`}
                one={one}
                rows={places[i - 1]?.place === one.place ? 0 : places.filter(({ place }) => place === one.place).length}
                moved={moved}
                again={again}
                terms={terms}
              />
            ))}
          </tbody>
        </Places>
      </Wide>
    </Sheet>
  )
})

function Place(props: { one: PlaceProved; rows: number; moved: boolean; again: boolean; terms: ProofTerms }) {
  const { one, rows, moved, again, terms } = props
  const { plane } = one
  const stands = (mm: number | undefined) => (mm === undefined ? proveWords.nothing : terms.stands(mm, plane))
  return (
    <tr data-more={rows === 0 || undefined}>
      {rows > 0 ? (
        <th scope="rowgroup" rowSpan={rows}>
          {terms.at(one.place)}
        </th>
      ) : null}
      <th scope="row">{terms.plane(plane)}</th>
      <td data-of={proveWords.found}>{stands(one.found)}</td>
      {moved ? (
        <td data-of={proveWords.moved(unitName[terms.unit])}>
          {one.moved === undefined ? proveWords.notWritten : terms.went(one.moved, plane)}
        </td>
      ) : null}
      {again ? <td data-of={proveWords.left}>{stands(one.left)}</td> : null}
      {moved ? <td data-of={proveWords.expected}>{stands(one.expected)}</td> : null}
      {moved ? (
        <td data-of={proveWords.off(unitName[terms.unit])}>
          {one.off === undefined ? (
            proveWords.nothing
          ) : (
            <>
              <Peg peg={one.state} size={12} />{' '}
              {isZero(one.off, terms) ? length(0, terms) : terms.stands(one.off, plane)}{' '}
              <Muted>{proveWords.plusMinus(length(2 * one.sd, terms))}</Muted>
            </>
          )}
        </td>
      ) : null}
    </tr>
  )
}
