import { spawnSync } from 'node:child_process'
import { describe, expect, it } from 'vitest'
import { caseA } from '../core/kinds/train/survey/caseA'

const survey = (sag: unknown) => {
  const document = caseA()
  Object.assign(document.measurements[0]!.probes[0]!, { sag })
  return document
}

const solve = (input: string, ...args: string[]) =>
  spawnSync('node_modules/.bin/tsx', ['src/cli/main.ts', ...args, '-'], { input, encoding: 'utf8' })

describe('solve', () => {
  it('gives one result for one document', () => {
    const { status, stdout } = solve(JSON.stringify(survey(-0.1)))
    expect(status).toBe(0)
    expect(JSON.parse(stdout).feet[0].vertical.move).toBeCloseTo(-0.216, 9)
  })
  it('tells bad input in one line with its path, exit 2', () => {
    const { status, stdout, stderr } = solve(JSON.stringify(survey('soft')))
    expect([status, stdout]).toEqual([2, ''])
    expect(stderr).toMatch(/^measurements\.0\.probes\.0\.sag: expected a number, found "soft"\n$/)
    expect(solve('{').stderr).toMatch(/^document: not JSON/)
  })
  it('answers line by line in order, and a bad line in its place', () => {
    const lines = [survey(-0.1), { format: 'x' }, survey(0)].map((s) => JSON.stringify(s))
    const { status, stdout } = solve(lines.join('\n'), '--ndjson')
    const out = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line))
    expect(status).toBe(2)
    expect(out.map((o) => o.format)).toEqual(['vane-peg.result', 'vane-peg.error', 'vane-peg.result'])
    expect(out[1]).toMatchObject({ line: 2, path: 'format' })
  })
  it('says how it is used', () => {
    const { status, stderr } = spawnSync('node_modules/.bin/tsx', ['src/cli/main.ts'], { encoding: 'utf8' })
    expect([status, stderr]).toEqual([2, expect.stringContaining('usage')])
  })
})
