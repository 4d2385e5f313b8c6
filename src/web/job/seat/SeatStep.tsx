import { Suspense, useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { emptyQuantity } from '../../../core/frame/quantity'
import { lengthUnitFor } from '../../../core/frame/usual'
import { kindOf } from '../../../core/kinds'
import { seatFindings } from '../../../core/seat/findings'
import type { Seat, SeatFoot } from '../../../core/seat/schema'
import { emptySeat, emptySeatFoot, type SeatState, solveSeat } from '../../../core/seat/state'
import { saySeat } from '../../../words/seat'
import { capital, machineName } from '../../../words/terms'
import { narrow } from '../../app/style'
import { pages } from '../../kinds'
import { Button, Choices, Field, Input, Muted, Select } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { QuantityField } from '../../parts/Quantity'
import { Say } from '../../say/Say'
import { Bench, BenchAndSay, BenchHead } from '../frame/Bench'
import { useJobFrame } from '../frame/context'
import { FeetFromAbove } from './FeetFromAbove'

const Row = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(160px, 1fr)); gap: 12px; align-items: end; margin: 10px 0;`
const Ticks = styled.div`display: grid; grid-template-columns: auto repeat(3, auto); gap: 6px 12px; justify-content: start; align-items: center; margin: 8px 0 16px; ${narrow} { grid-template-columns: 1fr; button { justify-content: start; } }`

const stages = ['by hand', 'snug', 'to the torque'] as const

/** Soft foot: the feet from above, each loosened in turn; what is wrong with them and what to put under which. */
export function SeatStep() {
  const frame = useJobFrame()
  const { document, terms, settings, frozen, seating } = frame
  const More = pages[document.line.kind].SeatMore
  const seats = kindOf(document.line).seats(document.line)
  const navigate = useNavigate()
  const [chosen, setMachine] = useState(() => Object.keys(document.seat ?? {})[0] ?? seating?.first ?? '')
  const placed = seats.find(({ id }) => id === chosen) ?? seats[0]
  const machine = placed?.id ?? ''
  const [pass, setPass] = useState<SeatState['pass']>('before')
  const seat = document.seat?.[machine] ?? emptySeat(settings.unit)

  const kept = document.seat?.[machine]
  const state = useMemo(
    () => (placed ? solveSeat(placed, kept, pass, seating?.wanted) : undefined),
    [placed, kept, pass, seating],
  )
  const allowed = seating?.allowed(machine)

  const edit = (change: (seat: Seat) => Seat, mark?: string) =>
    frame.edit(
      (job) => ({ ...job, seat: { ...job.seat, [machine]: change(job.seat?.[machine] ?? emptySeat(settings.unit)) } }),
      mark && `seat:${machine}:${mark}`,
    )
  const editFoot = (id: string, change: (foot: SeatFoot) => SeatFoot, mark: string) =>
    edit(
      (s) => ({ ...s, [pass]: { ...s[pass], [id]: change(s[pass][id] ?? emptySeatFoot(settings.unit)) } }),
      `${pass}:${id}:${mark}`,
    )

  if (!state) return <NoFeet />
  const items = seatFindings(state, allowed).map((advice, i) => ({
    key: `${advice.kind}:${'finding' in advice ? advice.finding.kind + advice.finding.feet.join() : i}`,
    peg: advice.peg,
    said: saySeat(advice, terms),
    acts:
      advice.kind === 'seat-again' && !frozen
        ? [{ text: 'Check again', main: true, run: () => setPass('after') }]
        : advice.kind === 'seat-tighten'
          ? [{ text: 'One bolt at a time', main: true, run: () => setPass('before') }]
          : advice.kind === 'seat-found' && advice.finding.kind === 'clean'
            ? [{ text: 'To the readings', main: true, run: () => navigate(`/jobs/${frame.id}/read`) }]
            : advice.kind === 'seat-next' || advice.kind === 'seat-fault'
              ? [
                  {
                    text: 'Type it',
                    main: advice.kind === 'seat-next',
                    run: () =>
                      window.document.querySelector<HTMLInputElement>(`[data-foot="${advice.foot}"] input`)?.focus(),
                  },
                ]
              : [],
  }))

  return (
    <BenchAndSay>
      <Bench id="bench">
        <BenchHead>
          <div>
            <h1>How it sits</h1>
            <Muted>one bolt loosened at a time, the others tight</Muted>
          </div>
          <Choices
            label="Machine"
            value={machine}
            options={seats.map(({ id }) => ({ value: id, text: machineName(id, terms) }))}
            onChange={(id) => {
              setMachine(id)
              setPass('before')
            }}
          />
        </BenchHead>
        <BenchHead>
          <Choices
            label="Which check"
            value={pass}
            options={[
              { value: 'loose', text: 'All bolts loose' },
              { value: 'before', text: 'As found' },
              { value: 'after', text: 'After the cure' },
            ]}
            onChange={setPass}
          />
        </BenchHead>
        <FeetFromAbove
          state={state}
          seat={seat}
          terms={terms}
          unit={settings.unit}
          flipped={settings.flipped}
          frozen={frozen}
          onFoot={editFoot}
        />
        <Muted>
          Rise in the middle, the pack under it below, feeler gaps at the corners where they are; numbers give the order
          to tighten.
        </Muted>
        <Row>
          <QuantityField
            label="A foot may rise"
            quantity={seat.threshold}
            unit={settings.unit}
            readOnly={frozen}
            placeholder={settings.unit === 'mil' ? '2' : '0.05'}
            onChange={(threshold) => edit((s) => ({ ...s, threshold }), 'threshold')}
          />
          <Field label="Torque, if known">
            <Input
              maxLength={30}
              value={seat.torque}
              readOnly={frozen}
              placeholder="120 N·m"
              onChange={(event) => edit((s) => ({ ...s, torque: event.target.value }), 'torque')}
            />
          </Field>
          {pass === 'loose' ? null : (
            <Field label="Rise told by">
              <Select
                disabled={frozen}
                value={state.guided ? 'shaft' : 'foot'}
                options={[
                  { value: 'foot', text: 'a dial at the foot' },
                  { value: 'shaft', text: 'the shaft at the coupling, a guide' },
                ]}
                onPick={(told) =>
                  edit((s) => ({
                    ...s,
                    [pass]: Object.fromEntries(
                      state.feet.map(({ id }) => [
                        id,
                        { ...(s[pass][id] ?? emptySeatFoot(settings.unit)), told: told === 'shaft' ? 'shaft' : 'foot' },
                      ]),
                    ),
                  }))
                }
              />
            </Field>
          )}
          {(
            [
              ['padAlong', 'Pad, along the shaft', lengthUnitFor(settings.unit)],
              ['padAcross', 'Pad, across', lengthUnitFor(settings.unit)],
              ['thinnest', 'Thinnest shim in stock', settings.unit],
            ] as const
          ).map(([key, label, unit]) => (
            <QuantityField
              key={key}
              label={label}
              quantity={seat[key] ?? emptyQuantity(unit)}
              unit={unit}
              readOnly={frozen}
              onChange={(value) => edit((s) => ({ ...s, [key]: value }), key)}
            />
          ))}
          {More ? (
            <Suspense fallback={null}>
              <More machine={machine} />
            </Suspense>
          ) : null}
        </Row>
        <h2 style={{ fontSize: 17 }}>Tightened, in the order on the bolts</h2>
        <Ticks>
          {[1, 2].map((round) => [
            <Muted key={round}>{round === 1 ? 'first time round' : 'second time round'}</Muted>,
            ...stages.map((stage, s) => {
              const key = `${s + 1}.${round}`
              const done = seat.ticks[key]
              return (
                <Button
                  key={key}
                  isDisabled={frozen}
                  aria-pressed={Boolean(done)}
                  onPress={() =>
                    edit((one) => {
                      const { [key]: was, ...rest } = one.ticks
                      return {
                        ...one,
                        ticks: was ? rest : { ...rest, [key]: { by: settings.initials, at: new Date().toISOString() } },
                      }
                    })
                  }
                >
                  <Peg peg={done ? 'within' : 'nothing'} label="" /> {capital(stage)}
                  {s === 2 && seat.torque ? `, ${seat.torque}` : ''}
                </Button>
              )
            }),
          ])}
        </Ticks>
      </Bench>
      <Say items={items} />
    </BenchAndSay>
  )
}

function NoFeet() {
  const { id, reminders } = useJobFrame()
  const navigate = useNavigate()
  const said = {
    title: 'No feet on this line: nothing to do here.',
    detail: 'A soft foot is no matter of this kind of line.',
  }
  const acts = [{ text: 'To the readings', main: true, run: () => navigate(`/jobs/${id}/read`) }]
  return (
    <BenchAndSay>
      <Bench id="bench">
        <h1>How it sits</h1>
      </Bench>
      <Say
        items={[
          ...reminders.filter(({ key }) => key === 'open-caution'),
          { key: 'no-feet', peg: 'within', said, acts },
        ]}
      />
    </BenchAndSay>
  )
}
