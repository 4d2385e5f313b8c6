import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { type Finding, findingsFor } from '../../../core/kinds/belt/advice/findings'
import { roundAsIf } from '../../../core/kinds/belt/document/asIf'
import { cellsOf, typedAt } from '../../../core/kinds/belt/document/make'
import { type BeltRound, type BeltSet, beltMethods } from '../../../core/kinds/belt/document/schema'
import { solveRound } from '../../../core/kinds/belt/solve/round'
import { emptyQuantity, quantityFrom } from '../../../core/quantity/quantity'
import { angleFault } from '../../../core/quantity/typedAngle'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { cellName, feelText, methodNames, say, sheaveName, sideOf, writtenNames } from '../../../words/belt/findings'
import { beltPageWords as words } from '../../../words/belt/page/page'
import { OneNumber } from '../../device/OneNumber'
import { BenchHead, WorkArea, WorkAreaAndFindings } from '../../job/frame/WorkArea'
import { Photographs } from '../../job/photographs/Photographs'
import { useTrial } from '../../job/read/useTrial'
import { jobPath } from '../../job/steps'
import { Card, Field, Input, Muted, Select } from '../../parts/controls'
import { FaultField } from '../../parts/FaultField'
import { QuantityField } from '../../parts/Quantity'
import { type Act, FindingsPanel } from '../../say/FindingsPanel'
import { useBeltFrame } from './frame'
import { nextOnFace } from './indicator'

