import { provedOf, typingOpen } from '../../core/job/proved'
import { samePerson } from '../../core/people/roles'
import { openKey } from '../../core/prove/proof'
import { isReason } from '../../core/prove/reason'
import { solveAsLeft } from '../../planner/solveAsLeft'
import { type DraftJob, instrumentsIn, type Pictures } from '../../print/draft'
import { sheetPdf } from '../../print/tagged'
import { nextTold } from '../../record/next'
import {
  canonical,
  programNow,
  type Revision,
  recordOfRevision,
  type SealedRevision,
  seal,
} from '../../record/revision'
import { proofTerms, sayOpen } from '../../words/prove'
import { sha256 } from '../sha256'

/** Who signs, and why what is open may stay so, by its key. */
export interface SignAsk {
  doneBy: string
  checkedBy: string
  unit: 'mm' | 'mil'
  accepted: readonly { key: string; because: string }[]
  /** The accounts behind the initials, where the site has a door. */
  accounts?: { doneBy: string; checkedBy?: string }
}

/** What a signature is made from. */
export interface ToSign extends DraftJob {
  id: string
  revision: number
  /** ISO date and time. */
  at: string
}

interface Refused {
  ok: false
  path: string
  message: string
}

export type SignOutcome = { ok: true; content: string; sha256: string; pdf: Uint8Array } | Refused

/** Signs a job: seals its document, what it comes to and who stands for it, and prints the record; or says what is in the way. */
export async function signed(job: ToSign, ask: SignAsk): Promise<SignOutcome> {
  const outcome = await sealed(job, ask)
  if (!outcome.ok) return outcome
  const { revision } = outcome
  return {
    ok: true,
    content: canonical(revision),
    sha256: revision.sha256,
    pdf: await revisionPdf(revision, job.pictures),
  }
}

/** The revision that a signature makes, sealed; or what is in the way. */
export async function sealed(
  job: Omit<ToSign, 'pictures'>,
  ask: SignAsk,
): Promise<{ ok: true; revision: SealedRevision } | Refused> {
  const { document, site } = job
  const doneBy = ask.doneBy.trim()
  const checkedBy = ask.checkedBy.trim()
  if (doneBy === '') return refused('doneBy', 'Enter who did the job.')
  if (site.checkedByAnother && (checkedBy === '' || samePerson(checkedBy, doneBy)))
    return refused('checkedBy', 'This site requires a second person to check the job. Enter who checked it.')
  const typing = typingOpen(document)
  if (typing > 0)
    return refused(
      'document',
      typing === 1
        ? '1 reading is not a number. Correct it or clear it first.'
        : `${typing} readings are not numbers. Finish or clear them first.`,
    )
  const { proof, rounds } = provedOf(document)
  const terms = proofTerms(document.line, { unit: ask.unit, resolution: rounds.at(-1)?.resolution ?? 0.01 })
  const accepted = proof.open.map((open) => {
    const said = ask.accepted.find(({ key }) => key === openKey(open))
    return { what: sayOpen(open, terms).title, because: said?.because.trim() ?? '' }
  })
  const unsaid = accepted.find(({ because }) => !isReason(because))
  if (unsaid) return refused('accepted', `Resolve this, or accept it with a reason of a few words: ${unsaid.what}`)
  const revision: Revision = {
    format: 'vane-peg.revision',
    version: 1,
    job: { id: job.id, number: job.number },
    revision: job.revision,
    program: programNow,
    signed: {
      doneBy,
      checkedBy,
      at: job.at,
      unit: ask.unit,
      accepted,
      ...(ask.accounts ? { accounts: ask.accounts } : {}),
    },
    site: { name: site.name, mark: site.mark },
    instruments: instrumentsIn(document, job.kit),
    next: nextTold(document.line, job.line, ask.unit) ?? null,
    document,
    result: await solveAsLeft(document),
  }
  return { ok: true, revision: seal(revision, sha256) }
}

const refused = (path: string, message: string): Refused => ({ ok: false, path, message })

/** The printed record of a revision: the same bytes whenever it is made. */
export const revisionPdf = async (revision: SealedRevision, pictures: Pictures): Promise<Uint8Array> =>
  sheetPdf(recordOfRevision(revision), new Date(revision.signed.at), pictures)
