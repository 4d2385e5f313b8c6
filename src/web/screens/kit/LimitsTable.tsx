import { Plus, X } from 'lucide-react'
import { useRef, useState } from 'react'
import styled from 'styled-components'
import type { KitLimits } from '../../../core/kit/schema'
import { emptyQuantity } from '../../../core/quantity/quantity'
import { rowCouplings, rowFaults, type TypedLimitRow, tableCells, tableOfCells } from '../../../core/verdict/table'
import { rowCouplingNames, rowFaultTexts, sayCellFault } from '../../../words/kit'
import { kitWords } from '../../../words/page/kit'
import { unitName } from '../../../words/terms'
import { newId } from '../../app/newId'
import { Button, Card, Fault, Input, Muted, Select } from '../../parts/controls'
import { fileName, safeCells, saveText } from '../../parts/files'
import { QuantityInput } from '../../parts/Quantity'
import { Wide } from '../../parts/Wide'
import { Grid, type Put, TextField } from './parts'

const Table = styled.table`border-collapse: collapse; margin: 8px 0 12px; th { text-align: left; font-size: 13px; color: var(--muted); font-weight: 500; padding: 0 8px 4px 0; white-space: nowrap; } td { padding: 2px 8px 2px 0; vertical-align: top; } input { width: 96px; text-align: right; } select { width: 170px; }`
const Buttons = styled.div`display: flex; flex-wrap: wrap; gap: 8px;`

const read = (file: File): Promise<string[][]> =>
  Promise.all([import('papaparse'), file.text()]).then(
    ([{ default: papa }, text]) => papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' }).data,
  )

/** A site's own limits, by kind of coupling and range of speed. */
export function LimitsTable({ item, unit, put }: { item: KitLimits; unit: 'mm' | 'mil'; put: Put }) {
  const { rows } = item
  const [said, say] = useState<{ ok: boolean; texts: string[] }>()
  const file = useRef<HTMLInputElement>(null)
  const faults = rowFaults(rows)
  const slopeUnit = unit === 'mil' ? 'mil/in' : 'mm/100 mm'
  const change = (id: string, to: Partial<TypedLimitRow>) =>
    put({ rows: rows.map((row) => (row.id === id ? { ...row, ...to } : row)) }, `row:${id}`)
  const bringIn = async (chosen: File | undefined) => {
    if (!chosen) return
    const found = tableOfCells(await read(chosen), () => newId('row'))
    if (found.ok) put({ rows: found.rows }, 'brought-in')
    say(
      found.ok
        ? { ok: true, texts: [kitWords.tableBroughtIn(found.rows.length)] }
        : { ok: false, texts: found.faults.slice(0, 20).map(sayCellFault) },
    )
  }
  const saveTable = () =>
    void import('papaparse').then(({ default: papa }) =>
      saveText(`${fileName(item.name) || 'limits'}.csv`, 'text/csv', papa.unparse(tableCells(rows), safeCells)),
    )
  return (
    <Card aria-label={kitWords.tableOfLimits}>
      <Grid>
        <TextField label={kitWords.name} value={item.name} onChange={(name) => put({ name }, 'name')} />
        <TextField
          label={kitWords.source}
          value={item.source}
          max={120}
          onChange={(source) => put({ source }, 'source')}
        />
      </Grid>
      <p>
        <Muted>
          {kitWords.makersFiguresWin} {kitWords.spacersAngle}
        </Muted>
      </p>
      <Wide>
        <Table>
          <thead>
            <tr>
              <th scope="col">{kitWords.coupling}</th>
              <th scope="col">{kitWords.fromRpm}</th>
              <th scope="col">{kitWords.toRpm}</th>
              <th scope="col">{kitWords.offset(unitName[unit])}</th>
              <th scope="col">{kitWords.slope(slopeUnit)}</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => {
              const fault = faults.get(i)
              const field = (name: string) => kitWords.rowField(i + 1, name)
              return [
                <tr key={row.id}>
                  <td>
                    <Select
                      aria-label={field(kitWords.coupling)}
                      value={row.coupling}
                      options={rowCouplings.map((value) => ({ value, text: rowCouplingNames[value] }))}
                      onPick={(coupling) => change(row.id, { coupling: coupling as TypedLimitRow['coupling'] })}
                    />
                  </td>
                  {(['from', 'to'] as const).map((key) => (
                    <td key={key}>
                      <Input
                        aria-label={field(key === 'from' ? kitWords.fromRpm : kitWords.toRpm)}
                        aria-invalid={fault === 'speeds' || fault === 'backwards' || fault === 'overlap' || undefined}
                        inputMode="numeric"
                        maxLength={8}
                        value={row[key]}
                        onChange={({ target }) => change(row.id, { [key]: target.value })}
                      />
                    </td>
                  ))}
                  <td>
                    <QuantityInput
                      label={field(kitWords.offset(unitName[unit]))}
                      quantity={row.offset}
                      unit={unit}
                      onChange={(offset) => change(row.id, { offset })}
                    />
                  </td>
                  <td>
                    <Input
                      aria-label={field(kitWords.slope(row.slope.unit))}
                      aria-invalid={fault === 'slope' || undefined}
                      inputMode="decimal"
                      maxLength={40}
                      value={row.slope.text}
                      onChange={({ target }) => change(row.id, { slope: { ...row.slope, text: target.value } })}
                    />
                    {row.slope.unit === slopeUnit ? null : <Muted> {row.slope.unit}</Muted>}
                  </td>
                  <td>
                    <Button
                      look="quiet"
                      aria-label={kitWords.removeRow(i + 1)}
                      onPress={() => put({ rows: rows.filter(({ id }) => id !== row.id) }, 'less')}
                    >
                      <X size={14} />
                    </Button>
                  </td>
                </tr>,
                fault ? (
                  <tr key={`${row.id}-fault`}>
                    <td colSpan={6}>
                      <Fault>{rowFaultTexts[fault]}</Fault>
                    </td>
                  </tr>
                ) : null,
              ]
            })}
          </tbody>
        </Table>
      </Wide>
      <Buttons>
        <Button
          isDisabled={rows.length >= 60}
          onPress={() =>
            put(
              { rows: [...rows, nextRow(rows.at(-1), newId('row'), unit === 'mil' ? 'mil' : 'mm', slopeUnit)] },
              'more',
            )
          }
        >
          <Plus size={16} aria-hidden="true" /> {kitWords.addRow}
        </Button>
        <Button onPress={() => file.current?.click()}>{kitWords.importTable}</Button>
        <Button isDisabled={rows.length === 0} onPress={saveTable}>
          {kitWords.exportTable}
        </Button>
        <input
          ref={file}
          type="file"
          accept=".csv,.txt,text/csv"
          hidden
          aria-label={kitWords.importTable}
          onChange={({ target }) => {
            void bringIn(target.files?.[0])
            target.value = ''
          }}
        />
      </Buttons>
      {said?.ok ? <p role="status">{said.texts.join(' ')}</p> : null}
      {said && !said.ok ? (
        <div role="alert">
          <Fault>{kitWords.nothingBroughtIn}</Fault>
          <ul>
            {said.texts.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </div>
      ) : null}
    </Card>
  )
}

/** The row after another: the same coupling, from where that one ends. */
const nextRow = (
  last: TypedLimitRow | undefined,
  id: string,
  unit: 'mm' | 'mil',
  slopeUnit: TypedLimitRow['slope']['unit'],
): TypedLimitRow => ({
  id,
  coupling: last?.coupling ?? 'any',
  from: last?.to ?? '0',
  to: '',
  offset: emptyQuantity(unit),
  slope: { text: '', unit: slopeUnit },
})
