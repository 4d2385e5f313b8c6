import { useEffect, useState } from 'react'
import styled from 'styled-components'
import type { Round } from '../../../../core/kinds/train/document/schema'
import { type Cells, guessMapping, type Mapping, readingsTable } from '../../../../core/kinds/train/document/table'
import { surveyOf } from '../../../../core/kinds/train/survey/ofJob'
import type { AngleAs } from '../../../../core/quantity/angleTyped'
import { formatNumber } from '../../../../core/quantity/number'
import type { Unit } from '../../../../core/quantity/units'
import type { ReadSet } from '../../../../core/shafts/schema'
import { stateName, unitName } from '../../../../words/terms'
import { readWords } from '../../../../words/train/page/read'
import { sayTrouble } from '../../../../words/troubles'
import { mono } from '../../../app/style'
import { Button, Card, Fault, Field, Muted, Select, TextArea } from '../../../parts/controls'
import { fileName, safeCells, saveText } from '../../../parts/files'
import { Wide } from '../../../parts/Wide'
import { useTrainFrame } from '../frame'
import { useSheet, useTaken } from '../sheet/useSheet'

const Sheet = styled(Card)`display: grid; gap: 12px; margin-bottom: 16px;
  table { border-collapse: collapse; ${mono} font-size: 13px; } td, th { border: 1px solid var(--rule); padding: 4px 10px; text-align: right; } th { font-weight: 600; }
  td[data-bad='true'] { border: 2px solid var(--outside); }`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 10px 14px; align-items: end;`

const noCells: Cells = []

interface Props {
  set: ReadSet
  round: Round
  onSet: (change: (set: ReadSet) => ReadSet) => void
  done: () => void
}

const units: readonly Unit[] = ['mm', 'um', 'mil', 'in']

/** Readings from a file or a spreadsheet into a set, and out again. */
export function Import({ set, round, onSet, done }: Props) {
  const { document, solved, terms, settings } = useTrainFrame()
  const { sides } = document.line
  const states = solved.dials.filter((state) => state.set.id === set.id)
  const [text, setText] = useState('')
  const [file, setFile] = useState<File>()
  const [mapping, setMapping] = useState<Mapping>()
  const reader = useSheet(file ?? text)
  const { sheet } = reader
  const cells = sheet.state === 'read' ? sheet.head : noCells

  // biome-ignore lint/correctness/useExhaustiveDependencies: guessed once for each sheet; later choices are the person's
  useEffect(() => {
    setMapping(
      cells.length > 0
        ? guessMapping(
            cells,
            states.map((state) => ({ id: state.id, words: stateName(state, terms) })),
            settings.unit,
            document.line.sides,
            set,
          )
        : undefined,
    )
  }, [cells])

  const taken = useTaken(reader, set, mapping, sides)
  const width = Math.max(0, ...cells.map((row) => row.length))
  const columns = Array.from({ length: width }, (_, i) => ({
    value: String(i),
    text: `${letter(i)}${mapping?.headings ? `: ${cells[0]?.[i] ?? ''}` : ''}`,
  }))
  const faultAt = (row: number, column: number) =>
    taken && !taken.ok && taken.faults.some((fault) => fault.row === row + 1 && fault.column === column + 1)
  const name = fileName(`${document.line.name || 'line'} ${round.id}`)

  return (
    <Sheet aria-label={readWords.importAndExport}>
      <Row>
        <Field label={readWords.pasteFromASpreadsheetOr}>
          <TextArea
            rows={4}
            cols={46}
            placeholder={readWords.angleMotorPump00}
            value={text}
            onChange={(event) => {
              setFile(undefined)
              setText(event.target.value)
            }}
          />
        </Field>
        <Field label={readWords.orACsvFile}>
          <input
            type="file"
            accept=".csv,.txt,.tsv,text/csv"
            onChange={(event) => {
              const [chosen] = event.target.files ?? []
              if (chosen) setFile(chosen)
            }}
          />
        </Field>
      </Row>
      {sheet.state === 'reading' ? (
        <Row role="status">
          <progress max={1} value={sheet.share} aria-label={readWords.readingTheFile} />
          <Muted>{readWords.readSoFar(formatNumber(100 * sheet.share, 0))}</Muted>
        </Row>
      ) : sheet.state === 'unreadable' ? (
        <Fault role="alert">{readWords.fileUnreadable}</Fault>
      ) : null}
      {mapping ? (
        <>
          <Row>
            <Field label={readWords.angle}>
              <Select
                value={String(mapping.angle)}
                options={columns}
                onPick={(at) => setMapping({ ...mapping, angle: Number(at) })}
              />
            </Field>
            <Field label={readWords.anglesAreGiven}>
              <Select
                aria-invalid={mapping.angleAs === undefined || undefined}
                value={mapping.angleAs ?? ''}
                options={[
                  ...(mapping.angleAs === undefined ? [{ value: '', text: readWords.choose }] : []),
                  { value: 'quarters', text: readWords.inDegreesOrInWords },
                  { value: 'clock-right', text: readWords.byAClockSeenFrom },
                  { value: 'clock-left', text: readWords.byAClockSeenFrom2 },
                ]}
                onPick={(as) => setMapping({ ...mapping, angleAs: as as AngleAs })}
              />
            </Field>
            {states.map((state) => (
              <Field key={state.id} label={stateName(state, terms)}>
                <Select
                  value={String(mapping.columns[state.id] ?? '')}
                  options={[{ value: '', text: readWords.skip }, ...columns]}
                  onPick={(at) => {
                    const { [state.id]: _, ...others } = mapping.columns
                    setMapping({ ...mapping, columns: at === '' ? others : { ...others, [state.id]: Number(at) } })
                  }}
                />
              </Field>
            ))}
            <Field label={readWords.readingsAreIn}>
              <Select
                value={mapping.unit}
                options={units.map((value) => ({ value, text: unitName[value] }))}
                onPick={(unit) => setMapping({ ...mapping, unit: unit as Unit })}
              />
            </Field>
            <Field label={readWords.headingRows}>
              <Select
                value={String(mapping.headings)}
                options={['0', '1', '2', '3'].map((value) => ({ value, text: value }))}
                onPick={(n) => setMapping({ ...mapping, headings: Number(n) })}
              />
            </Field>
          </Row>
          <Wide>
            <table aria-label={readWords.firstRows}>
              <thead>
                <tr>
                  <th aria-label={readWords.row} />
                  {columns.map(({ value }) => (
                    <th key={value}>{letter(Number(value))}</th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {cells.slice(0, 6).map((row, r) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: rows of a table have no name but their number
                  <tr key={r}>
                    <th>{r + 1}</th>
                    {columns.map(({ value }) => (
                      <td key={value} data-bad={faultAt(r, Number(value)) || undefined}>
                        {row[Number(value)] ?? ''}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </Wide>
          {taken && !taken.ok ? (
            <div role="alert">
              {taken.faults.slice(0, 4).map((fault) => (
                <Fault as="p" key={`${fault.row}-${fault.column}`}>
                  {fault.row
                    ? readWords.row2(fault.row, fault.column ? `, column ${letter(fault.column - 1)}` : '')
                    : fault.column
                      ? readWords.column(letter(fault.column - 1))
                      : ''}
                  {sayTrouble(fault.trouble)}
                </Fault>
              ))}
              {taken.all > 4 ? <Muted>{readWords.andMoreNothingImportedYet(taken.all - 4)}</Muted> : null}
            </div>
          ) : null}
          <Row>
            <Button
              look="act"
              isDisabled={!taken?.ok}
              onPress={() => {
                if (!taken?.ok) return
                onSet(() => taken.set)
                done()
              }}
            >
              {taken?.ok
                ? readWords.import(taken.rows, taken.asSweep ? 'points as a sweep' : 'rows')
                : readWords.import2}
            </Button>
            <Muted>{readWords.thisReplacesTheseProbesReadings}</Muted>
          </Row>
        </>
      ) : null}
      <Row>
        <Button
          onPress={() =>
            void import('papaparse').then(({ default: papa }) =>
              saveText(
                `${name}.csv`,
                'text/csv',
                papa.unparse(
                  readingsTable(set, solved.dials, (state) => stateName(state, terms), settings.unit),
                  safeCells,
                ),
              ),
            )
          }
        >
          {readWords.exportReadingsAsCsv}
        </Button>
        <Button
          onPress={() =>
            saveText(
              `${name}.survey.json`,
              'application/json',
              `${JSON.stringify(surveyOf(document, round), null, 1)}\n`,
            )
          }
        >
          {readWords.exportRoundAsASurvey}
        </Button>
      </Row>
    </Sheet>
  )
}

const letter = (column: number): string => String.fromCharCode(65 + (column % 26))
