import { memo } from 'react'
import styled from 'styled-components'
import { withFixed } from '../../../../core/kinds/train/document/held'
import type { RoundPlan } from '../../../../core/kinds/train/document/schema'
import { marginOf } from '../../../../core/kinds/train/plan/choices'
import { footName, machineName } from '../../../../words/terms'
import { staysNames } from '../../../../words/train/plan'
import { Button, Card, Choices, Fault, Field, Input, Muted, Select } from '../../../parts/controls'
import type { TrainFrame } from '../frame'
import { sameButForPlan } from './frames'

const Sheet = styled(
  Card,
)`display: grid; gap: 10px; margin-bottom: 16px; > [role='radiogroup'] { justify-self: start; }`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px 14px; align-items: end; label { min-width: 190px; }`

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
    <Sheet aria-label="What stays">
      <Choices
        label="What stays and what moves"
        value={stays}
        isDisabled={frozen}
        options={(['fixed', 'hold', 'least', 'drawn'] as const).map((value) => ({ value, text: staysNames[value] }))}
        onChange={pick}
      />
      {stays === 'fixed' ? (
        <Choices
          label="Which machine stays"
          value={line.fixed}
          isDisabled={frozen}
          options={line.machines.map((machine) => ({ value: machine.id, text: `${machine.name} stays` }))}
          onChange={(fixed) => frame.edit((job) => ({ ...job, line: withFixed(job.line, fixed) }))}
        />
      ) : null}
      {stays === 'hold' ? (
        <Row>
          {([0, 1] as const).map((at) => (
            <Field key={at} label={at === 0 ? 'This station stays' : 'and this one'}>
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
          {round.plan?.hold?.length === 2 ? (
            <Button look="quiet" isDisabled={frozen} onPress={() => frame.editPlan(({ hold: _, ...p }) => p)}>
              The best two
            </Button>
          ) : (
            <Muted style={{ paddingBottom: 11 }}>the two that keep to the limits best</Muted>
          )}
        </Row>
      ) : null}
      {stays === 'least' ? (
        <Row>
          <Field label="What may stay at a coupling, % of what is allowed">
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
            {marginOf(round.plan) === 0 ? 'in line exactly' : '0 is in line exactly'}
          </Muted>
        </Row>
      ) : null}
      {stays === 'drawn' ? (
        <Muted>
          Take hold of the line on the drawing above, by its ends or over a foot, and drag it; arrow keys move it a
          hundredth.
        </Muted>
      ) : null}
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
  if (least.fault) return <Fault role="alert">The planner stopped: {least.fault}</Fault>
  if (least.working)
    return (
      <Row role="status">
        <span>Looking for the least moves: {least.programs} programs solved.</span>
        <Button onPress={least.cancel}>Stop looking</Button>
      </Row>
    )
  if (least.cancelled)
    return (
      <Row role="status">
        <span>Stopped. Nothing was changed.</span>
        <Button onPress={least.again}>Look again</Button>
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
