import { useRef, useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { type Finding, findingsFor } from '../../../core/advice/findings'
import type { DialSetUp, ReadSet } from '../../../core/job/schema'
import { couplingName } from '../../../words/terms'
import { Button, Choices, Muted } from '../../parts/controls'
import { type Act, Say, sayItems } from '../../say/Say'
import { Bench, BenchAndSay, BenchHead } from './Bench'
import { useJobFrame } from './context'
import { DialBench } from './DialBench'
import { SetUp } from './SetUp'

const SetBox = styled.section`
  & + & { margin-top: 28px; padding-top: 16px; border-top: 2px solid var(--ink); }
`

/** Readings: one strip a dial with its cells, in the order the shaft turns. */
export function ReadStep() {
  const frame = useJobFrame()
  const { document, round, solved, terms, settings, frozen } = frame
  const navigate = useNavigate()
  const [, setParams] = useSearchParams()
  const [settingUp, setSettingUp] = useState<readonly string[]>(() =>
    round.sets.filter((set) => set.probes.some((dial) => dial.station.distance.text === '')).map((set) => set.id),
  )
  const openSetUp = (id: string) => setSettingUp((open) => [...open, id])
  const cells = useRef(new Map<string, HTMLInputElement>())

  const focusCell = (dialId: string, angleId: string) => {
    const cell = cells.current.get(`${dialId}/${angleId}`)
    cell?.scrollIntoView({ block: 'nearest' })
    cell?.focus()
  }
  const editSet = (id: string, change: (set: ReadSet) => ReadSet, mark?: string) =>
    frame.editRound((r) => ({ ...r, sets: r.sets.map((set) => (set.id === id ? change(set) : set)) }), mark)
  const editDial = (setId: string, dialId: string, change: (dial: DialSetUp) => DialSetUp, mark?: string) =>
    editSet(
      setId,
      (set) => ({ ...set, probes: set.probes.map((dial) => (dial.id === dialId ? change(dial) : dial)) }),
      mark,
    )

  const actsFor = (finding: Finding): Act[] => {
    switch (finding.kind) {
      case 'next-reading':
        return [{ text: 'Type it', main: true, run: () => focusCell(finding.dial.dial.id, finding.angleId) }]
      case 'not-a-number':
        return [{ text: 'To the reading', main: true, run: () => focusCell(finding.dial.dial.id, finding.angleId) }]
      case 'not-closed': {
        const suspect = finding.suspects[0]
        const reading = suspect && finding.dial.readings[suspect.reading]
        return reading
          ? [{ text: 'To the reading', main: true, run: () => focusCell(finding.dial.dial.id, reading.angleId) }]
          : []
      }
      case 'sag-missing':
      case 'sag-upward':
        return [{ text: 'Set the dial up', run: () => openSetUp(finding.dial.set.id) }]
      case 'ready-to-move':
        return [{ text: 'To the moves', main: true, run: () => navigate(`/jobs/${frame.id}/move`) }]
      case 'dimension-fault':
      case 'dimension-doubt': {
        const of = finding.kind === 'dimension-fault' ? finding.fault.of : finding.doubt.of
        const set = round.sets.find((one) => one.probes.some((dial) => dial.id === of))
        return set
          ? [{ text: 'Set the dial up', main: true, run: () => openSetUp(set.id) }]
          : [{ text: 'To the dimensions', main: true, run: () => navigate(`/jobs/${frame.id}/line`) }]
      }
      case 'no-limits':
        return [{ text: 'To the line', run: () => navigate(`/jobs/${frame.id}/line`) }]
      default:
        return []
    }
  }

  const order = round.sets.flatMap((set) =>
    set.probes.flatMap((dial) => set.angles.map((angle) => [dial.id, angle.id] as const)),
  )
  const onward = (dialId: string, angleId: string) => {
    const next = order[order.findIndex(([d, a]) => d === dialId && a === angleId) + 1]
    if (next) focusCell(...next)
  }

  return (
    <BenchAndSay>
      <Bench id="bench">
        {document.rounds.length > 1 ? (
          <BenchHead>
            <Choices
              label="Round"
              value={round.id}
              options={document.rounds.map((r, i) => ({ value: r.id, text: `Round ${i + 1}` }))}
              onChange={(id) => setParams({ round: id })}
            />
            {document.rounds[0]?.id !== round.id ? <Muted>Round 1, as found, is drawn dashed behind.</Muted> : null}
          </BenchHead>
        ) : null}
        {round.sets.map((set) => (
          <SetBox key={set.id} aria-label={couplingName(set.coupling, terms)}>
            <BenchHead>
              <div>
                <h1>Reverse dials</h1>
                <Muted>
                  {round.sets.length > 1 ? `${couplingName(set.coupling, terms).toLowerCase()}, ` : ''}
                  both shafts turned together, coupling {set.state}
                </Muted>
              </div>
              <Button
                aria-expanded={settingUp.includes(set.id)}
                onPress={() =>
                  settingUp.includes(set.id) ? setSettingUp(settingUp.filter((id) => id !== set.id)) : openSetUp(set.id)
                }
              >
                {settingUp.includes(set.id) ? 'Done setting up' : 'Set up dials'}
              </Button>
            </BenchHead>
            {settingUp.includes(set.id) ? (
              <SetUp
                set={set}
                line={document.line}
                stations={solved.stations}
                unit={settings.unit}
                frozen={frozen}
                onSet={(change, mark) => editSet(set.id, change, mark)}
                onDial={(dialId, change, mark) => editDial(set.id, dialId, change, mark)}
              />
            ) : null}
            {solved.dials
              .filter((dial) => dial.set.id === set.id)
              .map((dial) => (
                <DialBench
                  key={dial.dial.id}
                  dial={dial}
                  terms={terms}
                  unit={settings.unit}
                  frozen={frozen}
                  chosen={frame.chosen === dial.dial.id}
                  x={solved.stations.x.get(dial.dial.id)}
                  couplingX={solved.stations.x.get(set.coupling) ?? 0}
                  cellRef={(angleId) => (element) => {
                    const key = `${dial.dial.id}/${angleId}`
                    if (element) cells.current.set(key, element)
                    else cells.current.delete(key)
                  }}
                  onFocus={() => frame.choose(dial.dial.id)}
                  onReading={(angleId, change) =>
                    editDial(
                      set.id,
                      dial.dial.id,
                      (d) => ({
                        ...d,
                        readings: {
                          ...d.readings,
                          [angleId]: change(
                            d.readings[angleId] ?? { value: { text: '', unit: settings.unit }, turns: 0 },
                          ),
                        },
                      }),
                      `${dial.dial.id}/${angleId}`,
                    )
                  }
                  onward={(angleId) => onward(dial.dial.id, angleId)}
                  across={(angleId, by) => {
                    const at = set.probes.findIndex((d) => d.id === dial.dial.id)
                    const other = set.probes[at + by]
                    if (other) focusCell(other.id, angleId)
                  }}
                />
              ))}
          </SetBox>
        ))}
        <Muted>Filled pegs: sag taken off. Hollow: as read. Dashed: what aligned shafts would read.</Muted>
      </Bench>
      <Say items={[...frame.reminders, ...sayItems(findingsFor(solved, 'read'), terms, actsFor)]} />
    </BenchAndSay>
  )
}
