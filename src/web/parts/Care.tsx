import type { DialHabit } from '../../core/kit/schema'
import { careWords, dialCare, habitCare } from '../../words/care'
import { Fold } from './Fold'

/** How what reads is handled, folded where it is handled. */
export const Care = ({ of, habit }: { of: 'plunger' | 'lever' | 'head'; habit?: DialHabit | undefined }) => (
  <Fold title={of === 'head' ? careWords.headTitle : careWords.title}>
    <ol style={{ margin: 0, paddingLeft: 22, display: 'grid', gap: 6 }}>
      {dialCare[of].map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ol>
    {habit ? <p>{habitCare[habit]}</p> : null}
  </Fold>
)
