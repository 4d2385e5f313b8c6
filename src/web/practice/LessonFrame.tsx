import { memo, type ReactNode, useCallback } from 'react'
import type { PlainAct } from '../../core/practice/attempted'
import { formatNumber } from '../../core/quantity/number'
import { unsafeSaid, practiceWords as words } from '../../words/practice'
import type { Message } from '../../words/said'
import { Header } from '../app/Shell'
import { ButtonLink } from '../parts/ButtonLink'
import { Button, Card, Muted } from '../parts/controls'
import { Peg } from '../parts/Peg'
import { Band, Hints, Page, Rig, Row, Side } from './page'

const Top = memo(({ text }: { text: string }) => (
  <Header crumbs={[{ to: '/practice', text: words.practice }, { text }]} />
))

// these stand still while the rig is handled
const Lock = memo(({ locked, lock }: { locked: boolean; lock: () => void }) => (
  <Button look={locked ? 'plain' : 'act'} isDisabled={locked} onPress={lock}>
    {locked ? words.locked : words.lock}
  </Button>
))
const Anew = memo(({ again, another }: { again: () => void; another: () => void }) => (
  <>
    <Button onPress={again}>{words.again}</Button>
    <Button onPress={another}>{words.another}</Button>
  </>
))

const Onward = memo(({ next }: { next: string | undefined }) => (
  <>
    <ButtonLink to="/practice">{words.toAll}</ButtonLink>
    {next ? <ButtonLink to={`/practice/${next}`}>{words.next}</ButtonLink> : null}
  </>
))

/** Where a lesson stands among those that come with the program: its number, and the one after it. */
export interface InOrder {
  place?: number | undefined
  next?: string | undefined
}

/** What `useKept` gives, as far as every lesson has it. */
interface Kept {
  state: { seed: number; minutes: number; unsafe: boolean; hints: number; hands: { locked: boolean } }
  act: (act: PlainAct) => void
  again: () => void
  another: () => void
}

/** What every lesson has round it: its name and goal, the lock before anything is touched, the machine’s number, and what is told and checked beside it. */
export function LessonFrame(props: {
  order: InOrder
  words: { name: string; goal: string; hints: readonly string[] }
  /** How near it has to come, in the unit shown. */
  within?: string
  /** What the rig is called, and what is said beside its lock where that is something else. */
  rig: string
  beside?: string
  kept: Kept
  /** Nothing to be locked where nothing is touched: at a desk, with a sheet of readings. */
  atDesk?: boolean
  /** Told and checked. */
  answers: ReactNode
  /** What else can be done, before the ways on. */
  more?: ReactNode
  /** The rig to be handled. */
  children: ReactNode
}) {
  const { state, act, again, another } = props.kept
  const { name, goal, hints } = props.words
  const { place, next } = props.order
  const lock = useCallback(() => act({ do: 'lock' }), [act])
  const { locked } = state.hands
  return (
    <>
      <Top text={place === undefined ? name : `${place}. ${name}`} />
      <Band aria-label={words.practice}>{words.practiceOnly}</Band>
      <Page id="bench">
        <Rig>
          <h1>{name}</h1>
          <p>
            {goal} {props.within}
          </p>
          <Card as="section" aria-label={props.rig} style={{ display: 'grid', gap: 14 }}>
            <Row>
              {props.atDesk ? null : <Lock locked={locked} lock={lock} />}
              <Muted>{props.beside ?? props.rig}</Muted>
            </Row>
            {props.children}
          </Card>
          <Row>
            <Anew again={again} another={another} />
            <Muted>
              {words.machine(state.seed)} · {words.minutes(formatNumber(state.minutes, 1))}
            </Muted>
          </Row>
        </Rig>
        <Side aria-label={words.yours}>
          {state.unsafe ? (
            <div role="alert">
              <h2>
                <Peg peg="outside" /> {unsafeSaid.title}
              </h2>
              <Muted>{unsafeSaid.detail}</Muted>
            </div>
          ) : null}
          {props.answers}
          {state.hints > 0 ? (
            <Hints>
              {hints.slice(0, state.hints).map((hint) => (
                <li key={hint}>{hint}</li>
              ))}
            </Hints>
          ) : null}
          <Row>
            {props.more}
            <Onward next={next} />
          </Row>
        </Side>
      </Page>
    </>
  )
}

/** Checking, a hint on request, and once it was checked what came of it, each slip by its name. */
export function Asking(props: {
  check: string
  hints: readonly string[]
  taken: number
  act: (act: PlainAct) => void
  /** Once it was checked. */
  outcome?: { passed: boolean; slips?: readonly Message[] } | undefined
  children?: ReactNode
}) {
  const { outcome, act } = props
  return (
    <>
      <Row>
        <Button look="act" onPress={() => act({ do: 'check' })}>
          {props.check}
        </Button>
        <Button isDisabled={props.taken >= props.hints.length} onPress={() => act({ do: 'hint' })}>
          {words.hint}
        </Button>
      </Row>
      {outcome ? (
        <>
          <h2 role="status">
            <Peg peg={outcome.passed ? 'within' : 'outside'} /> {outcome.passed ? words.passed : words.notYet}
          </h2>
          {outcome.slips?.map(({ title, detail }) => (
            <p key={title}>
              <b>{title}</b> {detail}
            </p>
          ))}
          {props.children}
        </>
      ) : null}
    </>
  )
}
