import { Redo2, Undo2 } from 'lucide-react'
import { useEffect, useMemo } from 'react'
import styled from 'styled-components'
import type { Json } from '../../core/merge/merge'
import { sayTime } from '../../words/dates'
import { notebookWords } from '../../words/page/notebook'
import { capital, unitName } from '../../words/terms'
import { Button } from '../parts/controls'
import { Peg } from '../parts/Peg'
import type { DocumentSession, Status } from './notebook'
import { useDocumentSession } from './useNotebook'

const Line = styled.span`display: inline-flex; align-items: center; gap: 8px; min-width: 108px; white-space: nowrap;`

const told = (status: Status): string => {
  switch (status.kind) {
    case 'saved':
      return status.at ? notebookWords.saved(sayTime(status.at)) : notebookWords.saved2
    case 'saving':
      return notebookWords.saving
    case 'unreached':
      if (status.why) return notebookWords.notSaved
      return status.kept ? notebookWords.onThisDeviceCantReach : notebookWords.notSavedAnywhere
    case 'refused':
      return notebookWords.notSaved
    case 'clash':
      return notebookWords.conflictChooseOne
  }
}

/** Whether everything is stored, with undo and redo. */
export function Saved<T>({ notebook }: { notebook: DocumentSession<T> }) {
  const page = useDocumentSession(notebook)
  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return
      // what lies over the screen has undo of its own
      if (document.querySelector('[role="dialog"]')) return
      const letter = event.key.toLowerCase()
      if (letter === 'z' && !event.shiftKey) notebook.undo()
      else if (letter === 'y' || (letter === 'z' && event.shiftKey)) notebook.redo()
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', key)
    return () => window.removeEventListener('keydown', key)
  }, [notebook])
  const { status } = page
  const peg = status.kind === 'saved' ? 'within' : status.kind === 'saving' ? 'unsure' : 'outside'
  const { canUndo, canRedo } = page
  // as they were from keystroke to keystroke
  const back = useMemo(
    () => (
      <>
        <Button look="quiet" aria-label={notebookWords.undo} isDisabled={!canUndo} onPress={() => notebook.undo()}>
          <Undo2 size={18} />
        </Button>
        <Button look="quiet" aria-label={notebookWords.redo} isDisabled={!canRedo} onPress={() => notebook.redo()}>
          <Redo2 size={18} />
        </Button>
      </>
    ),
    [canUndo, canRedo, notebook],
  )
  return (
    <>
      {back}
      <Line role="status">
        <Peg peg={peg} size={12} label="" />
        {told(status)}
      </Line>
    </>
  )
}

export const Panel = styled.section`
  margin: 12px 20px; padding: 16px; border: 2px solid var(--outside); border-radius: 4px; background: var(--card); display: grid; gap: 12px;
  > div { display: flex; flex-wrap: wrap; align-items: center; gap: 12px; }
`

const notKept = notebookWords.thisBrowserCantStoreIt

/** What two tablets disagree about, and a refusal of the server; nothing is lost until a person has chosen. */
export function Clashes<T>({
  notebook,
  describe,
}: {
  notebook: DocumentSession<T>
  describe: (path: readonly string[]) => string
}) {
  const page = useDocumentSession(notebook)
  const { status } = page
  if (status.kind === 'refused')
    return (
      <Panel role="alert">
        <b>{notebookWords.theServerRejectedTheLast(status.kept ? 'Saved on this device.' : notKept)}</b>
        <span>{status.message}</span>
      </Panel>
    )
  if (status.kind === 'unreached' && status.why)
    return (
      <Panel role="alert">
        <b>{notebookWords.notStored(status.kept ? notebookWords.keptHere : notKept)}</b>
        <span>{status.why}</span>
      </Panel>
    )
  if (status.kind === 'unreached' && !status.kept)
    return (
      <Panel role="alert">
        <b>{notebookWords.theLastChangesAreNot}</b>
        <span>{notebookWords.cantReachTheServer(notKept)}</span>
      </Panel>
    )
  if (page.clashes.length === 0) return null
  return (
    <Panel role="alert" aria-label={notebookWords.conflictingChanges}>
      <b>{notebookWords.changedHereAndOnAnother('kept' in status && !status.kept ? ` ${notKept}` : '')}</b>
      {page.clashes.map((clash) => (
        <div key={clash.path.join('/')}>
          <span>{capital(describe(clash.path))}</span>
          <Button onPress={() => notebook.resolveConflict(clash, 'mine')}>
            {notebookWords.here(shown(clash.mine))}
          </Button>
          <Button onPress={() => notebook.resolveConflict(clash, 'theirs')}>
            {notebookWords.there(shown(clash.theirs))}
          </Button>
        </div>
      ))}
    </Panel>
  )
}

/** A value of a document, in words. */
export function shown(value: Json | undefined): string {
  if (value === undefined || value === null) return 'nothing'
  if (typeof value === 'object' && 'text' in value) return number(value)
  if (typeof value === 'object' && 'value' in value) return shown(value.value)
  return typeof value === 'object' ? notebookWords.thisVersion : String(value) || 'nothing'
}

/** A number as it was typed, with its unit. */
function number({ text, unit }: { readonly [key: string]: Json | undefined }): string {
  if (!text) return 'nothing'
  const typed = String(text).replace(/^-/, '−')
  return isUnit(unit) && !/[a-z"′″]/i.test(typed) ? `${typed} ${unitName[unit]}` : typed
}

const isUnit = (unit: Json | undefined): unit is keyof typeof unitName => typeof unit === 'string' && unit in unitName
