import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { kindOf } from '../../../core/kinds'
import { emptyQuantity, quantityFrom } from '../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { seatFindings } from '../../../core/seat/findings'
import { type RoundsOfBolts, roundsOf, roundsOfBolts, type Seat, type SeatFoot } from '../../../core/seat/schema'
import { emptySeat, emptySeatFoot, type SeatState, solveSeat } from '../../../core/seat/state'
import { seatWords } from '../../../words/page/seat'
import { saySeat, seatFootName } from '../../../words/seat'
import { capital, machineName } from '../../../words/terms'
import { narrow } from '../../app/style'
import { pages } from '../../kinds'
import { Button, Choices, Field, Input, Muted, Select } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { QuantityField } from '../../parts/Quantity'
import { FindingsPanel } from '../../say/FindingsPanel'
import { useJobFrame } from '../frame/context'
import { BenchHead, WorkArea, WorkAreaAndFindings } from '../frame/WorkArea'
import { Photographs } from '../photographs/Photographs'
import { jobPath } from '../steps'
import { FeetFromAbove } from './FeetFromAbove'
import { SeatLive } from './SeatLive'

const Row = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(160px, 1fr)); gap: 12px; align-items: end; margin: 10px 0;`
const Ticks = styled.div`display: grid; grid-template-columns: auto repeat(3, auto); gap: 6px 12px; justify-content: start; align-items: center; margin: 8px 0 16px; ${narrow} { grid-template-columns: 1fr; button { justify-content: start; } }`

const stages = [seatWords.byHand, seatWords.snug, seatWords.toTorque] as const

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
        ? [{ text: seatWords.checkAgain, main: true, run: () => setPass('after') }]
        : advice.kind === 'seat-found' && advice.finding.kind === 'strain' && !frozen
          ? [{ text: seatWords.pipesAreOff, main: false, run: () => edit((s) => ({ ...s, pipes: 'off' })) }]
          : advice.kind === 'seat-tighten'
            ? [{ text: seatWords.oneBoltAtATime, main: true, run: () => setPass('before') }]
            : advice.kind === 'seat-found' && advice.finding.kind === 'clean'
              ? [{ text: seatWords.goToRead, main: true, run: () => navigate(jobPath(frame.id, 'read')) }]
              : advice.kind === 'seat-next' || advice.kind === 'seat-fault'
                ? [
                    {
                      text: seatWords.enterIt,
                      main: advice.kind === 'seat-next',
                      run: () =>
                        window.document.querySelector<HTMLInputElement>(`[data-foot="${advice.foot}"] input`)?.focus(),
                    },
                  ]
                : [],
  }))

  return (
    <WorkAreaAndFindings>
      <WorkArea id="bench">
        <BenchHead>
          <div>
            <h1>{seatWords.softFoot}</h1>
            <Muted>{seatWords.oneBoltLoosenedAtA}</Muted>
          </div>
          <Choices
            label={seatWords.machine}
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
            label={seatWords.whichCheck}
            value={pass}
            options={[
              { value: 'loose', text: seatWords.allBoltsLoose },
              { value: 'before', text: seatWords.asFound },
              { value: 'after', text: seatWords.afterCorrection },
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
        <Muted>{seatWords.riseInTheMiddleShims}</Muted>
        {frozen || pass === 'loose' ? null : (
          <SeatLive
            key={`${machine} ${pass}`}
            seed={`${frame.id} ${machine} ${pass}`}
            foot={
              state.missing[0] === undefined
                ? undefined
                : { id: state.missing[0], name: seatFootName(state.missing[0], terms) }
            }
            unit={settings.unit}
            coupling={seat.coupling}
            onCoupling={(coupling) => edit((s) => ({ ...s, coupling }))}
            onRise={(id, mm) =>
              editFoot(
                id,
                (foot) => ({
                  ...foot,
                  rise: quantityFrom(Math.max(0, mm), settings.unit, settings.unit === 'mm' ? 2 : 1),
                }),
                'live',
              )
            }
          />
        )}
        <Row>
          <QuantityField
            label={seatWords.maximumRise}
            quantity={seat.threshold}
            unit={settings.unit}
            readOnly={frozen}
            placeholder={settings.unit === 'mil' ? '2' : '0.05'}
            onChange={(threshold) => edit((s) => ({ ...s, threshold }), 'threshold')}
          />
          <Field label={seatWords.torqueIfKnown}>
            <Input
              maxLength={30}
              value={seat.torque}
              readOnly={frozen}
              placeholder={seatWords.n120NM}
              onChange={(event) => edit((s) => ({ ...s, torque: event.target.value }), 'torque')}
            />
          </Field>
          {pass === 'loose' ? null : (
            <Field label={seatWords.riseMeasuredBy}>
              <Select
                disabled={frozen}
                value={state.guided ? 'shaft' : 'foot'}
                options={[
                  { value: 'foot', text: seatWords.aDialAtTheFoot },
                  { value: 'shaft', text: seatWords.theShaftAtTheCoupling },
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
          <Field label={seatWords.pipesMeanwhile}>
            <Select
              disabled={frozen}
              value={seat.pipes ?? 'on'}
              options={[
                { value: 'on', text: seatWords.pipesOn },
                { value: 'off', text: seatWords.pipesOff },
              ]}
              onPick={(pipes) => edit((s) => ({ ...s, pipes: pipes as 'on' | 'off' }))}
            />
          </Field>
          {(
            [
              ['padAlong', seatWords.padAlongTheShaft, lengthUnitFor(settings.unit)],
              ['padAcross', seatWords.padAcross, lengthUnitFor(settings.unit)],
              ['thinnest', seatWords.thinnestShimInStock, settings.unit],
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
          {More ? <More machine={machine} /> : null}
        </Row>
        <h2 style={{ fontSize: 17 }}>{seatWords.tighteningSequence}</h2>
        <Row>
          <Field label={seatWords.timesRound}>
            <Select
              disabled={frozen}
              value={String(roundsOf(seat))}
              options={roundsOfBolts.map((value) => ({ value, text: value }))}
              onPick={(rounds) => edit((one) => ({ ...one, rounds: rounds as RoundsOfBolts }))}
            />
          </Field>
          <Muted style={{ gridColumn: '2 / -1' }}>{seatWords.limberBase}</Muted>
        </Row>
        <Ticks>
          {Array.from({ length: roundsOf(seat) }, (_, i) => i + 1).map((round) => [
            <Muted key={round}>{seatWords.passNumber(round)}</Muted>,
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
        <Photographs
          at="seat"
          places={(placed?.feet ?? []).map(({ id }) => ({ id, name: capital(seatFootName(id, terms)) }))}
        />
      </WorkArea>
      <FindingsPanel items={items} />
    </WorkAreaAndFindings>
  )
}

function NoFeet() {
  const { id, reminders } = useJobFrame()
  const navigate = useNavigate()
  const said = {
    title: seatWords.noFeetOnThisLine,
    detail: seatWords.softFootDoesNotApply,
  }
  const acts = [{ text: seatWords.goToRead, main: true, run: () => navigate(jobPath(id, 'read')) }]
  return (
    <WorkAreaAndFindings>
      <WorkArea id="bench">
        <h1>{seatWords.softFoot}</h1>
      </WorkArea>
      <FindingsPanel
        items={[
          ...reminders.filter(({ key }) => key === 'open-caution'),
          { key: 'no-feet', peg: 'within', said, acts },
        ]}
      />
    </WorkAreaAndFindings>
  )
}
