import { describe, expect, it } from 'vitest'
import { makeLine } from '../../core/kinds/train/document/make'
import { solveRough } from '../../core/kinds/train/document/rough'
import type { Job } from '../../core/kinds/train/document/schema'
import { emptyReady } from '../../core/ready/ready'
import type { Terms } from '../terms'
import { sayRough } from './rough'

const line = makeLine('Test line', 'pump', 'motor', 'mm')
const mm = (text: string) => ({ text, unit: 'mm' as const })
const terms: Terms = { line, unit: 'mm', resolution: 0.01 }

/** A job whose hubs were felt, and the maker's figure where there is one. */
function felt(
  gaps: Record<string, string>,
  maker?: { about: string; by: string },
): Pick<Job, 'line' | 'ready' | 'seat'> {
  const ready = emptyReady()
  return {
    line,
    ready: {
      ...ready,
      rough: Object.fromEntries(Object.entries(gaps).map(([name, text]) => [`face.${name}`, mm(text)])),
      checks: maker
        ? {
            'hub-separation': {
              outcome: '',
              value: mm(''),
              maker: mm(maker.about),
              plusMinus: mm(maker.by),
              note: '',
              by: '',
              at: '',
            },
          }
        : {},
    },
  }
}
const said = (job: ReturnType<typeof felt>) => sayRough(solveRough(job), terms).find(({ key }) => key === 'apart')

describe('what the hubs stand apart', () => {
  it('is the mean round them, an angle left out of it, and which way the machine goes along for it', () => {
    const job = felt({ top: '3.2', bottom: '3.8', far: '3.4', near: '3.6' }, { about: '3', by: '0.2' })
    expect(solveRough(job).apart).toMatchObject({ mm: 3.5, nearer: 0.5, within: 0.2 })
    expect(said(job)).toMatchObject({ peg: 'outside', title: 'First jack the motor 0.50 mm along, toward the pump.' })
    expect(said(felt({ top: '2.2', bottom: '2.4' }, { about: '3', by: '0.2' }))?.title).toBe(
      'First jack the motor 0.70 mm along, away from the pump.',
    )
  })
  it('within what the maker allows it stays; without his figure it is only told; one gap alone tells nothing', () => {
    expect(said(felt({ top: '3.0', bottom: '3.3' }, { about: '3', by: '0.2' }))?.peg).toBe('within')
    expect(said(felt({ top: '3.0', bottom: '3.3' }))).toMatchObject({
      peg: 'nothing',
      title: 'Hub separation 3.15 mm, the mean of the face gaps.',
    })
    expect(said(felt({ top: '3.0', far: '3.3' }, { about: '3', by: '0.2' }))).toBeUndefined()
  })
})
