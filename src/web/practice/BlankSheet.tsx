import { useEffect } from 'react'
import { createPortal } from 'react-dom'
import styled, { createGlobalStyle } from 'styled-components'
import { plottingWords as words } from '../../words/plotting'
import { practiceWords } from '../../words/practice'
import { useSettings } from '../app/settings'
import { SquaredPaper } from './SquaredPaper'

const Alone = createGlobalStyle`
  @media print { @page { size: A4 landscape; margin: 12mm; } body > *:not(#blank-sheet) { display: none !important; } }
`
const Sheet = styled.section`
  display: none; background: #fff; color: #000;
  @media print { display: block; --rule: #777; --ink: #000; --muted: #333; h1 { font-size: 16pt; margin: 0; } p { margin: 2pt 0 6pt; font-size: 10pt; } svg { max-height: 160mm; } }
`

/** A sheet of squared paper on a page of its own, in the unit that is shown; gone once it was printed. */
export function BlankSheet({ done }: { done: () => void }) {
  const { unit } = useSettings()
  useEffect(() => {
    window.addEventListener('afterprint', done, { once: true })
    window.print()
    return () => window.removeEventListener('afterprint', done)
  }, [done])
  return createPortal(
    <Sheet id="blank-sheet" aria-label={words.blankTitle}>
      <Alone />
      <h1>{words.blankTitle}</h1>
      <p>
        {unit === 'mil' ? words.blankInch : words.blankMetric} {words.blankHelp}
      </p>
      <SquaredPaper squares={{ along: 60, up: 18, from: 0 }} label={words.blankTitle} />
      <p>{practiceWords.practiceOnly}</p>
    </Sheet>,
    document.body,
  )
}
