import { X } from 'lucide-react'
import styled from 'styled-components'
import { makeMonument } from '../../../core/kinds/rolls/document/make'
import type { Monument } from '../../../core/kinds/rolls/document/schema'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { rollsPageWords as words } from '../../../words/rolls/page/page'
import { newId } from '../../app/newId'
import { Button, Card, Field, Input, Muted } from '../../parts/controls'
import { Fold } from '../../parts/Fold'
import { QuantityField } from '../../parts/Quantity'
import type { LineProps } from '../kind'

const Row = styled.fieldset`
  border: 0; border-top: 1px solid var(--rule); margin: 0; padding: 12px 0; display: grid; gap: 12px; align-items: end;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
`

/** Marks built into floor or frame from which the baseline is found again, each with the day it was last checked. */
export function Monuments({ line, unit, onChange, frozen = false }: LineProps<'rolls'> & { frozen?: boolean }) {
  const monuments = line.monuments ?? []
  const put = (id: string, change: Partial<Monument>, name: string) =>
    onChange(
      (one) => ({
        ...one,
        monuments: (one.monuments ?? []).map((own) => (own.id === id ? { ...own, ...change } : own)),
      }),
      `${id} ${name}`,
    )
  return (
    <Card as="section" aria-label={words.monuments}>
      <Fold title={words.monuments} open={monuments.length > 0}>
        <Muted as="p">{words.monumentsHint}</Muted>
        {monuments.map((one) => (
          <Row key={one.id} aria-label={one.name || words.monument}>
            <Field label={words.monument}>
              <Input
                maxLength={40}
                readOnly={frozen}
                value={one.name}
                onChange={({ target }) => put(one.id, { name: target.value }, 'name')}
              />
            </Field>
            <Field label={words.monumentPlace}>
              <Input
                maxLength={120}
                readOnly={frozen}
                value={one.place}
                onChange={({ target }) => put(one.id, { place: target.value }, 'place')}
              />
            </Field>
            <QuantityField
              minus
              label={words.x}
              quantity={one.x}
              unit={lengthUnitFor(unit)}
              readOnly={frozen}
              onChange={(x) => put(one.id, { x }, 'x')}
            />
            <QuantityField
              minus
              label={words.monumentOff}
              quantity={one.off}
              unit={lengthUnitFor(unit)}
              readOnly={frozen}
              onChange={(off) => put(one.id, { off }, 'off')}
            />
            <Field label={words.verified}>
              <Input
                type="date"
                readOnly={frozen}
                value={one.verified}
                onChange={({ target }) => put(one.id, { verified: target.value }, 'verified')}
              />
            </Field>
            {frozen ? null : (
              <Button
                look="quiet"
                aria-label={words.removeMonument(one.name || words.monument)}
                onPress={() =>
                  onChange((was) => ({
                    ...was,
                    monuments: (was.monuments ?? []).filter(({ id }) => id !== one.id),
                  }))
                }
              >
                <X size={18} />
              </Button>
            )}
          </Row>
        ))}
        {frozen || monuments.length >= 20 ? null : (
          <Button
            style={{ justifySelf: 'start' }}
            onPress={() =>
              onChange((was) => ({
                ...was,
                monuments: [...(was.monuments ?? []), makeMonument(newId('monument'), unit)],
              }))
            }
          >
            {words.addMonument}
          </Button>
        )}
      </Fold>
    </Card>
  )
}
