import { X } from 'lucide-react'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { type Expected, expectedDoubt } from '../../../../core/kinds/train/document/preview'
import type { Line } from '../../../../core/kinds/train/document/schema'
import { parseNumber } from '../../../../core/quantity/number'
import { anglesOf, quarterAngles } from '../../../../core/shafts/make'
import type { ReadSet } from '../../../../core/shafts/schema'
import { angleName, angleTyped, lengthWithUnit, sideName } from '../../../../words/terms'
import { setUpWords } from '../../../../words/train/page/setUp'
import { sayTrouble } from '../../../../words/troubles'
import { Button, Fault, Field, Input, Muted, Select } from '../../../parts/controls'

const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px; align-items: end;`
const Chip = styled.span`display: inline-flex; align-items: center; border: 1px solid var(--rule); border-radius: 22px; padding-left: 14px; background: var(--paper); min-height: 44px;`

const ways = [
  { value: 'quarters', text: setUpWords.fullTurnByQuarters, degrees: quarterAngles },
  { value: 'eight', text: setUpWords.fullTurnEightPositions, degrees: [0, 45, 90, 135, 180, 225, 270, 315, 360] },
  { value: 'half', text: setUpWords.halfATurnThreePositions, degrees: [270, 0, 90] },
  { value: 'half-under', text: setUpWords.halfATurnUnder, degrees: [90, 180, 270] },
  { value: 'upright', text: setUpWords.topAndBottomOnly, degrees: [0, 180] },
  { value: 'part', text: setUpWords.partOfATurnThree, degrees: undefined },
  { value: 'none', text: setUpWords.noneYetCaptureOrSweep, degrees: [] },
] as const

interface Props {
  set: ReadSet
  line: Line
  unit: 'mm' | 'mil'
  frozen: boolean
  onSet: (change: (set: ReadSet) => ReadSet, mark?: string) => void
}

/** Where the shafts are stopped and read; what a choice costs is said before it is taken. */
export function Angles({ set, line, unit, frozen, onSet }: Props) {
  const [typed, setTyped] = useState('')
  const [fault, setFault] = useState<string>()
  const [way, setWay] = useState<string>('quarters')
  const [from, setFrom] = useState('0')
  const [over, setOver] = useState('60')
  const terms = { line }
  const clock = set.angleAs === 'clock-left' || set.angleAs === 'clock-right'
  const name = (degrees: number) => angleName(degrees, terms, set.angleAs)
  const offered = useMemo((): readonly number[] | undefined => {
    const found = ways.find(({ value }) => value === way)
    if (found?.degrees) return found.degrees
    const [start, arc] = [parseNumber(from.replace('°', '')), parseNumber(over.replace('°', ''))]
    if (!start.ok || !arc.ok || arc.value < 5 || arc.value > 350) return undefined
    return [0, 0.5, 1].map((share) => Math.round((start.value + share * arc.value) * 10) / 10)
  }, [way, from, over])
  const expected = useMemo(() => offered && expectedDoubt(line, set, offered), [line, set, offered])
  const whole = useMemo(() => expectedDoubt(line, set, [0, 90, 180, 270]), [line, set])
  const use = () => {
    if (!offered) return
    onSet((s) => ({ ...s, angles: keepIds(s, offered) }))
  }
  const add = () => {
    const angle = angleTyped(typed, terms, set.angleAs)
    if (!angle.ok) return setFault(sayTrouble(angle.trouble))
    const { degrees } = angle
    if (set.angles.some((one) => one.degrees === degrees)) return setFault(setUpWords.isAlreadyThere(name(degrees)))
    if (set.angles.length >= 48) return setFault('Maximum 48 positions. Use a sweep for more.')
    setFault(undefined)
    setTyped('')
    onSet((s) => ({
      ...s,
      angles: [...s.angles, { id: `a${degrees}`, degrees }].sort((a, b) => a.degrees - b.degrees),
    }))
  }
  return (
    <section aria-label={setUpWords.anglesRead}>
      <h3>{setUpWords.anglesReadFromTheTop(sideName('far', terms))}</h3>
      <Row>
        {set.angles.map((angle) => (
          <Chip key={angle.id}>
            {name(angle.degrees)}
            <Button
              look="quiet"
              aria-label={setUpWords.remove(name(angle.degrees))}
              isDisabled={frozen}
              onPress={() => onSet((s) => ({ ...s, angles: s.angles.filter((one) => one.id !== angle.id) }))}
            >
              <X size={14} />
            </Button>
          </Chip>
        ))}
        {frozen ? null : (
          <>
            <Input
              aria-label={clock ? setUpWords.anotherAngleByTheClock : setUpWords.anotherAngleDegrees}
              placeholder={clock ? '1:30' : '45°'}
              style={{ width: 88 }}
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
              onKeyDown={(event) => {
                if (event.key === 'Enter') add()
              }}
            />
            <Button onPress={add}>{setUpWords.addTheAngle}</Button>
          </>
        )}
      </Row>
      {fault ? <Fault role="alert">{fault}</Fault> : null}
      {frozen ? null : (
        <Row style={{ marginTop: 12 }}>
          <Field label={setUpWords.howFarTheShaftsCan}>
            <Select value={way} options={[...ways]} onPick={setWay} />
          </Field>
          {way === 'part' ? (
            <>
              <Field label={setUpWords.fromDegrees}>
                <Input style={{ width: 88 }} value={from} onChange={(event) => setFrom(event.target.value)} />
              </Field>
              <Field label={setUpWords.overDegrees}>
                <Input style={{ width: 88 }} value={over} onChange={(event) => setOver(event.target.value)} />
              </Field>
            </>
          ) : null}
          <Button onPress={use} isDisabled={!offered}>
            {setUpWords.useTheseAngles}
          </Button>
          <Muted role="status">{costOf(expected, whole, unit)}</Muted>
        </Row>
      )}
    </section>
  )
}

/** Angles by degrees; one that is there already keeps its id, and with it its readings. */
const keepIds = (set: ReadSet, degrees: readonly number[]): ReadSet['angles'] =>
  anglesOf(degrees).map((angle) => set.angles.find((one) => one.degrees === angle.degrees) ?? angle)

/** What reading at these angles would come to, in words. */
function costOf(expected: Expected | undefined, whole: Expected, unit: 'mm' | 'mil'): string {
  if (!expected) return setUpWords.giveAnArcOf5
  if (expected.sd === undefined) return whole.sd === undefined ? '' : setUpWords.onTheirOwnTheseDo
  const told = (sd: number) => lengthWithUnit(2 * sd, { unit, resolution: 0.001 })
  if (whole.sd === undefined || expected.sd < 1.3 * whole.sd) return setUpWords.leastCertainFoot(told(expected.sd))
  return setUpWords.theLeastSureFootComes(told(expected.sd), told(whole.sd))
}
