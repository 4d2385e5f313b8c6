import { X } from 'lucide-react'
import styled from 'styled-components'
import type { Line } from '../../../../core/kinds/train/document/schema'
import { lengthUnitFor } from '../../../../core/quantity/usual'
import { dimension, inText } from '../../../../words/terms'
import { lineWords } from '../../../../words/train/page/line'
import { mono } from '../../../app/style'
import { Button, Field, Input, Select } from '../../../parts/controls'
import { QuantityField } from '../../../parts/Quantity'
import { Remove } from '../../../parts/Remove'

/** Where the stations of a line are measured from, and where a machine is put in. */

export const Places = styled.ul`list-style: none; padding: 0; margin: 12px 0 0; display: grid; gap: 10px; li { display: flex; flex-wrap: wrap; gap: 10px; align-items: end; } li > * { flex: 1 1 150px; min-width: 0; } li > b { ${mono} flex: 0 0 120px; font-weight: 400; padding-bottom: 11px; white-space: nowrap; } li > button { flex: none; }`

export const markNames = [lineWords.hubFace, lineWords.shaftEnd, lineWords.bracketPost] as const

/** A place among the machines, in words. */
export function whereText({ machines }: Line, at: number): string {
  const name = (i: number) => inText(machines[i]?.name ?? '') || lineWords.unnamedMachine
  if (at === 0) return lineWords.atTheLeftEndBeside(name(0))
  if (at === machines.length) return lineWords.atTheRightEndBeside(name(at - 1))
  return lineWords.betweenTheAndThe(name(at - 1), name(at))
}

/** Puts a machine in; where readings would go with the coupling it comes between, that is said first. */
export const Add = ({ goes, onPress }: { goes: string; onPress: () => void }) =>
  goes ? (
    <Remove label={lineWords.insertMachine} look="plain" goes={lineWords.undoRestoresThem(goes)} onRemove={onPress} />
  ) : (
    <Button onPress={onPress}>{lineWords.insertMachine}</Button>
  )

/** From what a station is measured, which way, and where that puts it. */
export function Place(props: {
  name: string
  station: NonNullable<Line['couplings'][number]['station']>
  x: number | undefined
  unit: 'mm' | 'mil'
  frozen: boolean
  references: readonly { value: string; text: string }[]
  onChange: (change: Partial<NonNullable<Line['couplings'][number]['station']>>) => void
  /** The distance too, where it does not stand on the drawing. */
  typed?: boolean
  onRename?: (name: string) => void
  onRemove?: () => void
}) {
  const { name, station } = props
  return (
    <li>
      {props.onRename ? (
        <Field label={lineWords.name}>
          <Input
            maxLength={40}
            value={name}
            readOnly={props.frozen}
            onChange={(event) => props.onRename?.(event.target.value)}
          />
        </Field>
      ) : (
        <span style={{ paddingBottom: 11 }}>{name}</span>
      )}
      <Field label={lineWords.measuredFrom}>
        <Select
          aria-label={lineWords.measuredFrom2(name)}
          disabled={props.frozen}
          value={station.from}
          options={props.references}
          onPick={(from) => props.onChange({ from })}
        />
      </Field>
      <Field label={lineWords.towardThe}>
        <Select
          aria-label={lineWords.direction(name)}
          disabled={props.frozen}
          value={station.toward}
          options={[
            { value: 'left', text: lineWords.leftEnd },
            { value: 'right', text: lineWords.rightEnd },
          ]}
          onPick={(toward) => props.onChange({ toward: toward as 'left' | 'right' })}
        />
      </Field>
      {props.typed ? (
        <QuantityField
          minus
          label={lineWords.distance}
          quantity={station.distance}
          unit={lengthUnitFor(props.unit)}
          readOnly={props.frozen}
          onChange={(distance) => props.onChange({ distance })}
        />
      ) : null}
      <b>{props.x === undefined ? lineWords.xNotKnown : `x = ${dimension(props.x, props.unit)}`}</b>
      {props.onRemove ? (
        <Button look="quiet" aria-label={lineWords.removeThe2(inText(name))} onPress={props.onRemove}>
          <X size={16} />
        </Button>
      ) : null}
    </li>
  )
}
