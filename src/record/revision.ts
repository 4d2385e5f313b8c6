import canonicalize from 'canonicalize'
import { coreVersion } from '../core/job/summary'
import type { AnyJob } from '../core/kinds'
import type { Sheet } from './blocks'
import type { NextTold } from './next'
import { recordOf } from './record'

/** A signed revision of a job: everything that was signed, as it stood, in one open document. */
export interface Revision {
  format: 'vane-peg.revision'
  version: 1
  job: { id: string; number: number }
  revision: number
  /** Version of the arithmetic that the result was made with. */
  program: { core: number }
  signed: {
    doneBy: string
    checkedBy: string
    /** ISO date and time. */
    at: string
    unit: 'mm' | 'mil'
    accepted: readonly { what: string; because: string }[]
    /** The accounts that stand behind the initials, each by its own PIN; left out where the site has no door. */
    accounts?: { doneBy: string; checkedBy?: string }
  }
  site: { name: string; mark: string }
  /** The kit that was used, as it stood: day the calibration is due, or none. */
  instruments: readonly { id: string; name: string; due: string }[]
  /** When to look again and why, as it was worked out then; null where no round is complete. */
  next: NextTold | null
  document: AnyJob
  /** The open survey of the round as left, solved; null where too little was read for one. */
  result: object | null
}

/** A revision as it is handed out: with its hash. */
export type SealedRevision = Revision & { sha256: string }

/** One text for one content: keys in order, no blanks (RFC 8785). */
export function canonical(content: object): string {
  const text = canonicalize(content)
  if (text === undefined) throw new Error('Nothing to record.')
  return text
}

/** SHA-256 of a text in UTF-8, as 64 hexadecimal digits. */
export type Hash = (text: string) => string

/** The hash of a revision's canonical JSON, without the hash itself. */
export function hashOf(revision: Revision, hash: Hash): string {
  const { sha256: _, ...content } = revision as Partial<SealedRevision>
  return hash(canonical(content))
}

export const seal = (revision: Revision, hash: Hash): SealedRevision => ({
  ...revision,
  sha256: hashOf(revision, hash),
})

/** The printed record of a revision. */
export function recordOfRevision(sealed: SealedRevision): Sheet {
  const { job, document, signed, site, instruments, revision, sha256, next } = sealed
  return recordOf(
    { number: job.number, document },
    {
      unit: signed.unit,
      site,
      instruments: new Map(instruments.map(({ id, name, due }) => [id, { name, due }])),
      signed: { ...signed, revision, sha256 },
      next: next ?? undefined,
    },
  )
}

export const programNow = { core: coreVersion } as const

/** What is the matter with a file that says it is a signed revision. */
export type VerifyFault = 'not-json' | 'not-a-revision' | 'changed' | 'other-result'

export type Verified =
  | {
      ok: true
      revision: SealedRevision
      solvedAgain: 'same' | 'older-program' | 'no-result'
      /** Letter for letter as it was handed out; else it was laid out anew and says the same. */
      exact: boolean
    }
  | { ok: false; fault: VerifyFault }

/**
 * Whether an exported revision is as it was signed: its hash agrees, and where this program's arithmetic is the same, so does
 * its result.
 *
 * @param solve solves the round as left once more; null where too little was read
 */
export async function verifyRevision(
  text: string,
  { hash, solve }: { hash: Hash; solve: (document: AnyJob) => Promise<object | null> },
): Promise<Verified> {
  let found: unknown
  try {
    found = JSON.parse(text)
  } catch {
    return { ok: false, fault: 'not-json' }
  }
  if (!isSealed(found)) return { ok: false, fault: 'not-a-revision' }
  if (hashOf(found, hash) !== found.sha256) return { ok: false, fault: 'changed' }
  const exact = text.trim() === canonical(found)
  if (found.program.core !== coreVersion) return { ok: true, revision: found, solvedAgain: 'older-program', exact }
  const again = await solve(found.document)
  if (again === null && found.result === null) return { ok: true, revision: found, solvedAgain: 'no-result', exact }
  if (!again || !found.result || canonical(again) !== canonical(found.result))
    return { ok: false, fault: 'other-result' }
  return { ok: true, revision: found, solvedAgain: 'same', exact }
}

function isSealed(found: unknown): found is SealedRevision {
  if (typeof found !== 'object' || found === null) return false
  const { format, version, sha256, document, signed, job, revision, program } = found as Partial<SealedRevision>
  return (
    format === 'vane-peg.revision' &&
    version === 1 &&
    typeof sha256 === 'string' &&
    /^[0-9a-f]{64}$/.test(sha256) &&
    typeof revision === 'number' &&
    [document, signed, job, program].every((part) => typeof part === 'object' && part !== null)
  )
}
