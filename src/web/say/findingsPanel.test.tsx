// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { type FindingItem, FindingsPanel } from './FindingsPanel'

afterEach(cleanup)

const item = (key: string, said: FindingItem['said']): FindingItem => ({ key, peg: 'nothing', said, acts: [] })
const first = item('first', { title: 'First.', detail: 'Why it comes first.' })
const card = (title: string) => within(screen.getByRole('heading', { name: title }).closest('article')!)

describe('the panel of findings', () => {
  it('explains the most urgent card, and the others when somebody asks', () => {
    render(<FindingsPanel items={[first, item('second', { title: 'Second.', detail: 'Read it again.' })]} />)
    expect(card('First.').getByText('Why it comes first.')).toBeTruthy()
    expect(card('First.').queryByRole('button')).toBeNull()
    expect(card('Second.').queryByText('Read it again.')).toBeNull()
    const details = card('Second.').getByRole('button', { name: 'Details' })
    fireEvent.click(details)
    expect(card('Second.').getByText('Read it again.')).toBeTruthy()
    fireEvent.click(card('Second.').getByRole('button', { name: 'Hide details' }))
    expect(card('Second.').queryByText('Read it again.')).toBeNull()
  })

  it('never folds a result, which carries a figure with its unit', () => {
    for (const detail of [
      '0.14 mm offset.',
      '3 mil at the back feet.',
      'Turned by 0.52°.',
      '19 % of its tolerance used.',
    ]) {
      render(<FindingsPanel items={[first, item('second', { title: 'Second.', detail })]} />)
      expect(card('Second.').getByText(detail)).toBeTruthy()
      expect(card('Second.').queryByRole('button')).toBeNull()
      cleanup()
    }
  })

  it('never folds a caution, wherever its card stands', () => {
    const said = { title: 'Next: wall.', detail: 'Turn on.', caution: 'Keep hands clear.', working: ['A line.'] }
    render(<FindingsPanel items={[first, item('second', { title: 'Second.' }), item('third', said)]} />)
    expect(card('Next: wall.').getByText('Keep hands clear.')).toBeTruthy()
    expect(card('Next: wall.').queryByText('Turn on.')).toBeNull()
    fireEvent.click(card('Next: wall.').getByRole('button', { name: 'Show working' }))
    expect(card('Next: wall.').getByText('Turn on.')).toBeTruthy()
    expect(card('Next: wall.').getByText('A line.')).toBeTruthy()
  })
})
