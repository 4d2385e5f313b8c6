import { Plus, X } from 'lucide-react'
import styled from 'styled-components'
import type { Line } from '../../../../core/kinds/train/document/schema'
import { lineWords } from '../../../../words/train/page/line'
import { Button, Card, Input, Muted } from '../../../parts/controls'
import { Fold } from '../../../parts/Fold'

type Checks = NonNullable<Line['checks']>

const List = styled.ul`list-style: none; padding: 0; margin: 8px 0; display: grid; gap: 8px; li { display: flex; gap: 8px; }`

/** Checks that only this line needs; every job on it proposes them in Ready. */
export function OwnChecks(props: { checks: Checks; frozen: boolean; onChange: (checks: Checks) => void }) {
  const { checks, frozen, onChange } = props
  const free = () => {
    for (let i = checks.length + 1; ; i++) if (!checks.some((check) => check.id === `own${i}`)) return `own${i}`
  }
  return (
    <Card aria-label={lineWords.checksForThisLine}>
      <Fold title={lineWords.checksForThisLine} open={checks.length > 0}>
        <Muted>{lineWords.shownInReadyOnEvery}</Muted>
        <List>
          {checks.map((check, i) => (
            <li key={check.id}>
              <Input
                aria-label={lineWords.check(i + 1)}
                maxLength={120}
                value={check.text}
                readOnly={frozen}
                onChange={(event) =>
                  onChange(checks.map((one) => (one.id === check.id ? { ...one, text: event.target.value } : one)))
                }
              />
              <Button
                look="quiet"
                aria-label={lineWords.removeCheck(i + 1)}
                isDisabled={frozen}
                onPress={() => onChange(checks.filter((one) => one.id !== check.id))}
              >
                <X size={16} />
              </Button>
            </li>
          ))}
        </List>
        {frozen ? null : (
          <Button onPress={() => onChange([...checks, { id: free(), text: '' }])}>
            <Plus size={16} aria-hidden="true" /> {lineWords.addACheck}
          </Button>
        )}
      </Fold>
    </Card>
  )
}
