import { describe, expect, it } from 'vitest'
import { rollsSurvey } from './rolls/survey'
import { caseA } from './train/survey/caseA'
import { solveSurvey } from './train/survey/solve'

const taped = (reading: 'mm' | 'um' | 'mil', size: number, length: 'mm' | 'in' = 'mm') => {
  const roll = (id: string, x: number) => ({ id, x, z: 900, width: 2000, diameter: 200, housings: [-1200, 1200] })
  return rollsSurvey.solve({
    format: 'vane-peg.survey',
    version: 1,
    kind: 'rolls',
    units: { length, reading },
    rolls: {
      rolls: [roll('a', 0), roll('b', 1800)],
      reference: 'a',
      readings: [{ type: 'tape', between: ['a', 'b'], near: size, far: size + 1, over: 2000 }],
    },
  })
}
const pathOf = (checked: { ok: boolean; fault?: { path: string } }) => (checked.ok ? 'taken' : checked.fault?.path)

describe('a number of a document is at most a kilometer long, in its own unit', () => {
  it('a tape of 1.8 m in micrometers is taken; two kilometers are not, in any unit', () => {
    expect(pathOf(taped('um', 1_800_000))).toBe('taken')
    expect(pathOf(taped('um', 2_000_000_000))).toBe('rolls.readings.0.near')
    expect(pathOf(taped('mm', 1_800))).toBe('taken')
    expect(pathOf(taped('mm', 2_000_000))).toBe('rolls.readings.0.near')
    expect(pathOf(taped('mil', 70_000, 'in'))).toBe('taken')
    expect(pathOf(taped('mil', 80_000_000, 'in'))).toBe('rolls.readings.0.near')
  })
  it('says where it is and what is allowed', () => {
    const survey = caseA()
    survey.train.couplings[0]!.x = 3e6
    const told = solveSurvey(survey)
    expect(told).toMatchObject({ ok: false, fault: { path: 'train.couplings.0.x' } })
    expect(told.ok ? '' : told.fault.message).toContain('1,000,000')
  })
})
