import { describe, expect, it } from 'vitest'
import { makeJob, makeLine } from '../../core/job/make'
import { describePath } from './describe'

const line = { ...makeLine('x', 'pump', 'motor', 'mm'), sides: { near: 'aisle', far: 'wall' } }
const job = makeJob(line, '', '', 'mm')
const [round] = job.rounds
const [set] = round!.sets
const [right] = set!.probes

describe('a place in a job that two tablets disagree about', () => {
  it.each([
    [
      ['rounds', round!.id, 'sets', set!.id, 'probes', right!.id, 'readings', 'a90', 'value', 'text'],
      'round 1, motor dial, wall',
    ],
    [
      ['rounds', round!.id, 'sets', set!.id, 'probes', right!.id, 'readings', 'a180:r1', 'value'],
      'round 1, motor dial, bottom',
    ],
    [['rounds', round!.id, 'sets', set!.id, 'probes', right!.id, 'sag', 'text'], 'round 1, motor dial, sag'],
    [['line', 'machines', 'm2', 'feet', 'm2-front', 'station', 'distance', 'text'], 'Motor, front feet, distance'],
    [['seat', 'm2', 'before', 'm2-front.near', 'rise', 'text'], 'Motor, front feet, near, rise'],
    [['note'], 'note'],
  ])('is told in words: %j', (path, words) => {
    expect(describePath(job, path)).toBe(words)
  })
})
