import { describe, expect, it } from 'vitest'
import { makeJob, makeLine } from '../core/kinds/train/document/make'
import { describeKit, describeLine, describePath } from './describe'

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
    [['doneBy'], 'done by'],
    [['line', 'couplings', 'c1', 'span', 'text'], 'Coupling, span'],
    [['line', 'fixed'], 'fixed machine'],
    [['rounds', round!.id, 'sets', set!.id], 'round 1, set 1'],
    [['rounds', round!.id], 'round 1'],
    [['rounds', 'r7gone2'], 'this job'],
  ])('is told in words: %j', (path, words) => {
    expect(describePath(job, path)).toBe(words)
  })
  it('is told in words in a line and in a piece of kit, never by an id', () => {
    expect(describeLine(line, ['machines', 'm2', 'name'])).toBe('Motor, name')
    expect(describeLine(line, ['machines', 'm2', 'feet', 'm2-back', 'growth', 'heat', 'cold'])).toBe(
      'Motor, back feet, cold',
    )
    expect(describeLine(line, ['machines', 'mx8gone2'])).toBe('this line')
    expect(describeKit(['calibrationDue'])).toBe('calibration due')
    expect(describeKit(['readings', 'g84jf0'])).toBe('this item')
  })
})
