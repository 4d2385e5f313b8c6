import { useEffect } from 'react'
import styled from 'styled-components'
import { appWords } from '../../words/page/app'
import { Button } from '../parts/controls'

const Middle = styled.main`max-width: 560px; margin: 12vh auto; padding: 0 24px; display: grid; gap: 12px; justify-items: start;`

/** Whether an error is that of a part of the page which the server no longer has, or could not hand over. */
export const isGone = (error: unknown): boolean =>
  error instanceof Error &&
  /dynamically imported module|module script failed|importing a module|preload CSS|ChunkLoad/i.test(error.message)

const key = 'vane-peg:reloaded'

/** Seconds within which a page does not reload itself twice: a server that is down stays down. */
const patience = 20_000

/** An old tab after an upgrade: what was typed is kept in the browser, and the page comes back as the new one. */
export function NewVersion() {
  useEffect(() => {
    const last = Number(sessionStorage.getItem(key) ?? 0)
    if (Date.now() - last < patience) return undefined
    const timer = setTimeout(() => {
      sessionStorage.setItem(key, String(Date.now()))
      window.location.reload()
    }, 1500)
    return () => clearTimeout(timer)
  }, [])
  return (
    <Middle id="bench" role="alert">
      <h1>{appWords.aNewVersionIsAvailable}</h1>
      <p>{appWords.reloadToGetItNothing}</p>
      <Button look="act" onPress={() => window.location.reload()}>
        {appWords.reloadNow}
      </Button>
    </Middle>
  )
}
