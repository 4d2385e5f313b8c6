import { labels, t } from './language'

/** What is the matter with a file that should be a signed revision. */
export const verifyFaultTexts = labels({
  'not-json': 'not a JSON document.',
  'not-a-revision': 'not a signed Vane Peg revision.',
  changed: 'changed after signing: the SHA-256 does not match.',
  'other-result': 'the document is as signed, but solving it does not give the stored result.',
} as const)

/** That a revision is as it was signed, by whom and when. */
export function sayVerified(
  revision: {
    revision: number
    job: { number: number }
    document: { line: { name: string } }
    signed: { doneBy: string; checkedBy: string; at: string }
    sha256: string
  },
  solvedAgain: 'same' | 'older-program' | 'no-result',
  exact: boolean,
): string {
  const { job, signed, document } = revision
  const checked = signed.checkedBy ? t`, checked by ${signed.checkedBy}` : ''
  const again = {
    same: t`Solving it again gives the same result.`,
    'older-program': t`It was solved by a different calculation version, so the result was not compared.`,
    'no-result': t`Not enough readings for a result.`,
  }[solvedAgain]
  const file = exact ? '' : t` The file is formatted differently from the export; its content is identical.`
  return t`Unchanged: job ${job.number}, ${document.line.name}, revision ${revision.revision}, signed by ${signed.doneBy}${checked}, ${signed.at}. ${again}${file} SHA-256 ${revision.sha256}`
}
