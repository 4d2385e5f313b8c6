import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { type Finding, findingsFor } from '../../../core/kinds/bore/advice/findings'
import { roundAsIf } from '../../../core/kinds/bore/document/asIf'
import { cellsOf } from '../../../core/kinds/bore/document/make'
import type { BoreRound, BoreSet } from '../../../core/kinds/bore/document/schema'
import { fromSheet, sheetOf } from '../../../core/kinds/bore/document/table'
import { solveRound } from '../../../core/kinds/bore/solve/round'
import { emptyQuantity, quantityFrom, quantityMm } from '../../../core/quantity/quantity'
import { cellName, say, sectionName, writtenNames } from '../../../words/bore/findings'
import { borePageWords as words } from '../../../words/bore/page/page'
import { newId } from '../../app/newId'
import { OneNumber } from '../../device/OneNumber'
import { BenchHead, WorkArea, WorkAreaAndFindings } from '../../job/frame/WorkArea'
import { Photographs } from '../../job/photographs/Photographs'
import { useTrial } from '../../job/read/useTrial'
import { jobPath } from '../../job/steps'
import { Care } from '../../parts/Care'
import { Card, Field, Select } from '../../parts/controls'
import { Help } from '../../parts/Help'
import { QuantityField } from '../../parts/Quantity'
import { SheetInOut } from '../../parts/SheetInOut'
import { type Act, FindingsPanel } from '../../say/FindingsPanel'
import { useBoreFrame } from './frame'
import { nextInRow } from './indicator'

const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 12px; margin-top: 12px; align-items: end;`
const How = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(240px, 1fr)); gap: 12px; margin-top: 12px; align-items: end;`

/** Every section, read round its bore. */
export function ReadStep() {
  const { solved, told, frozen, reminders, document, round, id, edit, editRound, settings } = useBoreFrame()
  const navigate = useNavigate()
  const { line } = document
  const takeNext = (mm: number) => {
    const { next } = solved
    if (!next) return
    const value = quantityFrom(mm, settings.unit, settings.unit === 'mm' ? 3 : 2)
    editRound(
      (one) => ({
        ...one,
        sets: one.sets.map((set) =>
          set.id === next.set.id ? { ...set, values: { ...set.values, [next.key]: value } } : set,
        ),
      }),
      `${next.set.id} ${next.key}`,
    )
  }
  const bringIn = (cells: readonly (readonly string[])[]) => {
    const read = fromSheet(line, round, cells, settings.unit, () => newId('bore'))
    return read.ok
      ? {
          ok: true as const,
          rows: read.line.sections.length,
          take: () =>
            edit((job) => ({
              ...job,
              line: read.line,
              rounds: job.rounds.map((one) => (one.id === round.id ? read.round : one)),
            })),
        }
      : read
  }
  const focus = (set: string, key: string) =>
    window.document.querySelector<HTMLInputElement>(`[data-cell="${set} ${key}"] input`)?.focus()
  const trial = useTrial<BoreRound>({
    names: writtenNames(round.sets, told),
    asIf: roundAsIf,
    outcome: (mended) => {
      const verdict = findingsFor(solveRound(line, mended), line, 'read').find(({ kind }) => kind === 'verdict')
      return verdict ? say(verdict, told, solved.limit).title : ''
    },
    round,
    edit: editRound,
    focus: (at) => window.document.querySelector<HTMLInputElement>(`[data-cell="${at}"] input`)?.focus(),
    frozen,
  })
  /** The same arm reads every section, as a rule: what was given for one can be taken for all. */
  const sagActs = (): Act[] => {
    const given = round.sets.find(({ sag }) => quantityMm(sag) !== undefined)
    const [bare] = round.sets.filter(({ sag }) => quantityMm(sag) === undefined)
    if (frozen || !bare) return []
    const enter: Act = { text: words.enterIt, run: () => focus(bare.id, 'sag') }
    if (!given) return [enter]
    const all = (one: BoreRound): BoreRound => ({
      ...one,
      sets: one.sets.map((set) => (quantityMm(set.sag) === undefined ? { ...set, sag: given.sag } : set)),
    })
    return [{ text: words.sagForAll, main: true, run: () => editRound(all) }, enter]
  }
  const actsFor = (finding: Finding): Act[] => {
    if (finding.kind === 'contradict') return trial.actsFor(finding.suspects)
    if (finding.kind === 'no-sag') return sagActs()
    if (finding.kind === 'next-reading' || finding.kind === 'not-a-number')
      return [
        {
          text: words.enterIt,
          main: finding.kind === 'next-reading',
          run: () => focus(finding.set.id, finding.key),
        },
      ]
    if (finding.kind === 'push-asked') return [{ text: words.enterIt, run: () => focus(finding.set.id, 'pushed') }]
    return finding.kind === 'no-place' || finding.kind === 'carrier-lacks'
      ? [{ text: words.goToLine, main: finding.kind === 'no-place', run: () => navigate(jobPath(id, 'line')) }]
      : []
  }
  return (
    <WorkAreaAndFindings>
      <WorkArea id="bench">
        <BenchHead>
          <div>
            <h1>{words.readings}</h1>
            <Help of={words.readings}>{words.under}</Help>
          </div>
        </BenchHead>
        {frozen ? null : (
          <OneNumber
            seed={`${id}${round.id}`}
            next={nextInRow(solved, document)}
            unit={settings.unit}
            resolution={solved.resolution}
            onTake={takeNext}
          />
        )}
        {round.sets.map((set) => (
          <SetCard key={set.id} set={set} />
        ))}
        <SheetInOut
          hint={words.sheetHint}
          name={line.name}
          cells={() => sheetOf(line, round, settings.unit)}
          read={frozen ? undefined : bringIn}
        />
        <Photographs at="read" />
        <Care of="plunger" />
      </WorkArea>
      <FindingsPanel
        items={[
          ...reminders,
          ...trial.items,
          ...findingsFor(solved, line, 'read').map((finding, i) => ({
            key: `${finding.kind} ${i}`,
            peg: finding.peg,
            said: say(finding, told, solved.limit),
            acts: actsFor(finding),
          })),
        ]}
      />
    </WorkAreaAndFindings>
  )
}

