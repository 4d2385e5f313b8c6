import { jobWords } from '../../words/page/job'

/** A step of a job by the name that code and stored summaries know it by. */
export type Step = 'line' | 'ready' | 'seat' | 'read' | 'move' | 'prove' | 'sign'

/** The last part of a step's address: the name a person reads, in lower case. */
export const stepPaths = {
  line: 'dimensions',
  ready: 'pre-checks',
  seat: 'soft-foot',
  read: 'readings',
  move: 'moves',
  prove: 'verify',
  sign: 'sign',
} as const satisfies Record<Step, string>

/** The steps in the order of the work, with the key that goes there. */
export const steps: readonly { step: Step; name: string; key: string }[] = [
  { step: 'line', name: jobWords.line, key: '0' },
  { step: 'ready', name: jobWords.ready, key: '1' },
  { step: 'seat', name: jobWords.seat, key: '2' },
  { step: 'read', name: jobWords.read, key: '3' },
  { step: 'move', name: jobWords.move, key: '4' },
  { step: 'prove', name: jobWords.prove, key: '5' },
  { step: 'sign', name: jobWords.sign, key: '6' },
]

/** What a step is called. */
export const stepName = (step: Step): string => steps.find((one) => one.step === step)?.name ?? ''

/** The address of a step of a job, of one round where it is named. */
export const jobPath = (id: string, step: Step, round?: string): string =>
  `/jobs/${id}/${stepPaths[step]}${round === undefined ? '' : `?round=${round}`}`

/** The step at an address; undefined where the address is no step's. */
export const stepAt = (pathname: string): Step | undefined => {
  const last = pathname.split('/')[3]
  return steps.find(({ step }) => stepPaths[step] === last)?.step
}
