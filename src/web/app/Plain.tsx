import { Link, useRouteError } from 'react-router'
import styled from 'styled-components'
import { appWords } from '../../words/page/app'
import { isGone, NewVersion } from './NewVersion'

const Middle = styled.main`max-width: 560px; margin: 12vh auto; padding: 0 24px; display: grid; gap: 12px;`

export const Waiting = () => <Middle aria-busy="true">{appWords.oneMoment}</Middle>

export const NotHere = () => (
  <Middle>
    <h1>{appWords.thisPageDoesNotExist}</h1>
    <Link to="/">{appWords.goToFloor}</Link>
  </Middle>
)

/** A screen that could not be shown; what was typed is in the drawer and comes back. */
export function Failed() {
  const error = useRouteError()
  if (isGone(error)) return <NewVersion />
  return (
    <Middle role="alert">
      <h1>{appWords.thisScreenFailedToLoad}</h1>
      <p>{error instanceof Error ? error.message : appWords.somethingWentWrong}</p>
      <p>{appWords.nothingYouTypedIsLost}</p>
      <a href={window.location.pathname}>{appWords.tryAgain}</a>
      <Link to="/">{appWords.goToFloor}</Link>
    </Middle>
  )
}
