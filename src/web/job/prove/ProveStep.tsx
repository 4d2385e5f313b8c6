import { useMemo } from 'react'
import { Link, useNavigate } from 'react-router'
import styled from 'styled-components'
import { provedOf } from '../../../core/job/proved'
import { type AnyRound, kindOf } from '../../../core/kinds'
import { openKey, type ProofOpen } from '../../../core/prove/proof'
import { nothingSaid, type ProofSaid } from '../../../core/prove/schema'
import type { Purpose } from '../../../core/shafts/together'
import { sayDayTime } from '../../../words/dates'
import { proveWords } from '../../../words/page/prove'
import { proofTerms, sayClosed, sayOpen, sayProof, sayRepeat, sayRunning } from '../../../words/prove'
import type { Message } from '../../../words/said'
import { newId } from '../../app/newId'
import { narrow } from '../../app/style'
import { Button, Card, Muted } from '../../parts/controls'
import { Fold } from '../../parts/Fold'
import { Help } from '../../parts/Help'
import { Peg } from '../../parts/Peg'
import { type Act, type FindingItem, FindingsPanel } from '../../say/FindingsPanel'
import { useJobFrame } from '../frame/context'
import { BenchHead, WorkArea, WorkAreaAndFindings } from '../frame/WorkArea'
import { jobPath, type Step } from '../steps'
import { Doubt } from './Doubt'
import { Leave } from './Leave'
import { Marks } from './Marks'
import { ProofTable } from './ProofTable'
import { HelpHead } from './parts'
import { Speeds } from './Speeds'
import { Ticks } from './Ticks'

const Acts = styled(Card)`
  margin-bottom: 16px; h2 { font-size: 16px; margin-bottom: 8px; }
  ul { list-style: none; margin: 0; padding: 0; display: grid; grid-template-columns: 1fr 1fr; gap: 10px 20px; ${narrow} { grid-template-columns: 1fr; } }
  li { display: grid; gap: 2px; align-content: start; justify-items: start; } small { color: var(--muted); font-size: 13px; }
`
const Rounds = styled.ol`
  list-style: none; margin: 0 0 16px; padding: 0; display: flex; flex-wrap: wrap; gap: 8px;
  a { display: inline-flex; gap: 8px; align-items: center; min-height: 44px; padding: 0 14px; border: 1px solid var(--rule); border-radius: 4px; background: var(--card); text-decoration: none; }
  a[aria-current] { border: 2px solid var(--kelp); } small { color: var(--muted); }
`

