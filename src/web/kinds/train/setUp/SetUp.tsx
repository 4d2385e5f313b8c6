import { Plus } from 'lucide-react'
import { type KeyboardEvent, useEffect, useRef, useState } from 'react'
import styled from 'styled-components'
import { halved, withoutProbe } from '../../../../core/kinds/train/document/alter'
import { towardOf } from '../../../../core/kinds/train/document/make'
import type { Line } from '../../../../core/kinds/train/document/schema'
import type { Stations } from '../../../../core/kinds/train/document/stations'
import { goesRound, type ProbeType, probeKinds } from '../../../../core/probes'
import { emptyQuantity, type Quantity, quantityMm } from '../../../../core/quantity/quantity'
import { fromMm } from '../../../../core/quantity/units'
import { lengthUnitFor } from '../../../../core/quantity/usual'
import { makeProbe } from '../../../../core/shafts/make'
import type { ProbeSetUp as Probe, ReadSet } from '../../../../core/shafts/schema'
import { probeWords } from '../../../../words/probes'
import { capital, inText, unitName } from '../../../../words/terms'
import { setUpWords } from '../../../../words/train/page/setUp'
import { focusIsFree } from '../../../app/focus'
import { newId } from '../../../app/newId'
import { Button, Card } from '../../../parts/controls'
import { QuantityField } from '../../../parts/Quantity'
import { Angles } from './Angles'
import { HowRead } from './HowRead'
import { ProbeSetUp } from './ProbeSetUp'

const Sheet = styled(
  Card,
)`display: grid; gap: 16px; margin-bottom: 16px; h3 { font-size: 15px; display: flex; align-items: center; gap: 12px; justify-content: space-between; margin-bottom: 6px; }`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px; align-items: center;`

interface Props {
  set: ReadSet
  line: Line
  stations: Stations
  unit: 'mm' | 'mil'
  frozen: boolean
  onSet: (change: (set: ReadSet) => ReadSet, mark?: string) => void
  onDial: (dialId: string, change: (dial: Probe) => Probe, mark?: string) => void
  /** All that is needed is entered: on to the first reading. */
  onDone: () => void
}

/** What readings can't do without, empty or not, in the order of the page. */
const neededIn = (sheet: Element): HTMLInputElement[] => [
  ...sheet.querySelectorAll<HTMLInputElement>('[data-needed] input'),
]

/** What may be added to a set of each kind; to one of one's own choosing, anything. */
const added: Readonly<Record<ReadSet['method'], readonly ProbeType[]>> = {
  'reverse-dial': ['rim'],
  'rim-face': ['rim', 'face'],
  'rim-two-faces': ['rim', 'face'],
  'twin-heads': ['beam', 'rim'],
  'two-plane-head': ['beam2', 'rim'],
  'prism-head': ['prism', 'rim'],
  result: [],
  'bore-dials': ['bore'],
  own: ['rim', 'face', 'beam', 'bore'],
}

/** What hangs on the shafts, how it is read, and where. */
export function SetUp({ set, line, stations, unit, frozen, onSet, onDial, onDone }: Props) {
  const sheet = useRef<HTMLDivElement>(null)
  // whoever has keys begins where the first number is wanted; on glass a keyboard would jump up
  useEffect(() => {
    if (!sheet.current || !focusIsFree() || !matchMedia('(pointer: fine)').matches) return
    neededIn(sheet.current)
      .find(({ value }) => value === '')
      ?.focus({ preventScroll: true })
  }, [])
  const onward = (event: KeyboardEvent<HTMLDivElement>) => {
    if (event.key !== 'Enter' || !(event.target instanceof HTMLInputElement)) return
    const needed = neededIn(event.currentTarget)
    const at = needed.indexOf(event.target)
    if (at < 0) return
    event.preventDefault()
    const next = needed[at + 1]
    if (next) next.focus()
    else onDone()
  }
  const left = line.couplings.findIndex((coupling) => coupling.id === set.coupling)
  const beside = line.machines.slice(left, left + 2)
  return (
    <Sheet ref={sheet} aria-label={setUpWords.dialsAndBrackets} onKeyDown={onward}>
      <HowRead set={set} line={line} unit={unit} frozen={frozen} onSet={onSet} />
      {set.probes.map((probe) => (
        <ProbeSetUp
          key={probe.id}
          set={set}
          probe={probe}
          line={line}
          stations={stations}
          unit={unit}
          frozen={frozen}
          onProbe={(change, mark) => onDial(probe.id, change, mark)}
          {...(set.probes.length > 1 ? { onRemove: () => onSet((s) => withoutProbe(line, s, probe.id)) } : {})}
        />
      ))}
      {frozen ? null : <DialToDial set={set} line={line} unit={unit} onSet={onSet} />}
      {!frozen && set.probes.length < 6 ? (
        <Row>
          {added[set.method].flatMap((type) =>
            beside.map((machine) => (
              <Button
                key={`${type}-${machine.id}`}
                onPress={() =>
                  onSet((s) => ({
                    ...s,
                    probes: [
                      ...s.probes,
                      makeProbe({
                        type,
                        on: machine.id,
                        coupling: s.coupling,
                        toward: towardOf(line, s.coupling, machine.id),
                        id: newId('p'),
                        unit,
                      }),
                    ],
                  }))
                }
              >
                <Plus size={16} aria-hidden="true" />
                {setUpWords.onThe(capital(probeWords[type].name), inText(machine.name))}
              </Button>
            )),
          )}
        </Row>
      ) : null}
      {set.probes.some(goesRound) ? <Angles set={set} line={line} unit={unit} frozen={frozen} onSet={onSet} /> : null}
    </Sheet>
  )
}

/** The tape from one dial to the other, and half of it as the coupling's center. */
function DialToDial({ set, line, unit, onSet }: Pick<Props, 'set' | 'line' | 'unit' | 'onSet'>) {
  const length = lengthUnitFor(unit)
  const [across, setAcross] = useState<Quantity>(emptyQuantity(length))
  const c = line.couplings.findIndex(({ id }) => id === set.coupling)
  const on = (machine: number) =>
    set.probes.filter((probe) => probe.on === line.machines[machine]?.id && probeKinds[probe.type].stations > 0)
  const [left, right] = [on(c), on(c + 1)]
  const [one, other] = [left[0], right[0]]
  if (!one || !other || left.length + right.length !== 2) return null
  const mm = quantityMm(across)
  // to the tenth of a millimeter or the thousandth of an inch: half of an odd number is not rounded away
  const half =
    mm === undefined
      ? undefined
      : `${Number(fromMm(Math.abs(mm) / 2, length).toFixed(length === 'mm' ? 1 : 4))} ${unitName[length]}`
  return (
    <Row>
      <QuantityField label={setUpWords.orDialToDial} quantity={across} unit={length} onChange={setAcross} />
      <Button isDisabled={half === undefined} onPress={() => onSet((s) => halved(s, one.id, other.id, across))}>
        {half === undefined ? setUpWords.splitItCouplingInThe : setUpWords.couplingInTheMiddleTo(half)}
      </Button>
    </Row>
  )
}
