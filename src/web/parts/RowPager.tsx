import { useState } from 'react'
import { partWords } from '../../words/page/stretch'
import { Field, Select } from './controls'

/** So many rows stand on one page. */
const much = 25

/**
 * A long list in stretches: what is not looked at is not drawn. `choice` is nothing where all fits; `show` turns to the stretch
 * that a row lies in.
 */
export function useRowPager<T>(all: readonly T[], nameOf: (one: T) => string) {
  const [at, setAt] = useState(0)
  const stretches = Math.ceil(all.length / much)
  const now = Math.min(at, Math.max(0, stretches - 1))
  const first = (n: number) => all[n * much]
  const last = (n: number) => all[Math.min(all.length, (n + 1) * much) - 1]
  const choice =
    stretches > 1 ? (
      <Field label={partWords.shown}>
        <Select
          value={String(now)}
          options={Array.from({ length: stretches }, (_, n) => {
            const [from, to] = [first(n), last(n)]
            return { value: String(n), text: from && to ? partWords.fromTo(nameOf(from), nameOf(to)) : '' }
          })}
          onPick={(value) => setAt(Number(value))}
        />
      </Field>
    ) : null
  return {
    shown: all.slice(now * much, (now + 1) * much),
    choice,
    show: (row: number) => setAt(Math.floor(row / much)),
  }
}
