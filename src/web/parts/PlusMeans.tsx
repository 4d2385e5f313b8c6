import styled from 'styled-components'
import type { Plus } from '../../core/shafts/schema'
import { plusWords, sayWay, type WayNames } from '../../words/probes'
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
  names: WayNames
  /** What the questions are called, where a line has other names for its planes. */
  asked?: typeof plusWords.asked
  frozen: boolean
  onChange: (plus: Plus) => void
}) {
  const { plus, machine, names } = props
  const named = (what: 'offset' | 'gap', way: Parameters<typeof sayWay>[0]) =>
    what === 'gap' ? plusWords.opens(sayWay(way, what, names)) : plusWords.stands(machine, sayWay(way, what, names))
  return (
    <Asked data-missing={asked.some(([plane, what]) => !plus[plane][what])}>
      <legend>{plusWords.title}</legend>
      {asked.map(([plane, what, choices]) => (
        <Field key={`${plane}${what}`} label={(props.asked ?? plusWords.asked)[plane][what]}>
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
