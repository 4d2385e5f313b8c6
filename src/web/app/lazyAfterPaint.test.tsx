// @vitest-environment happy-dom
import { act, cleanup, render, screen } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { lazyAfterPaint } from './lazyAfterPaint'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => {
  cleanup()
  vi.useRealTimers()
})

const Part = ({ text }: { text: string }) => <p>{text}</p>
const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms))

it('draws a part once the rest stands, and at once the next time', async () => {
  const fetch = vi.fn(async () => Part)
  const Later = lazyAfterPaint(fetch, 100)
  render(<Later text="below" />)
  await pass(99)
  expect(screen.queryByText('below')).toBeNull()
  await pass(1)
  expect(screen.getByText('below')).toBeDefined()
  cleanup()
  render(<Later text="again" />)
  expect(screen.getByText('again')).toBeDefined()
  expect(fetch).toHaveBeenCalledTimes(1)
})

it('leaves the screen as it is while a part cannot be fetched, and asks again', async () => {
  let tries = 0
  const Later = lazyAfterPaint(async () => {
    if (++tries < 3) throw new TypeError('Failed to fetch dynamically imported module')
    return Part
  }, 100)
  render(
    <main>
      <b>typed</b>
      <Later text="below" />
    </main>,
  )
  await pass(100)
  expect(tries).toBe(1)
  expect(screen.getByText('typed')).toBeDefined()
  await pass(5000)
  expect(screen.queryByText('below')).toBeNull()
  await pass(5000)
  expect(screen.getByText('below')).toBeDefined()
})

it('asks no more once its screen was left', async () => {
  const fetch = vi.fn(async (): Promise<typeof Part> => Promise.reject(new Error('away')))
  const Later = lazyAfterPaint(fetch, 100)
  const { unmount } = render(<Later text="below" />)
  await pass(100)
  unmount()
  await pass(60_000)
  expect(fetch).toHaveBeenCalledTimes(1)
})
