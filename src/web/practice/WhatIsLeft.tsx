import styled from 'styled-components'
import { mono } from '../app/style'
import { Peg } from '../parts/Peg'

const Table = styled.table`border-collapse: collapse; th, td { padding: 5px 18px 5px 0; text-align: left; border-bottom: 1px solid var(--rule); } td { ${mono} } th { font-weight: 500; }`

/** What is left once a lesson was checked, each with its peg. */
export const WhatIsLeft = (props: { label: string; rows: readonly { name: string; told: string; out: boolean }[] }) => (
  <Table aria-label={props.label}>
    <tbody>
      {props.rows.map(({ name, told, out }) => (
        <tr key={name}>
          <th scope="row">
            <Peg peg={out ? 'outside' : 'within'} size={12} label="" /> {name}
          </th>
          <td>{told}</td>
        </tr>
      ))}
    </tbody>
  </Table>
)
