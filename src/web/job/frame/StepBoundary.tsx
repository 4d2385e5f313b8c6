import { Component, type ReactNode } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import type { AnyJob } from '../../../core/kinds'
import { jobWords } from '../../../words/page/job'
import { isGone, NewVersion } from '../../app/NewVersion'
import type { DocumentSession } from '../../notebook/notebook'
import { Button } from '../../parts/controls'
import { jobPath, steps } from '../steps'

const Sheet = styled.main`padding: 24px; display: grid; gap: 14px; justify-items: start; max-width: 640px; h1 { font-size: 22px; } nav { display: flex; flex-wrap: wrap; gap: 6px 18px; } nav a { padding: 10px 0; }`

interface Props {
  notebook: DocumentSession<AnyJob>
  /** The job's id, where the frame that leads to its steps is gone as well. */
  job?: string
  children: ReactNode
}

/**
 * Stands round what a step shows. Should it fail, nothing typed is lost: the other steps stay in reach, and the last change can
 * be undone.
 */
export class StepBoundary extends Component<Props, { error: unknown }> {
  override state: { error: unknown } = { error: undefined }

  static getDerivedStateFromError(error: unknown) {
    return { error: error ?? new Error(jobWords.somethingWentWrong) }
  }

  override render(): ReactNode {
    const { error } = this.state
    const { notebook, job } = this.props
    if (error === undefined) return this.props.children
    if (isGone(error)) return <NewVersion />
    const again = () => this.setState({ error: undefined })
    const { canUndo, status } = notebook.read()
    return (
      <Sheet id="bench" role="alert">
        <h1>{jobWords.thisStepFailedToLoad}</h1>
        <p>{jobWords.nothingYouTypedIsLost}</p>
        <p>
          {canUndo ? (
            <Button
              look="act"
              onPress={() => {
                notebook.undo()
                again()
              }}
            >
              {jobWords.undoTheLastChange}
            </Button>
          ) : status.kind === 'saved' ? null : (
            <Button
              look="act"
              onPress={() => {
                notebook.dropUnsaved()
                again()
              }}
            >
              {jobWords.revertToLastSaved}
            </Button>
          )}{' '}
          <Button onPress={again}>{jobWords.tryAgain}</Button>
        </p>
        {job ? (
          <nav aria-label={jobWords.steps}>
            {steps.map(({ step, name }) => (
              <Link key={step} to={jobPath(job, step)} onClick={again}>
                {name}
              </Link>
            ))}
            <Link to="/">{jobWords.floor}</Link>
          </nav>
        ) : null}
        <small>{error instanceof Error ? error.message : String(error)}</small>
      </Sheet>
    )
  }
}
