import { labels, t } from './language'

/** What is the matter with a file that should be a signed revision. */
export const verifyFaultTexts = labels({
  'not-json': 'this is no JSON document.',
  'not-a-revision': 'this is no signed revision of Vane Peg.',
  changed: 'it was changed after it was signed: its SHA-256 does not agree.',
  'other-result': 'its document is as it was signed, but it does not give the result that stands in it.',
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
    same: t`Solved again it gives the same result.`,
    'older-program': t`It was solved by another version of the arithmetic, so its result was not compared.`,
    'no-result': t`Too little was read for a result.`,
  }[solvedAgain]
  const file = exact ? '' : t` The file is not letter for letter as it was handed out; what it says is the same.`
  return t`Unchanged: job ${job.number}, ${document.line.name}, revision ${revision.revision}, signed by ${signed.doneBy}${checked}, ${signed.at}. ${again}${file} SHA-256 ${revision.sha256}`
}
