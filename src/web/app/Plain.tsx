import { Link, useRouteError } from 'react-router'
import styled from 'styled-components'
import { isGone, NewVersion } from './NewVersion'

const Middle = styled.main`max-width: 560px; margin: 12vh auto; padding: 0 24px; display: grid; gap: 12px;`

export const Waiting = () => <Middle aria-busy="true">One moment.</Middle>

export const NotHere = () => (
  <Middle>
    <h1>There is nothing at this address.</h1>
    <Link to="/">To the floor</Link>
  </Middle>
)

/** A screen that could not be shown; what was typed is in the drawer and comes back. */
export function Failed() {
  const error = useRouteError()
  if (isGone(error)) return <NewVersion />
  return (
    <Middle role="alert">
      <h1>This screen could not be shown.</h1>
      <p>{error instanceof Error ? error.message : 'Something went wrong.'}</p>
      <p>Nothing you typed is lost: it is kept on this device and comes back when the screen does.</p>
      <a href={window.location.pathname}>Try again</a>
      <Link to="/">To the floor</Link>
    </Middle>
  )
}
