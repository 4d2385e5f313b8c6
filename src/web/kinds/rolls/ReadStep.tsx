import { X } from 'lucide-react'
import type { ReactNode } from 'react'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { type Finding, findingsFor } from '../../../core/kinds/rolls/advice/findings'
import { roundAsIf } from '../../../core/kinds/rolls/document/asIf'
import { cellOf } from '../../../core/kinds/rolls/document/make'
import type { LengthCell, LevelCell, RollsRound } from '../../../core/kinds/rolls/document/schema'
import { fromSheet, sheetOf } from '../../../core/kinds/rolls/document/table'
import { solveRound } from '../../../core/kinds/rolls/solve/round'
import { parseNumber } from '../../../core/quantity/number'
import { emptyQuantity, quantityFrom } from '../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { cellName, say, sideOf, writtenNames } from '../../../words/rolls/findings'
import { rollsPageWords as words } from '../../../words/rolls/page/page'
import { capital, unitName } from '../../../words/terms'
import { newId } from '../../app/newId'
import { OneNumber } from '../../device/OneNumber'
import { BenchHead, WorkArea, WorkAreaAndFindings } from '../../job/frame/WorkArea'
import { Photographs } from '../../job/photographs/Photographs'
import { useTrial } from '../../job/read/useTrial'
import { jobPath } from '../../job/steps'
import { Button, Card, Field, Input, Muted } from '../../parts/controls'
import { Help } from '../../parts/Help'
import { QuantityField, QuantityInput } from '../../parts/Quantity'
import { useRowPager } from '../../parts/RowPager'
import { SheetInOut } from '../../parts/SheetInOut'
import { Wide } from '../../parts/Wide'
import { type Act, FindingsPanel } from '../../say/FindingsPanel'
import { Further } from './Further'
import { useRollsFrame } from './frame'
import { nextOnRolls } from './indicator'
import { Strokes } from './Strokes'
import { Trouble } from './Trouble'

const Tick = styled.label`display: flex; gap: 10px; align-items: center; min-height: 44px; input { width: 22px; height: 22px; }`
const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(200px, 1fr)); gap: 12px; margin-bottom: 16px; align-items: end;`
const Table = styled.table`
  border-collapse: collapse; th, td { text-align: left; padding: 4px 10px 4px 0; } thead th { color: var(--muted); font-size: 13px; font-weight: 500; }
  tbody th { font-weight: 600; white-space: nowrap; } td input { width: 120px; min-height: 44px; }
`
const Marks = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(130px, 1fr)); gap: 12px; align-items: end; margin-bottom: 12px;`

