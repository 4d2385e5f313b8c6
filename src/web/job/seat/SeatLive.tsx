import { useState } from 'react'
import type { FootState } from '../../../core/device/protocol'
import type { Seat } from '../../../core/seat/schema'
import { comesBackWithin, nextOf, riseOf, type Watched } from '../../../core/seat/watch'
import { seatWords as words } from '../../../words/page/seat'
import { capital, lengthWithUnit } from '../../../words/terms'
import { OneNumber } from '../../device/OneNumber'
import { Choices, Fault, Muted } from '../../parts/controls'
import { Fold } from '../../parts/Fold'

interface Props {
  /** The same name meets the same simulated rig. */
  seed: string
  /** The foot whose turn it is, in the order of the bolts; none once all are read. */
  foot: { id: string; name: string } | undefined
  unit: 'mm' | 'mil'
  coupling: Seat['coupling']
  onCoupling: (coupling: NonNullable<Seat['coupling']>) => void
  /** What the foot rose by, mm. */
  onRise: (foot: string, mm: number) => void
}

const stateWords: Readonly<Record<FootState, string>> = words.boltIs

/** Soft foot followed live: a dial on top of each foot, taken at rest, with its bolt loosened, and tightened again. */
export function SeatLive({ seed, foot, unit, coupling, onCoupling, onRise }: Props) {
  const [watched, watch] = useState<{ foot: string; seen: Watched }>()
  const [told, tell] = useState<{ text: string; slipped: boolean }>()
  const terms = { unit, resolution: 0.01 }
  // a foot that was begun is ended, though its rise already stands among the others
  const [name, setName] = useState('')
  const going = watched && nextOf(watched.seen) ? watched : undefined
  const id = going?.foot ?? foot?.id
  const title = going ? name : (foot?.name ?? '')
  const state = nextOf(going?.seen ?? {})
  const take = (mm: number) => {
    if (id === undefined || state === undefined) return
    const seen = { ...going?.seen, [state]: mm }
    watch({ foot: id, seen })
    setName(title)
    const { rise, back } = riseOf(seen)
    if (state === 'loosened' && rise !== undefined) onRise(id, rise)
    if (rise === undefined || back === undefined) return tell(undefined)
    const slipped = Math.abs(back) > comesBackWithin
    tell({
      slipped,
      text: slipped
        ? words.didNotComeBack(title, lengthWithUnit(Math.abs(back), terms))
        : words.roseBy(capital(title), lengthWithUnit(rise, terms)),
    })
  }
  return (
    <Fold title={words.followedLive} open={coupling !== undefined}>
      <Choices
        label={words.couplingMeanwhile}
        value={coupling ?? ''}
        options={[
          { value: 'open', text: words.couplingOpen },
          { value: 'connected', text: words.couplingConnected },
        ]}
        onChange={(value) => value && onCoupling(value)}
      />
      {coupling === 'connected' ? <Fault role="status">{words.couplingHolds}</Fault> : null}
      <OneNumber
        seed={seed}
        unit={unit}
        resolution={0.01}
        onTake={take}
        next={
          id === undefined || state === undefined
            ? undefined
            : {
                key: `${id} ${state}`,
                place: `${title}, ${stateWords[state]}`,
                commands: [{ type: 'aim', touch: 'foot', of: id, bolt: state }],
              }
        }
      />
      {told ? told.slipped ? <Fault role="alert">{told.text}</Fault> : <p role="status">{told.text}</p> : null}
      <Muted>{words.liveCaution}</Muted>
    </Fold>
  )
}
