import { Suspense } from 'react'
import { Waiting } from '../../app/Plain'
import { pages } from '../../kinds'
import { useJobFrame } from './context'

/** A step that every kind of line does in its own way. */
export function KindStep({ step }: { step: 'line' | 'read' | 'move' }) {
  const { document } = useJobFrame()
  const Step = pages[document.line.kind].steps[step]
  return (
    <Suspense fallback={<Waiting />}>
      <Step />
    </Suspense>
  )
}
