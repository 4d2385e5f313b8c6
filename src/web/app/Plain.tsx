import { Component, type ReactNode } from 'react'
import { Link, useLocation } from 'react-router'
import styled from 'styled-components'
import { appWords } from '../../words/page/app'
import { isGone, NewVersion } from './NewVersion'

const Middle = styled.main`max-width: 560px; margin: 12vh auto; padding: 0 24px; display: grid; gap: 12px;
  > a { min-height: 44px; display: flex; align-items: center; }`

export const Waiting = () => <Middle aria-busy="true">{appWords.oneMoment}</Middle>

export const NotHere = () => (
  <Middle>
    <h1>{appWords.thisPageDoesNotExist}</h1>
    <Link to="/">{appWords.goToFloor}</Link>
  </Middle>
)

/** A screen that could not be shown; what was typed is in the drawer and comes back. */
function Failed({ error }: { error: unknown }) {
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

class Boundary extends Component<{ place: string; children: ReactNode }, { failed: { error: unknown } | undefined }> {
  override state: { failed: { error: unknown } | undefined } = { failed: undefined }

  static getDerivedStateFromError(error: unknown) {
    return { failed: { error } }
  }

  override componentDidUpdate(before: { place: string }): void {
    if (before.place !== this.props.place && this.state.failed) this.setState({ failed: undefined })
  }

  override render(): ReactNode {
    return this.state.failed ? <Failed error={this.state.failed.error} /> : this.props.children
  }
}

/** Stands round every screen; one that failed is left by going to another. */
export function ScreenBoundary({ children }: { children: ReactNode }) {
  const { pathname } = useLocation()
  return <Boundary place={pathname}>{children}</Boundary>
}