const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(170px, 1fr)); gap: 12px; margin-top: 12px; align-items: end;`
const Plus = styled.div`display: flex; align-items: center; gap: 8px; color: var(--muted); font-size: 13px; margin-top: 4px; svg { flex: none; }`
const Tick = styled.label`display: flex; gap: 10px; align-items: center; min-height: 44px; margin-top: 8px; input { width: 22px; height: 22px; }`

/** Every moved sheave, read against the face that stays. */
export function ReadStep() {
  const { solved, told, frozen, reminders, document, round, id, editRound, settings } = useBeltFrame()
  const navigate = useNavigate()
  const { line } = document
  const [stays] = line.sheaves
  const takeNext = (mm: number) => {
    const { next } = solved
    if (!next) return
    const { unit } = settings
    const value = quantityFrom(mm, unit, unit === 'mm' ? 3 : 2)
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
  const focus = (at: string) => window.document.querySelector<HTMLInputElement>(`[data-cell="${at}"] input`)?.focus()
  const trial = useTrial<BeltRound>({
    names: writtenNames(round.sets, told),
    asIf: roundAsIf,
    outcome: (mended) =>
      solveRound(line, mended)
        .sheaves.flatMap((one) => (one.solved ? [feelText(one, solved.limit, told).title] : []))
        .join(' '),
    round,
    edit: editRound,
    focus,
    frozen,
  })
  const actsFor = (finding: Finding): Act[] =>
    finding.kind === 'contradict'
      ? trial.actsFor(finding.suspects)
      : finding.kind === 'next-reading' || finding.kind === 'not-a-number'
        ? [
            {
              text: words.enterIt,
              main: finding.kind === 'next-reading',
              run: () => focus(`${finding.set.id} ${finding.key}`),
            },
          ]
        : finding.kind === 'missing' || finding.kind === 'limit-not-a-number'
          ? [{ text: words.goToLine, main: true, run: () => navigate(jobPath(id, 'line')) }]
          : []
  return (
    <WorkAreaAndFindings>
      <WorkArea id="bench">
        <BenchHead>
          <div>
            <h1>{words.readings}</h1>
            <Muted>{words.from(stays?.name ?? '')}</Muted>
          </div>
        </BenchHead>
        {round.sets.some(({ method }) => method === 'face') && !frozen ? (
          <OneNumber
            seed={`${id}${round.id}`}
            next={nextOnFace(solved, document)}
            unit={settings.unit}
            resolution={solved.resolution}
            onTake={takeNext}
          />
        ) : null}
        {round.sets.map((set) => (
          <SetCard key={set.id} set={set} />
        ))}
        <Tick>
          <input
            type="checkbox"
            checked={round.tensioned}
            disabled={frozen}
            onChange={({ target }) => editRound((one) => ({ ...one, tensioned: target.checked }))}
          />
          {words.tensioned}
        </Tick>
        <Photographs at="read" />
      </WorkArea>
      <FindingsPanel
        items={[
          ...reminders,
          ...trial.items,
          ...(stays ? findingsFor(solved, stays, 'read') : []).map((finding, i) => ({
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

/** A shaft leaning the way that counts plus: toe seen from above, far side up; tilt seen from the front. */
function ShaftPlus({ other, text }: { way: 'toe' | 'tilt'; other: boolean; text: string }) {
  const rise = other ? 7 : -7
  return (
    <Plus>
      <svg width="72" height="34" viewBox="0 0 72 34" aria-hidden="true">
        <path d="M6 17H66" stroke="var(--rule)" strokeWidth="1.5" strokeDasharray="4 3" />
        <path d={`M6 ${17 - rise}L64 ${17 + rise}`} stroke="var(--kelp)" strokeWidth="2.5" />
        <rect x="10" y="7" width="9" height="20" fill="var(--card)" stroke="var(--ink)" strokeWidth="1.5" />
      </svg>
      <span>{other ? words.turnedOver(text) : text}</span>
    </Plus>
  )
}

function SetCard({ set }: { set: BeltSet }) {
  const { settings, frozen, editRound, document } = useBeltFrame()
  const { line } = document
  const [stays] = line.sheaves
  const { unit } = settings
  const length = lengthUnitFor(unit)
  const name = sheaveName(set.on, line)
  const title = set.purpose === 'repeat' ? words.again(name) : name
  const put = (change: (one: BeltSet) => BeltSet, mark: string) =>
    editRound(
      (round) => ({ ...round, sets: round.sets.map((one) => (one.id === set.id ? change(one) : one)) }),
      `${set.id} ${mark}`,
    )
  const size = (key: 'radius' | 'constant' | 'over' | 'sd', label: string, hint?: string) => (
    <div data-cell={`${set.id} ${key}`}>
      <QuantityField
        label={label}
        quantity={set[key] ?? emptyQuantity(unit)}
        unit={key === 'constant' || key === 'sd' ? unit : length}
        signed={key === 'constant'}
        readOnly={frozen}
        onChange={(value) => put((one) => ({ ...one, [key]: value }), key)}
        {...(hint ? { hint } : {})}
      />
    </div>
  )
  const cells = cellsOf(set)
  return (
    <Card as="section" aria-label={title} style={{ marginBottom: 16 }}>
      <h2>{title}</h2>
      <Grid style={set.method === 'angles' ? { alignItems: 'start' } : undefined}>
        <Field label={words.method}>
          <Select
            disabled={frozen}
            value={set.method}
            options={beltMethods.map((value) => ({ value, text: methodNames[value] }))}
            onPick={(method) => put((one) => ({ ...one, method: method as BeltSet['method'] }), 'method')}
          />
        </Field>
        {set.method === 'angles' ? null : size('radius', words.radius)}
        {set.method === 'face' ? size('constant', words.constant, words.constantHint) : null}
        {set.method === 'edge' ? size('over', words.over) : null}
        {set.sd ? size('sd', words.sd) : null}
        {set.method === 'angles' && set.angleSd !== undefined ? (
          <Field label={words.angleSd}>
            <Input
              inputMode="decimal"
              maxLength={12}
              readOnly={frozen}
              value={set.angleSd}
              onChange={({ target }) => put((one) => ({ ...one, angleSd: target.value }), 'angleSd')}
            />
          </Field>
        ) : null}
        {set.method === 'angles'
          ? (['toe', 'tilt'] as const).map((key) => (
              <div key={key} data-cell={`${set.id} ${key}`}>
                <FaultField
                  label={words[key]}
                  trouble={angleFault(set.angles[key])}
                  inputMode="text"
                  maxLength={12}
                  readOnly={frozen}
                  value={set.angles[key]}
                  onChange={({ target }) =>
                    put((one) => ({ ...one, angles: { ...one.angles, [key]: target.value } }), key)
                  }
                />
                <ShaftPlus
                  way={key}
                  other={set.counts?.[key] === 'other'}
                  text={words.plus[key](sideOf('far', line))}
                />
                <Tick>
                  <input
                    type="checkbox"
                    checked={set.counts?.[key] === 'other'}
                    disabled={frozen}
                    onChange={({ target }) =>
                      put(
                        (one) => ({ ...one, counts: { ...one.counts, [key]: target.checked ? 'other' : undefined } }),
                        `counts ${key}`,
                      )
                    }
                  />
                  {words.countsOther[key]}
                </Tick>
              </div>
            ))
          : null}
      </Grid>
      {set.method === 'face' ? (
        <Tick>
          <input
            type="checkbox"
            checked={set.twice}
            disabled={frozen}
            onChange={({ target }) => put((one) => ({ ...one, twice: target.checked }), 'twice')}
          />
          {words.twice}
        </Tick>
      ) : null}
      {set.method === 'face' && set.twice ? (
        <Tick>
          <input
            type="checkbox"
            checked={set.both ?? false}
            disabled={frozen}
            onChange={({ target }) => put((one) => ({ ...one, both: target.checked }), 'both')}
          />
          {words.both(stays?.name ?? '')}
        </Tick>
      ) : null}
      <Grid data-column>
        {cells.map((key) => (
          <div key={key} data-cell={`${set.id} ${key}`}>
            <QuantityField
              label={cellName(key, line)}
              quantity={typedAt(set, key, unit)}
              unit={unit}
              signed={key !== 'inner' && key !== 'outer'}
              readOnly={frozen}
              onChange={(value) => put((one) => ({ ...one, values: { ...one.values, [key]: value } }), key)}
            />
          </div>
        ))}
      </Grid>
    </Card>
  )
}
