import { useDeferredValue, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import styled from 'styled-components'
import type { Finding } from '../../../../core/kinds/train/advice/finding'
import { findingsFor } from '../../../../core/kinds/train/advice/findings'
import { roundAsIf } from '../../../../core/kinds/train/document/asIf'
import { makeSet } from '../../../../core/kinds/train/document/make'
import type { Round } from '../../../../core/kinds/train/document/schema'
import { type JobSolution, solveRound } from '../../../../core/kinds/train/solve/round'
import { goesRound, probeKinds } from '../../../../core/probes'
import { repeatOf } from '../../../../core/shafts/make'
import type { ReadSet } from '../../../../core/shafts/schema'
import type { ProbeState } from '../../../../core/shafts/state'
import type { Suspect } from '../../../../core/shafts/suspects'
import { turningOrder } from '../../../../core/shafts/turning'
import { readingsIn } from '../../../../core/shafts/typed'
import { trialWords } from '../../../../words/contradiction'
import { plural } from '../../../../words/language'
import { couplingName, inText } from '../../../../words/terms'
import { asIfItem } from '../../../../words/train/asIf'
import { readWords } from '../../../../words/train/page/read'
import type { TrainTerms } from '../../../../words/train/terms'
import { lazyAfterPaint } from '../../../app/lazyAfterPaint'
import { newId } from '../../../app/newId'
import { BenchHead, WorkArea, WorkAreaAndFindings } from '../../../job/frame/WorkArea'
import { Photographs } from '../../../job/photographs/Photographs'
import { jobPath } from '../../../job/steps'
import { Button, Choices, Muted } from '../../../parts/controls'
import { Remove } from '../../../parts/Remove'
import { type Act, type FindingItem, FindingsPanel } from '../../../say/FindingsPanel'
import { useTrainFrame } from '../frame'
import { sayItems } from '../sayItems'
import { type Panel, SetSection } from './SetSection'

const Adds = styled.div`display: flex; flex-wrap: wrap; gap: 8px; margin: 16px 0;`

/** A slip that is being tried on: nothing is changed until the person says so. */
interface Trial {
  dial: ProbeState
  suspect: Suspect
}

/** Readings: one strip a probe with its cells, in the order the shaft turns. */
export function ReadStep() {
  const frame = useTrainFrame()
  const { document, round, solved, terms, settings, frozen } = frame
  const navigate = useNavigate()
  const [, setParams] = useSearchParams()
  const [panels, setPanels] = useState<Readonly<Record<string, readonly Panel[]>>>(() =>
    Object.fromEntries(round.sets.filter(notHung).map((set) => [set.id, ['set-up']])),
  )
  const [trial, setTrial] = useState<Trial>()
  const cells = useRef(new Map<string, HTMLInputElement>())

  const toggle = (id: string, panel: Panel) =>
    setPanels((all) => {
      const open = all[id] ?? []
      return { ...all, [id]: open.includes(panel) ? open.filter((one) => one !== panel) : [...open, panel] }
    })
  const openSetUp = (id: string) => {
    if (!panels[id]?.includes('set-up')) toggle(id, 'set-up')
  }
  const focusCell = (stateId: string, angleId: string) => {
    const cell = cells.current.get(`${stateId}/${angleId}`)
    cell?.scrollIntoView({ block: 'nearest' })
    cell?.focus()
  }
  const tried = useMemo(() => {
    if (!trial) return undefined
    const mended = roundAsIf(round, trial.dial.dial.id, trial.suspect)
    return solveRound(document, mended)
  }, [trial, round, document])

  const slips = (dial: ProbeState, suspects: readonly Suspect[]): Act[] => {
    const [first] = suspects
    const reading = first && dial.readings[first.reading]
    return [
      ...(reading
        ? [{ text: trialWords.goToTheReading, main: true, run: () => focusCell(dial.id, reading.angleId) }]
        : []),
      ...suspects.slice(0, 3).map((suspect, i) => ({
        text: suspects.length > 1 ? trialWords.tryCorrection(i + 1) : trialWords.tryThisCorrection,
        run: () => setTrial({ dial, suspect }),
      })),
    ]
  }

  const actsFor = (finding: Finding): Act[] => {
    switch (finding.kind) {
      case 'next-reading':
        return [{ text: readWords.enterIt, main: true, run: () => focusCell(finding.dial.id, finding.angleId) }]
      case 'not-a-number':
      case 'preset-as-zero':
        return [{ text: trialWords.goToTheReading, main: true, run: () => focusCell(finding.dial.id, finding.angleId) }]
      case 'not-closed':
        return slips(finding.dial, finding.suspects)
      case 'not-fitting':
        return finding.suspects.slice(0, 3).map(({ dial, suspect }, i) => ({
          text: finding.suspects.length > 1 ? trialWords.tryCorrection(i + 1) : trialWords.tryThisCorrection,
          run: () => setTrial({ dial, suspect }),
        }))
      case 'zeroed-twice':
        return frame.frozen
          ? []
          : [{ text: readWords.zeroedAtBoth, main: true, run: () => setZeroed(finding.dial.set.id) }]
      case 'sag-missing':
      case 'sag-upward':
      case 'no-plus':
        return [{ text: readWords.setUpInstrument, main: true, run: () => openSetUp(finding.dial.set.id) }]
      case 'no-radius':
      case 'one-shaft':
      case 'span-differs':
      case 'dial-differs':
      case 'swing':
        return [{ text: readWords.setUpTheDial, run: () => openSetUp(finding.dial.set.id) }]
      case 'short-arc':
        return [{ text: readWords.otherAngles, run: () => openSetUp(finding.set.id) }]
      case 'improve':
        return finding.again
          ? []
          : [{ text: readWords.addThisAngle, run: () => addAngle(finding.dial.set.id, finding.degrees) }]
      case 'ready-to-move':
        return [{ text: readWords.goToMove, main: true, run: () => navigate(jobPath(frame.id, 'move')) }]
      case 'dimension-fault':
      case 'dimension-doubt': {
        const of = (finding.kind === 'dimension-fault' ? finding.fault.of : finding.doubt.of).replace(/\/2$/, '')
        const set = round.sets.find((one) => one.probes.some((dial) => dial.id === of))
        return set
          ? [{ text: readWords.setUpTheDial, main: true, run: () => openSetUp(set.id) }]
          : [{ text: readWords.goToLine, main: true, run: () => navigate(jobPath(frame.id, 'line')) }]
      }
      case 'no-limits':
        return [{ text: readWords.goToLine, run: () => navigate(jobPath(frame.id, 'line')) }]
      default:
        return []
    }
  }

  const setZeroed = (setId: string) =>
    frame.editRound((r) => ({
      ...r,
      sets: r.sets.map((set) => (set.id === setId ? { ...set, zeroed: 'planes' } : set)),
    }))
  const addAngle = (setId: string, degrees: number) =>
    frame.editRound((r) => ({
      ...r,
      sets: r.sets.map((set) =>
        set.id === setId && !set.angles.some((angle) => angle.degrees === degrees)
          ? { ...set, angles: [...set.angles, { id: `a${degrees}`, degrees }].sort((a, b) => a.degrees - b.degrees) }
          : set,
      ),
    }))
  const order = solved.dials.flatMap((state) => turningOrder(state.set).map((angle) => [state.id, angle.id] as const))
  const onward = (stateId: string, angleId: string, by: 1 | -1) => {
    const next = order[order.findIndex(([s, a]) => s === stateId && a === angleId) + by]
    if (next) focusCell(...next)
  }
  /** A pasted column: into the cells that Enter would go to, one after another. */
  const addSet = (set: ReadSet) => frame.editRound((r) => ({ ...r, sets: [...r.sets, set] }))

  // what may be added hangs on no reading
  const latest = useRef({ round, addSet })
  useLayoutEffect(() => {
    latest.current = { round, addSet }
  })
  const { line } = document
  const adds = useMemo(() => {
    const add = (make: (sets: readonly ReadSet[], id: string) => ReadSet | undefined) => {
      const { round: now, addSet: put } = latest.current
      const id = newId('s')
      const made = make(now.sets, id)
      if (made) put(made)
      return id
    }
    return (
      <Adds>
        {line.couplings.map(({ id: coupling }) => {
          const at = line.couplings.length > 1 ? readWords.atWord(inText(couplingName(coupling, { line }))) : ''
          return [
            <Button
              key={`${coupling}-repeat`}
              onPress={() =>
                add((sets, id) => {
                  const last = sets.findLast((set) => set.coupling === coupling)
                  return last && repeatOf(last, id)
                })
              }
            >
              {readWords.repeatTheSet(at)}
            </Button>,
            <Button
              key={`${coupling}-add`}
              onPress={() => {
                const id = add((_, fresh) => makeSet(line, coupling, fresh, settings.unit))
                setPanels((all) => ({ ...all, [id]: ['set-up'] }))
              }}
            >
              {readWords.addAnotherMethod(at)}
            </Button>,
          ]
        })}
      </Adds>
    )
  }, [line, settings.unit])

  const trying: FindingItem[] =
    trial && tried
      ? [
          {
            key: 'as-if',
            peg: 'unsure',
            said: asIfItem(trial.dial, trial.suspect, tried, terms),
            acts: [
              {
                text: trialWords.apply,
                main: true,
                run: () => {
                  frame.editRound((r) => roundAsIf(r, trial.dial.dial.id, trial.suspect))
                  setTrial(undefined)
                },
              },
              { text: trialWords.keepAsTyped, run: () => setTrial(undefined) },
            ],
          },
        ]
      : []

  return (
    <WorkAreaAndFindings>
      <WorkArea id="bench">
        {document.rounds.length > 1 ? (
          <BenchHead>
            <div>
              <Choices
                label={readWords.round}
                value={round.id}
                options={document.rounds.map((r, i) => ({ value: r.id, text: readWords.round2(i + 1) }))}
                onChange={(id) => setParams({ round: id })}
              />
            </div>
            {document.rounds[0]?.id !== round.id ? <Muted>{readWords.round1AsFoundIs}</Muted> : null}
            {frozen ? null : (
              <Remove
                label={readWords.deleteRound(document.rounds.indexOf(round) + 1)}
                goes={goesWithRound(round)}
                onRemove={() => {
                  frame.edit((job) => ({ ...job, rounds: job.rounds.filter(({ id }) => id !== round.id) }))
                  setParams({})
                }}
              />
            )}
          </BenchHead>
        ) : null}
        {round.sets.map((set) => {
          const alike = round.sets.filter(({ coupling }) => coupling === set.coupling)
          return (
            <SetSection
              key={set.id}
              set={set}
              place={{ number: alike.indexOf(set) + 1, of: alike.length }}
              open={panels[set.id] ?? []}
              toggle={(panel) => toggle(set.id, panel)}
              trial={tried?.dials}
              cells={cells.current}
              focusCell={focusCell}
              onward={onward}
              onRemove={
                alike.length > 1 && !frozen
                  ? () => frame.editRound((r) => ({ ...r, sets: r.sets.filter(({ id }) => id !== set.id) }))
                  : undefined
              }
            />
          )
        })}
        {round.sets.some(({ probes }) => probes.some(goesRound)) ? (
          <Muted>{readWords.filledSagTakenOffHollow}</Muted>
        ) : null}
        {frozen || round.sets.length >= 12 ? null : adds}
        <Care sets={round.sets} />
        <Photographs
          at="read"
          places={round.sets.map((set, i) => ({
            id: set.id,
            name: readWords.setWord(couplingName(set.coupling, terms), i + 1),
          }))}
        />
      </WorkArea>
      <ReadSay solved={solved} terms={terms} first={[...trying, ...frame.reminders]} actsFor={actsFor} />
    </WorkAreaAndFindings>
  )
}

/** What the readings mean: worked out once they are painted. */
function ReadSay(props: {
  solved: JobSolution
  terms: TrainTerms
  first: readonly FindingItem[]
  actsFor: (finding: Finding) => Act[]
}) {
  const solved = useDeferredValue(props.solved)
  const findings = useMemo(() => findingsFor(solved, 'read'), [solved])
  return <FindingsPanel items={[...props.first, ...sayItems(findings, props.terms, props.actsFor)]} />
}

/** What goes when a round is deleted. */
function goesWithRound({ sets, plan }: Round): string {
  const readings = readingsIn(sets)
  const what = [
    plural(sets.length, { one: readWords.itsSet, other: readWords.itsSets(sets.length) }),
    ...(readings > 0 ? [readWords.readings(readings)] : []),
    ...(plan ? [readWords.itsPlan] : []),
  ]
  return readWords.thisAlsoRemovesUndoRestores(what.join(', ').replace(/, ([^,]*)$/, ' and $1'))
}

/** A set with a probe that has no place yet. */
const notHung = (set: ReadSet): boolean =>
  set.probes.some((probe) => probeKinds[probe.type].stations > 0 && probe.station.distance.text === '')

/** How what reads is handled: nobody reads that before the cells stand. */
const Care = lazyAfterPaint(async () => (await import('./CareOfSets')).CareOfSets)
