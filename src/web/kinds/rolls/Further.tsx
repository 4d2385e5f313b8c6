import { X } from 'lucide-react'
import styled from 'styled-components'
import { makeFurther } from '../../../core/kinds/rolls/document/make'
import { furtherTypes, type Further as Reading } from '../../../core/kinds/rolls/document/schema'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { sideOf } from '../../../words/rolls/findings'
import { rollsPageWords as words } from '../../../words/rolls/page/page'
import { capital } from '../../../words/terms'
import { newId } from '../../app/newId'
import { Button, Card, Field, Input, Muted, Select } from '../../parts/controls'
import { Fold } from '../../parts/Fold'
import { QuantityField } from '../../parts/Quantity'
import { useRollsFrame } from './frame'

const Row = styled.fieldset`
  border: 0; border-top: 1px solid var(--rule); margin: 0; padding: 12px 0; display: grid; gap: 12px; align-items: end;
  grid-template-columns: repeat(auto-fill, minmax(160px, 1fr));
`

/** What has no cell in the tables: tapes that close a chain, loops, diagonals, and what an instrument tells of a roll at once. */
export function Further() {
  const { round, frozen, editRound, settings } = useRollsFrame()
  const further = round.further ?? []
  return (
    <Card as="section" aria-label={words.further} style={{ marginBottom: 16 }}>
      <Fold title={words.further} open={further.length > 0}>
        <Muted as="p">{words.furtherHint}</Muted>
        {further.map((one) => (
          <FurtherRow key={one.id} one={one} />
        ))}
        {frozen ? null : (
          <Button
            style={{ justifySelf: 'start' }}
            onPress={() =>
              editRound((was) => ({
                ...was,
                further: [...(was.further ?? []), makeFurther(newId('further'), lengthUnitFor(settings.unit))],
              }))
            }
          >
            {words.addFurther}
          </Button>
        )}
      </Fold>
    </Card>
  )
}

function FurtherRow({ one }: { one: Reading }) {
  const { frozen, editRound, settings, document } = useRollsFrame()
  const { line } = document
  const [near, far] = [sideOf('near', line), sideOf('far', line)]
  const put = (change: Partial<Reading>, name: string) =>
    editRound(
      (was) => ({
        ...was,
        further: (was.further ?? []).map((own) => (own.id === one.id ? { ...own, ...change } : own)),
      }),
      `${one.id} ${name}`,
    )
  const roll = (key: 'on' | 'to', label: string) => (
    <Field label={label}>
      <Select
        disabled={frozen}
        value={one[key]}
        options={[
          { value: '', text: words.choose },
          ...line.rolls
            .filter(({ id }) => id !== (key === 'to' ? one.on : one.type === 'direct' ? '' : one.to))
            .map(({ id, name }) => ({ value: id, text: name })),
        ]}
        onPick={(id) => put({ [key]: id }, key)}
      />
    </Field>
  )
  const length = (key: 'near' | 'far', label: string) => (
    <QuantityField
      label={label}
      quantity={one[key]}
      unit={lengthUnitFor(settings.unit)}
      readOnly={frozen}
      onChange={(value) => put({ [key]: value }, key)}
    />
  )
  const slope = (key: 'square' | 'level', label: string) => (
    <Field label={label}>
      <Input
        inputMode="text"
        maxLength={12}
        readOnly={frozen}
        value={one[key]}
        onChange={({ target }) => put({ [key]: target.value }, key)}
      />
    </Field>
  )
  return (
    <Row aria-label={words.furtherTypes[one.type]}>
      <Field label={words.whatIsRead}>
        <Select
          disabled={frozen}
          value={one.type}
          options={furtherTypes.map((value) => ({ value, text: words.furtherTypes[value] }))}
          onPick={(type) => put({ type: type as Reading['type'] }, 'type')}
        />
      </Field>
      {roll('on', one.type === 'direct' ? words.ofRoll : words.fromRoll)}
      {one.type === 'direct' ? (
        <>
          {slope('square', words.toldSquare)}
          {slope('level', words.toldLevel)}
          <QuantityField
            label={words.gauge}
            quantity={one.gauge}
            unit={lengthUnitFor(settings.unit)}
            readOnly={frozen}
            onChange={(gauge) => put({ gauge }, 'gauge')}
          />
        </>
      ) : (
        <>
          {roll('to', words.toRoll)}
          {length('near', one.type === 'diagonals' ? words.diagonal(near, far) : words.near(capital(near)))}
          {length('far', one.type === 'diagonals' ? words.diagonal(far, near) : words.near(capital(far)))}
        </>
      )}
      {frozen ? null : (
        <Button
          look="quiet"
          aria-label={words.removeFurther}
          onPress={() =>
            editRound((was) => ({ ...was, further: (was.further ?? []).filter(({ id }) => id !== one.id) }))
          }
        >
          <X size={18} />
        </Button>
      )}
    </Row>
  )
}