/** Every roll read by level, from a square plane or baseline, by tape to the next, and from the baseline to its middle. */
export function ReadStep() {
  const { solved, told, frozen, reminders, document, round, id, edit, editRound, settings } = useRollsFrame()
  const navigate = useNavigate()
  const { line } = document
  const length = lengthUnitFor(settings.unit)
  const put = (change: (one: RollsRound) => RollsRound, mark: string) => editRound(change, mark)
  const stretch = useRowPager(line.rolls, ({ name }) => name)
  const focusOn = (roll: string | undefined, cell: string) => {
    const field = () => window.document.querySelector<HTMLInputElement>(`[data-cell="${roll} ${cell}"] input`)
    const now = field()
    if (now) return now.focus()
    // in another stretch: once that is drawn
    stretch.show(line.rolls.findIndex(({ id: own }) => own === roll))
    requestAnimationFrame(() => field()?.focus())
  }
  const trial = useTrial<RollsRound>({
    names: writtenNames({ marks: round.marks, further: round.further ?? [] }, told),
    asIf: roundAsIf,
    outcome: (mended) => {
      const verdict = findingsFor(solveRound(line, mended), line, 'read').find(({ kind }) => kind === 'verdict')
      return verdict ? say(verdict, told).title : ''
    },
    round,
    edit: editRound,
    focus: (at) => {
      const [roll, cell = ''] = at.slice(at.indexOf(':') + 1).split('.')
      focusOn(roll, cell)
    },
    frozen,
  })
  const actsFor = (finding: Finding): Act[] => {
    if (finding.kind === 'contradict') return trial.actsFor(finding.suspects)
    if (finding.kind === 'next-reading' || (finding.kind === 'not-a-number' && finding.roll)) {
      const cell = finding.kind === 'next-reading' ? finding.next : finding
      return [
        {
          text: words.enterIt,
          main: finding.kind === 'next-reading',
          run: () => focusOn(cell.roll?.id, cell.cell ?? ''),
        },
      ]
    }
    return finding.kind === 'missing' && finding.what !== 'over'
      ? [{ text: words.goToLine, main: true, run: () => navigate(jobPath(id, 'line')) }]
      : finding.kind === 'no-reference'
        ? [{ text: words.goToLine, run: () => navigate(jobPath(id, 'line')) }]
        : []
  }
  const takeNext = (mm: number) => {
    const { nextLength } = solved
    if (!nextLength) return
    const key = cellOf(nextLength.roll.id, nextLength.cell)
    const value = quantityFrom(mm, length, length === 'in' ? 4 : 3)
    put((one) => ({ ...one, values: { ...one.values, [key]: value } }), key)
  }
  const bringIn = (cells: readonly (readonly string[])[]) => {
    const read = fromSheet(line, round, cells, settings.unit, () => newId('roll'))
    return read.ok
      ? {
          ok: true as const,
          rows: read.line.rolls.length,
          take: () =>
            edit((job) => ({
              ...job,
              line: read.line,
              rounds: job.rounds.map((one) => (one.id === round.id ? read.round : one)),
            })),
        }
      : read
  }
  const [near, far] = [capital(sideOf('near', line)), capital(sideOf('far', line))]
  return (
    <WorkAreaAndFindings>
      <WorkArea id="bench">
        <BenchHead>
          <div>
            <h1>{words.readings}</h1>
            <Help of={words.readings}>{words.under2}</Help>
          </div>
        </BenchHead>
        {frozen ? null : (
          <OneNumber
            seed={`${id}${round.id}`}
            next={nextOnRolls(solved, document)}
            unit={settings.unit}
            resolution={solved.resolution}
            onTake={takeNext}
          />
        )}
        <Grid>
          <Field label={words.sensitivity}>
            <Input
              inputMode="decimal"
              maxLength={12}
              readOnly={frozen}
              value={round.sensitivity}
              onChange={({ target }) => put((one) => ({ ...one, sensitivity: target.value }), 'sensitivity')}
            />
          </Field>
          <QuantityField
            label={words.apart}
            quantity={round.over}
            unit={length}
            readOnly={frozen}
            onChange={(over) => put((one) => ({ ...one, over }), 'over')}
          />
        </Grid>
        <Tick>
          <input
            type="checkbox"
            checked={round.counts === 'other'}
            disabled={frozen}
            onChange={({ target }) =>
              put(({ counts: _, ...one }) => (target.checked ? { ...one, counts: 'other' } : one), 'counts')
            }
          />
          {words.scaleCountsOther}
        </Tick>
        {stretch.choice}
        <Sheet
          rolls={stretch.shown}
          title={words.levels}
          hint={words.levelsHint}
          heads={[words.asItLies, words.turned]}
        >
          {(roll) => (['level', 'turned'] as const).map((cell) => <Division key={cell} roll={roll} cell={cell} />)}
        </Sheet>
        <Sheet
          rolls={stretch.shown}
          title={words.scales}
          hint={words.scalesHint}
          heads={[
            words.endIn(near, unitName[length]),
            words.endIn(far, unitName[length]),
            `${words.stand} (${words.standHint})`,
          ]}
        >
          {(roll) => [
            ...(['near', 'far'] as const).map((cell) => <Length key={cell} roll={roll} cell={cell} />),
            <td key="stand">
              <Input
                aria-label={words.of(words.stand, roll.name)}
                maxLength={20}
                readOnly={frozen}
                value={round.stands[roll.id] ?? ''}
                onChange={({ target }) =>
                  put((one) => ({ ...one, stands: { ...one.stands, [roll.id]: target.value } }), `stand ${roll.id}`)
                }
              />
            </td>,
          ]}
        </Sheet>
        <Sheet
          rolls={stretch.shown.filter((roll) => roll !== line.rolls.at(-1))}
          title={words.tapes}
          hint={words.tapesHint}
          heads={[words.endIn(near, unitName[length]), words.endIn(far, unitName[length])]}
        >
          {(roll) => (['tapeNear', 'tapeFar'] as const).map((cell) => <Length key={cell} roll={roll} cell={cell} />)}
        </Sheet>
        {line.baseline.text ? (
          <Sheet rolls={stretch.shown} title={words.centers} heads={[words.valueIn(unitName[length])]}>
            {(roll) => [<Length key="centre" roll={roll} cell="centre" />]}
          </Sheet>
        ) : null}
        <Card as="section" aria-label={words.marks} style={{ marginBottom: 16 }}>
          <h2>{words.marks}</h2>
          <Muted as="p">{words.marksHint}</Muted>
          {round.marks.map((mark) => (
            <MarkRow key={mark.id} mark={mark} />
          ))}
          {frozen ? null : (
            <Button
              onPress={() =>
                put(
                  (one) => ({
                    ...one,
                    marks: [
                      ...one.marks,
                      {
                        id: newId('mark'),
                        stand: '',
                        mark: '',
                        x: emptyQuantity(length),
                        value: emptyQuantity(length),
                      },
                    ],
                  }),
                  '',
                )
              }
            >
              {words.addMark}
            </Button>
          )}
        </Card>
        <Further />
        <Strokes />
        <Trouble />
        <SheetInOut
          hint={words.sheetHint}
          name={line.name}
          cells={() => sheetOf(line, round, settings.unit)}
          read={frozen ? undefined : bringIn}
        />
        <Photographs at="read" />
      </WorkArea>
      <FindingsPanel
        items={[
          ...reminders,
          ...trial.items,
          ...findingsFor(solved, line, 'read').map((finding, i) => ({
            key: `${finding.kind} ${i}`,
            peg: finding.peg,
            said: say(finding, told),
            acts: actsFor(finding),
          })),
        ]}
      />
    </WorkAreaAndFindings>
  )
}

