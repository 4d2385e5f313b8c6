import styled from 'styled-components'
import { headWords } from '../../words/probes'

const Tick = styled.label`display: flex; gap: 10px; align-items: center; min-height: 44px; input { width: 22px; height: 22px; }`

/** The switch of a head that counts the other way: kept with the head where it is of the kit. */
export function CountsOther({
  checked,
  frozen,
  onChange,
}: {
  checked: boolean
  frozen: boolean
  onChange: (other: boolean) => void
}) {
  return (
    <Tick>
      <input type="checkbox" checked={checked} disabled={frozen} onChange={({ target }) => onChange(target.checked)} />
      {headWords.countsOther}
    </Tick>
  )
}
