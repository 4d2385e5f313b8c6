import { memo } from 'react'
import styled from 'styled-components'
import { withFixed } from '../../../../core/kinds/train/document/held'
import type { RoundPlan } from '../../../../core/kinds/train/document/schema'
import { marginOf } from '../../../../core/kinds/train/plan/choices'
import { footName, machineName } from '../../../../words/terms'
import { moveWords } from '../../../../words/train/page/move'
import { staysNames } from '../../../../words/train/plan'
import { Button, Card, Choices, Fault, Field, Input, Muted, Select } from '../../../parts/controls'
import type { TrainFrame } from '../frame'
import { sameButForPlan } from './frames'

const Sheet = styled(Card)`display: grid; gap: 10px; margin-bottom: 16px;`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px 14px; align-items: end; > label { min-width: 190px; }`

/** What stays and what moves: a machine, two stations of feet, as little as can be, or a line drawn by hand. */
export const WhatStays = memo(function WhatStays({ frame }: { frame: TrainFrame }) {
  const { document, round, terms, frozen, plan, least } = frame
  const { line } = document
  const stays = round.plan?.stays ?? 'fixed'
  const held = round.plan?.hold?.length === 2 ? round.plan.hold : (plan?.held ?? [])
  const stations = line.machines.flatMap((machine) => machine.feet.map(({ id }) => id))
  const pick = (value: RoundPlan['stays']) =>
    frame.editPlan((p) => ({
      ...p,
      stays: value,
      ...(value === 'drawn' && !p.drawn ? { drawn: drawnNow(frame) } : {}),
    }))
  const hold = (at: 0 | 1, id: string) =>
    frame.editPlan((p) => {
      const now = [held[0] ?? '', held[1] ?? '']
      now[at] = id
      return { ...p, hold: now }
    })
  return (
    <Sheet aria-label={moveWords.fixed}>
      <Choices
        label={moveWords.fixedAndMoved}
        value={stays}
        isDisabled={frozen}
        options={(['fixed', 'hold', 'least', 'drawn'] as const).map((value) => ({ value, text: staysNames[value] }))}
        onChange={pick}
      />
      {stays === 'fixed' ? (
        <Choices
          label={moveWords.fixedMachine}
          value={line.fixed}
          isDisabled={frozen}
          options={line.machines.map((machine) => ({ value: machine.id, text: moveWords.fixed2(machine.name) }))}
          onChange={(fixed) => frame.edit((job) => ({ ...job, line: withFixed(job.line, fixed) }))}
        />
      ) : null}
      {stays === 'hold' ? (
        <Row>
          {([0, 1] as const).map((at) => (
            <Field key={at} label={at === 0 ? moveWords.heldFeet : moveWords.andTheseFeet}>
              <Select
                value={held[at] ?? ''}
                disabled={frozen}
                options={stations
                  .filter((id) => id !== held[at === 0 ? 1 : 0])
                  .map((id) => ({ value: id, text: footName(id, terms) }))}
                onPick={(id) => hold(at, id)}
              />
            </Field>
          ))}
          <Choices
            label={moveWords.heldInWhichPlane}
            value={round.plan?.holdIn ?? 'both'}
            isDisabled={frozen}
            options={[
              { value: 'both', text: moveWords.heldInBoth },
              { value: 'vertical', text: moveWords.heldInHeight },
              { value: 'horizontal', text: moveWords.heldSideways },
            ]}
            onChange={(plane) =>
              frame.editPlan(({ holdIn: _, ...p }) => (plane === 'both' ? p : { ...p, holdIn: plane }))
            }
          />
          {round.plan?.hold?.length === 2 ? (
            <Button look="quiet" isDisabled={frozen} onPress={() => frame.editPlan(({ hold: _, ...p }) => p)}>
              {moveWords.bestTwo}
            </Button>
          ) : (
            <Muted style={{ paddingBottom: 11 }}>{moveWords.theTwoThatBestKeep}</Muted>
          )}
        </Row>
      ) : null}
      {stays === 'least' ? (
        <Row>
          <Field label={moveWords.residualAllowedOfTolerance}>
            <Input
              value={round.plan?.margin ?? ''}
              placeholder="50"
              inputMode="decimal"
              maxLength={6}
              readOnly={frozen}
              onChange={({ target }) => frame.editPlan((p) => ({ ...p, margin: target.value }), 'margin')}
            />
          </Field>
          <Muted style={{ paddingBottom: 11 }}>
            {marginOf(round.plan) === 0 ? moveWords.exactlyInLine : moveWords.n0ExactlyInLine}
          </Muted>
        </Row>
      ) : null}
      {stays === 'drawn' ? <Muted>{moveWords.dragTheLineOnThe}</Muted> : null}
      {stays === 'least' || stays === 'fixed' ? <LeastLine least={least} shown={stays === 'least'} /> : null}
      {stays === 'fixed' && line.fixedBecause ? (
        <Muted>
          {machineName(line.fixed, terms)}: {line.fixedBecause}
        </Muted>
      ) : null}
    </Sheet>
  )
}, sameButForPlan)

/** The planner at work: how far it is, and a way to stop it. */
function LeastLine({ least, shown }: { least: TrainFrame['least']; shown: boolean }) {
  if (!shown) return null
  if (least.fault) return <Fault role="alert">{moveWords.thePlannerStopped(least.fault)}</Fault>
  if (least.working)
    return (
      <Row role="status">
        <span>{moveWords.findingTheFewestMovesPrograms(least.programs)}</span>
        <Button onPress={least.cancel}>{moveWords.stop}</Button>
      </Row>
    )
  if (least.canceled)
    return (
      <Row role="status">
        <span>{moveWords.stoppedNothingWasChanged}</span>
        <Button onPress={least.again}>{moveWords.tryAgain}</Button>
      </Row>
    )
  return null
}

/** The line as the plan has it now: where a drawn one begins. */
function drawnNow({ plan, solved }: TrainFrame): NonNullable<RoundPlan['drawn']> {
  const places = solved.train.machines.flatMap(({ feet }) => feet.map(({ x }) => x))
  const [from, to] = [Math.min(...places), Math.max(...places)]
  const at = (plane: 'vertical' | 'horizontal') => {
    const target = plan?.target?.[plane] ?? { offset: 0, slope: 0 }
    return { first: target.offset + target.slope * from, last: target.offset + target.slope * to }
  }
  return { vertical: at('vertical'), horizontal: at('horizontal') }
}