type Roll = ReturnType<typeof useRollsFrame>['document']['line']['rolls'][number]

/** One kind of reading as a table, a row a roll. */
function Sheet(props: {
  title: string
  hint?: string
  heads: readonly string[]
  rolls: readonly Roll[]
  children: (roll: Roll) => ReactNode[]
}) {
  return (
    <Card as="section" aria-label={props.title} style={{ marginBottom: 16 }}>
      <h2>{props.title}</h2>
      {props.hint ? <Muted as="p">{props.hint}</Muted> : null}
      <Wide>
        <Table>
          <thead>
            <tr>
              {[words.roll, ...props.heads].map((text) => (
                <th key={text} scope="col">
                  {text}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {props.rolls.map((roll) => (
              <tr key={roll.id}>
                <th scope="row">{roll.name}</th>
                {props.children(roll)}
              </tr>
            ))}
          </tbody>
        </Table>
      </Wide>
    </Card>
  )
}

function Length({ roll, cell }: { roll: Roll; cell: LengthCell }) {
  const { round, frozen, editRound, settings, document } = useRollsFrame()
  const key = cellOf(roll.id, cell)
  const unit = lengthUnitFor(settings.unit)
  return (
    <td data-cell={`${roll.id} ${cell}`}>
      <QuantityInput
        label={words.ofIn(capital(cellName(cell, document.line)), roll.name, unitName[unit])}
        quantity={round.values[key] ?? emptyQuantity(unit)}
        unit={unit}
        signed={cell === 'near' || cell === 'far'}
        readOnly={frozen}
        onChange={(value) => editRound((one) => ({ ...one, values: { ...one.values, [key]: value } }), key)}
      />
    </td>
  )
}

function Division({ roll, cell }: { roll: Roll; cell: LevelCell }) {
  const { round, frozen, editRound, document } = useRollsFrame()
  const key = cellOf(roll.id, cell)
  const text = round.divisions[key] ?? ''
  return (
    <td data-cell={`${roll.id} ${cell}`}>
      <Input
        aria-label={words.of(capital(cellName(cell, document.line)), roll.name)}
        aria-invalid={text.trim() !== '' && !parseNumber(text).ok ? true : undefined}
        inputMode="text"
        maxLength={12}
        readOnly={frozen}
        value={text}
        onChange={({ target }) =>
          editRound((one) => ({ ...one, divisions: { ...one.divisions, [key]: target.value } }), key)
        }
      />
    </td>
  )
}

function MarkRow({ mark }: { mark: RollsRound['marks'][number] }) {
  const { frozen, editRound, settings } = useRollsFrame()
  const length = lengthUnitFor(settings.unit)
  const put = (change: Partial<typeof mark>, name: string) =>
    editRound(
      (one) => ({ ...one, marks: one.marks.map((own) => (own.id === mark.id ? { ...own, ...change } : own)) }),
      `${mark.id} ${name}`,
    )
  return (
    <Marks>
      {(['stand', 'mark'] as const).map((key) => (
        <Field key={key} label={words[key]}>
          <Input
            maxLength={20}
            readOnly={frozen}
            value={mark[key]}
            onChange={({ target }) => put({ [key]: target.value }, key)}
          />
        </Field>
      ))}
      <QuantityField
        minus
        label={words.x}
        quantity={mark.x}
        unit={length}
        readOnly={frozen}
        onChange={(x) => put({ x }, 'x')}
      />
      <QuantityField
        label={words.value}
        quantity={mark.value}
        unit={length}
        signed
        readOnly={frozen}
        onChange={(value) => put({ value }, 'value')}
      />
      {frozen ? null : (
        <Button
          look="quiet"
          aria-label={words.removeMark}
          onPress={() => editRound((one) => ({ ...one, marks: one.marks.filter(({ id }) => id !== mark.id) }))}
        >
          <X size={18} />
        </Button>
      )}
    </Marks>
  )
}
