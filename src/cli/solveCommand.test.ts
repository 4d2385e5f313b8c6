import { spawnSync } from 'node:child_process'
import { describe, expect, it } from 'vitest'
import { caseA } from '../core/kinds/train/survey/caseA'
import { runCommand } from '../testing/command'
import { solveCommand } from './solveCommand'

const survey = (sag: unknown) => {
  const document = caseA()
  Object.assign(document.measurements[0]!.probes[0]!, { sag })
  return document
}

const run = (input: string, ...args: string[]) => runCommand(solveCommand, args, input)

describe('solve', () => {
  it('gives one result for one document, as a process of its own', () => {
    const options = { input: JSON.stringify(survey(-0.1)), encoding: 'utf8' } as const
    const { status, stdout, stderr } = spawnSync('node_modules/.bin/tsx', ['src/cli/main.ts', '-'], options)
    expect([status, stderr]).toEqual([0, ''])
    expect(JSON.parse(stdout).feet[0].vertical.move).toBeCloseTo(-0.216, 9)
  })
  it('tells bad input in one line with its path, exit 2', async () => {
    const { status, stdout, stderr } = await run(JSON.stringify(survey('soft')), '-')
    expect([status, stdout]).toEqual([2, ''])
    expect(stderr).toMatch(/^measurements\.0\.probes\.0\.sag: expected a number, found "soft"\n$/)
    expect((await run('{', '-')).stderr).toMatch(/^document: not JSON/)
  })
  it('answers line by line in order, and a bad line in its place', async () => {
    const lines = [survey(-0.1), { format: 'x' }, survey(0)].map((s) => JSON.stringify(s))
    const { status, stdout } = await run(lines.join('\n'), '--ndjson', '-')
    const out = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line))
    expect(status).toBe(2)
    expect(out.map((o) => o.format)).toEqual(['vane-peg.result', 'vane-peg.error', 'vane-peg.result'])
    expect(out[1]).toMatchObject({ line: 2, path: 'format' })
  })
  it('says how it is used, and which file cannot be read', async () => {
    expect(await run('')).toMatchObject({ status: 2, stderr: expect.stringContaining('usage') })
    expect(await run('', '/no/such/file')).toMatchObject({
      status: 2,
      stderr: '/no/such/file: cannot be read (ENOENT)\n',
    })
  })
})
