// @vitest-environment happy-dom
import { cleanup, render, screen, waitFor } from '@testing-library/react'
import { Component, type ReactNode } from 'react'
import { afterEach, expect, it, vi } from 'vitest'
import { part } from './part'

afterEach(cleanup)

const Here = ({ text }: { text: string }) => <p>{text}</p>
const Meanwhile = () => <i>One moment</i>

it('stands for a part until it is fetched, and fetches it once', async () => {
  const fetch = vi.fn(async () => Here)
  const Part = part(fetch, Meanwhile)
  render(<Part text="read" />)
  expect(screen.getByText('One moment')).toBeDefined()
  await screen.findByText('read')
  cleanup()
  render(<Part text="again" />)
  expect(screen.getByText('again')).toBeDefined()
  expect(fetch).toHaveBeenCalledTimes(1)
})

it('is there at once where it was fetched before', async () => {
  const Part = part(async () => Here, Meanwhile)
  Part.prefetch()
  await new Promise((next) => setTimeout(next))
  render(<Part text="read" />)
  expect(screen.getByText('read')).toBeDefined()
})

class Failed extends Component<{ children: ReactNode }, { error?: Error }> {
  override state: { error?: Error } = {}
  static getDerivedStateFromError = (error: Error) => ({ error })
  override render = () => (this.state.error ? <b>{this.state.error.message}</b> : this.props.children)
}

it('tells why it could not be had, and asks again when it is shown again', async () => {
  const quiet = vi.spyOn(console, 'error').mockImplementation(() => undefined)
  let there = false
  const Part = part(async () => {
    if (!there) throw new Error('not reached')
    return Here
  })
  const shown = () =>
    render(
      <Failed>
        <Part text="read" />
      </Failed>,
    )
  shown()
  await waitFor(() => expect(screen.getByText('not reached')).toBeDefined(), { timeout: 3000 })
  there = true
  cleanup()
  shown()
  await screen.findByText('read')
  quiet.mockRestore()
})
