// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { Remove } from './Remove'

afterEach(cleanup)

describe('taking something away', () => {
  const show = () => {
    const gone = vi.fn()
    render(<Remove label="Delete round 2" act="Delete it" goes="This also removes its 2 sets." onRemove={gone} />)
    return gone
  }
  const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }))
  it('says what goes with it before anything goes', () => {
    const gone = show()
    expect(screen.queryByText('This also removes its 2 sets.')).toBeNull()
    press('Delete round 2')
    expect(screen.getByRole('status').textContent).toBe('This also removes its 2 sets.')
    expect(gone).not.toHaveBeenCalled()
    press('Delete it')
    expect(gone).toHaveBeenCalledOnce()
    expect(screen.getByRole('button', { name: 'Delete round 2' })).toBeTruthy()
  })
  it('is called off as easily', () => {
    const gone = show()
    press('Delete round 2')
    press('Cancel')
    expect(gone).not.toHaveBeenCalled()
    expect(screen.queryByRole('status')).toBeNull()
  })
})
