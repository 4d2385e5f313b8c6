import { pages } from '../../kinds'
import { useJobFrame } from './context'

/** A step that every kind of line does in its own way. */
export function KindStep({ step }: { step: 'line' | 'read' | 'move' }) {
  const { document } = useJobFrame()
  const Step = pages[document.line.kind].steps[step]
  return <Step />
}