function SetCard({ set }: { set: BoreSet }) {
  const { settings, frozen, editRound, document } = useBoreFrame()
  const { line } = document
  const { unit } = settings
  const name = sectionName(set.section, line)
  const title = set.purpose === 'repeat' ? words.again(name) : name
  const put = (change: (one: BoreSet) => BoreSet, mark: string) =>
    editRound(
      (round) => ({ ...round, sets: round.sets.map((one) => (one.id === set.id ? change(one) : one)) }),
      `${set.id} ${mark}`,
    )
  const typed = (key: 'sag' | 'pushed' | 'sd') => (
    <div data-cell={`${set.id} ${key}`}>
      <QuantityField
        label={words[key]}
        quantity={set[key] ?? emptyQuantity(unit)}
        unit={unit}
        signed={key !== 'sd'}
        readOnly={frozen}
        onChange={(value) => put((one) => ({ ...one, [key]: value }), key)}
      />
    </div>
  )
  return (
    <Card as="section" aria-label={title} style={{ marginBottom: 16 }}>
      <h2>{title}</h2>
      <Grid data-column>
        {cellsOf(set).map((key) => (
          <div key={key} data-cell={`${set.id} ${key}`}>
            <QuantityField
              label={cellName(key, line)}
              quantity={set.values[key] ?? emptyQuantity(unit)}
              unit={unit}
              signed
              readOnly={frozen}
              onChange={(value) => put((one) => ({ ...one, values: { ...one.values, [key]: value } }), key)}
            />
          </div>
        ))}
      </Grid>
      <How>
        <Field label={words.places}>
          <Select
            disabled={frozen}
            value={String(set.places)}
            options={([4, 8, 12] as const).map((n) => ({ value: String(n), text: words.placesOf(n) }))}
            onPick={(n) => put((one) => ({ ...one, places: Number(n) as BoreSet['places'] }), 'places')}
          />
        </Field>
        <Field label={words.sense}>
          <Select
            disabled={frozen}
            value={set.sense}
            options={(['out', 'in'] as const).map((value) => ({ value, text: words[value] }))}
            onPick={(sense) => put((one) => ({ ...one, sense: sense as BoreSet['sense'] }), 'sense')}
          />
        </Field>
        {typed('sag')}
        {set.sense === 'in' ? typed('pushed') : null}
        {set.sd ? typed('sd') : null}
      </How>
      {set.sense === 'in' ? <HeadWay pushed={quantityMm(set.pushed)} /> : null}
    </Card>
  )
}

const Way = styled.div`display: flex; align-items: center; gap: 10px; color: var(--muted); font-size: 14px; svg { flex: none; } p { margin: 0; }`

/** A head on the wall that looks at the carrier, with an arrow the way its number grows; nobody can see that, so a push tells it. */
function HeadWay({ pushed }: { pushed: number | undefined }) {
  const told = pushed !== undefined && pushed !== 0
  const out = told && pushed < 0
  return (
    <Way role="group" aria-label={words.whichWayIsPlus}>
      <svg width="64" height="56" viewBox="0 0 64 56" aria-hidden="true">
        <circle cx="28" cy="28" r="24" fill="none" stroke="var(--ink)" strokeWidth="1.5" />
        <circle cx="28" cy="34" r="6" fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.5" />
        <rect x="21" y="4" width="14" height="9" fill="var(--card)" stroke="var(--ink)" strokeWidth="1.5" />
        {told ? (
          <g stroke="var(--kelp)" strokeWidth="2" fill="none">
            <path d={out ? 'M28 27V16m-4 4l4 -4l4 4' : 'M28 15V26m-4 -4l4 4l4 -4'} />
          </g>
        ) : null}
        {told ? (
          <text x="36" y="25" fontSize="14" fontWeight="700" fill="var(--kelp)">
            +
          </text>
        ) : null}
      </svg>
      <p>{told ? (out ? words.plusAway : words.plusToward) : words.pushFirst}</p>
    </Way>
  )
}
