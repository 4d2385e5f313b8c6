import { turnsOfJack } from '../../core/practice/pushing'
import { bears, type Jack, type SlideEnd, type SlideHands, slideSides } from '../../core/practice/slide'
import { jackNames, slideSideNames, pushingWords as words } from '../../words/pushing'
import { Button, Muted } from '../parts/controls'
import { type Lengths, useLengths } from './lengths'
import { Row } from './page'

/** The two jack bolts at an end of a machine: turned by hand until they bear, pushed, backed off. */
export const JackRows = (props: {
  hands: SlideHands
  end: SlideEnd
  act: (one: { do: 'touch'; jack: Jack } | { do: 'turn'; jack: Jack; by: number }) => void
}) => {
  const { hands, end, act } = props
  const { told, unit } = useLengths()
  return (
    <>
      {slideSides.map((side) => {
        const jack: Jack = `${end}-${side}`
        const stands = Math.abs(hands.tips[jack] - hands.at[end])
        return (
          <Row key={side} role="group" aria-label={jackNames[jack]}>
            <span style={{ minWidth: 250 }}>
              <b>{words.jack(slideSideNames[side])}</b>{' '}
              <Muted>{bears(hands, jack) ? words.bearing : words.off(told(stands))}</Muted>
            </span>
            <Button onPress={() => act({ do: 'touch', jack })}>{words.touch}</Button>
            {turnsOfJack[unit].map((by) => (
              <Button key={by} onPress={() => act({ do: 'turn', jack, by })}>
                {by > 0 ? words.in(told(by, Math.min(by, 0.1))) : words.out(told(-by, 0.1))}
              </Button>
            ))}
          </Row>
        )
      })}
      <Muted>{words.pinch}</Muted>
    </>
  )
}

/** How far each end of the machine is from where it should be, in words. */
export const tooFar = (mm: number, { told }: Lengths): string =>
  words.tooFar(told(Math.abs(mm)), slideSideNames[mm < 0 ? 'near' : 'far'])
