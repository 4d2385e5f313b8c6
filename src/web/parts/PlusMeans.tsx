import styled from 'styled-components'
import type { Plus } from '../../core/shafts/schema'
import { plusWords, sayWay } from '../../words/probes'
import { Field, Select } from './controls'

const Asked = styled.fieldset`
  border: 1px solid var(--rule); border-radius: 4px; padding: 8px 12px 12px; margin: 0 0 12px; display: grid; grid-template-columns: repeat(auto-fit, minmax(min(100%, 250px), 1fr)); gap: 12px;
  legend { font-weight: 600; padding: 0 6px; } &[data-missing='true'] { border: 2px solid var(--outside); }
`

const asked = [
  ['vertical', 'offset', ['up', 'down']],
  ['vertical', 'gap', ['top', 'bottom']],
  ['horizontal', 'offset', ['far', 'near']],
  ['horizontal', 'gap', ['far', 'near']],
] as const

export const noPlus: Plus = { vertical: {}, horizontal: {} }

/** What an instrument's plus means, asked in words: no result is worked out from a sign that was guessed. */
export function PlusMeans(props: {
  plus: Plus
  /** The machine whose place the instrument tells, by its name. */
  machine: string
  side: (side: 'near' | 'far') => string
  frozen: boolean
  onChange: (plus: Plus) => void
}) {
  const { plus, machine, side } = props
  const named = (what: 'offset' | 'gap', way: Parameters<typeof sayWay>[0]) =>
    what === 'gap' ? plusWords.opens(sayWay(way, what, side)) : plusWords.stands(machine, sayWay(way, what, side))
  return (
    <Asked data-missing={asked.some(([plane, what]) => !plus[plane][what])}>
      <legend>{plusWords.title}</legend>
      {asked.map(([plane, what, choices]) => (
        <Field key={`${plane}${what}`} label={plusWords.asked[plane][what]}>
          <Select
            disabled={props.frozen}
            value={plus[plane][what] ?? ''}
            options={[
              { value: '', text: plusWords.choose },
              ...choices.map((way) => ({ value: way, text: named(what, way) })),
            ]}
            onPick={(way) =>
              props.onChange({ ...plus, [plane]: { ...plus[plane], [what]: way === '' ? undefined : way } })
            }
          />
        </Field>
      ))}
    </Asked>
  )
}