/** Whether what was done worked, and what is in hand: the same for every kind of line. */
export function ProveStep() {
  const frame = useJobFrame()
  const { document, settings, frozen, id, round } = frame
  const navigate = useNavigate()
  const { line, rounds } = document
  const kind = kindOf(line)
  const said = document.proof ?? nothingSaid
  const proved = useMemo(() => provedOf(document), [document])
  const { proof } = proved
  const last = proof.left === undefined ? undefined : proved.rounds[proof.left]
  const terms = useMemo(
    () => proofTerms(line, { unit: settings.unit, resolution: last?.resolution ?? 0.01 }),
    [line, settings.unit, last?.resolution],
  )
  const say = (change: (said: ProofSaid) => ProofSaid, mark?: string) =>
    frame.edit((job) => ({ ...job, proof: change(job.proof ?? nothingSaid) }), mark && `proof:${mark}`)
  const signed = () => ({ by: settings.initials.trim(), at: new Date().toISOString() })

  const asLeft = rounds[proof.left ?? rounds.length - 1] ?? round
  const readMore = (more: (round: AnyRound) => AnyRound) => {
    frame.edit((job) => ({ ...job, rounds: job.rounds.map((r) => (r.id === asLeft.id ? more(r) : r)) }))
    navigate(jobPath(id, 'read', asLeft.id))
  }
  const sets = (purpose: Purpose) => readMore((r) => kind.withProofSets(line, r, purpose, () => newId('set')))
  const go = (step: Step, text: string): Act => ({ text, main: true, run: () => navigate(jobPath(id, step)) })
  const repeat: Act = { text: proveWords.repeat, main: true, run: () => sets('repeat') }
  const actsFor = (open: ProofOpen): Act[] => {
    switch (open.kind) {
      case 'not-read':
      case 'unfinished':
      case 'does-not-repeat':
      case 'sag':
        return [go('read', proveWords.goToRead)]
      case 'moved-not-read':
        return [go('move', proveWords.goToMove)]
      case 'joint':
        if (open.state === 'nothing') return [go('line', proveWords.goToLine)]
        return open.state === 'outside' ? [go('move', proveWords.goToMove)] : frozen ? [] : [repeat]
      case 'neither-repeat-nor-spare':
        return frozen ? [] : [repeat]
      case 'not-closed':
        return frozen ? [] : [{ text: proveWords.closed, run: () => sets('closed') }]
      case 'growth':
        return [{ ...go('line', proveWords.goToLine), main: false }]
      case 'seat':
      case 'seat-unseen':
        return [go('seat', proveWords.goToSeat)]
      case 'ready':
        return [go('ready', proveWords.goToReady)]
      default:
        return []
    }
  }
  const pegFor = (open: ProofOpen): FindingItem['peg'] =>
    open.kind === 'joint' || open.kind === 'closing' ? open.state : open.kind === 'not-closed' ? 'nothing' : 'unsure'
  const told = (key: string, peg: FindingItem['peg'], one: Message | undefined): FindingItem[] =>
    one ? [{ key, peg, said: one, acts: [] }] : []
  const items: FindingItem[] = [
    { key: 'proof', peg: proof.state, said: sayProof(proof, said, terms), acts: [] },
    ...proof.open.map(
      (open): FindingItem => ({
        key: openKey(open),
        peg: pegFor(open),
        said: sayOpen(open, terms),
        acts: actsFor(open),
      }),
    ),
    ...proof.joints.flatMap((joint) => [
      ...told(
        `repeat${joint.id}`,
        joint.repeat?.repeats ? 'within' : 'outside',
        joint.repeat?.repeats ? sayRepeat(joint, terms) : undefined,
      ),
      ...told(`closed${joint.id}`, joint.closed?.check.verdict?.state ?? 'nothing', sayClosed(joint, terms)),
      ...told(`running${joint.id}`, joint.running?.check.verdict?.state ?? 'nothing', sayRunning(joint, terms)),
    ]),
  ]
  const minutes = Number.parseInt(document.minutes, 10) || 0
  // a line without couplings has nothing to connect, to mark or to draw from
  const coupled = proved.rounds.some(({ joints }) => joints.length > 0)
  const day = (index: number | undefined) => {
    const at = rounds[index ?? 0]?.takenAt
    return at ? sayDayTime(new Date(at)) : ''
  }
  return (
    <WorkAreaAndFindings>
      <WorkArea id="bench">
        <BenchHead>
          <div>
            <h1>{proveWords.prove}</h1>
            <Muted>
              {proof.left !== undefined && proof.left === proof.found
                ? proveWords.onlyRound(day(proof.found))
                : proveWords.roundsAndMinutes(rounds.length, minutes)}
            </Muted>
          </div>
        </BenchHead>
        {rounds.length > 1 ? (
          <Rounds aria-label={proveWords.rounds}>
            {rounds.map((one, i) => (
              <li key={one.id}>
                <Link
                  to={jobPath(id, 'prove', one.id)}
                  aria-current={one.id === round.id ? 'true' : undefined}
                  aria-label={proveWords.show(i + 1)}
                >
                  <Peg
                    size={13}
                    label=""
                    peg={worstOf(
                      proved.rounds[i]?.own?.judged.map(({ state }) => state) ??
                        proved.rounds[i]?.joints.map(({ solution }) => solution.verdict?.state ?? 'nothing'),
                    )}
                  />
                  {proveWords.round(i + 1)}
                  <small>
                    {[
                      day(i),
                      i === proof.found ? proveWords.asFound : i === proof.left ? proveWords.asLeft : '',
                      proved.rounds[i]?.move ? proveWords.movedAfter : '',
                    ]
                      .filter(Boolean)
                      .join(', ')}
                  </small>
                </Link>
              </li>
            ))}
          </Rounds>
        ) : null}
        <ProofTable proof={proof} terms={terms} />
        {frozen || proof.left === undefined ? null : (
          <Acts aria-label={proveWords.readAgain}>
            <HelpHead>
              <h2>{proveWords.readAgain}</h2>
              <Help of={proveWords.readAgain}>
                {[
                  proveWords.repeatIs,
                  kind.withOtherMethod ? proveWords.otherMethodIs : '',
                  coupled ? proveWords.closedIs : '',
                ].join(' ')}
              </Help>
            </HelpHead>
            <ul>
              <li>
                <Button onPress={() => sets('repeat')}>{proveWords.repeat}</Button>
              </li>
              {kind.withOtherMethod ? (
                <li>
                  <Button onPress={() => readMore((r) => kind.withOtherMethod?.(line, r, () => newId('set')) ?? r)}>
                    {proveWords.otherMethod}
                  </Button>
                </li>
              ) : null}
              {coupled ? (
                <>
                  <li>
                    <Button onPress={() => sets('closed')}>{proveWords.closed}</Button>
                  </li>
                  {kind.readsRunning ? (
                    <li>
                      <Button onPress={() => sets('running')}>{proveWords.runningCheck}</Button>
                      <small>{proveWords.runningBecause}</small>
                    </li>
                  ) : null}
                </>
              ) : null}
            </ul>
          </Acts>
        )}
        <Ticks
          {...{ proof, said, say, signed, frozen }}
          initials={settings.initials}
          onFeet={kind.seats(line).length > 0}
        />
        {last && coupled ? (
          <Fold title={proveWords.more}>
            <Speeds round={last} proof={proof} terms={terms} />
            <Marks round={last} terms={terms} />
            <Doubt round={last} said={said} say={say} terms={terms} frozen={frozen} />
          </Fold>
        ) : null}
        <Leave said={said} say={say} signed={signed} frozen={frozen} ready={settings.initials.trim() !== ''} />
      </WorkArea>
      <FindingsPanel items={items} />
    </WorkAreaAndFindings>
  )
}

function worstOf(states: readonly FindingItem['peg'][] = []): FindingItem['peg'] {
  return (['outside', 'unsure', 'nothing'] as const).find((state) => states.includes(state)) ?? 'within'
}
