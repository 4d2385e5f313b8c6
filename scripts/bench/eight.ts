import { withMachineAt } from '../../src/core/kinds/train/document/alter'
import { makeJob, makeLine } from '../../src/core/kinds/train/document/make'
import { chance } from '../../src/core/rig/random'
import { at, hang, mm, readByHand } from '../../src/server/demo/byHand'
import { counted } from '../../src/server/demo/counted'

/** A train of eight machines, every coupling read by reverse dials; stored on a server. @returns the job's id */
export async function eightMachines(address: string): Promise<string> {
  let line = makeLine('Eight in a row', 'motor', 'gearbox', 'mm')
  while (line.machines.length < 8) line = withMachineAt(line, line.machines.length, 'pump', 'mm', counted(line))
  line = {
    ...line,
    machines: line.machines.map((machine) => ({
      ...machine,
      feet: machine.feet.map((foot, f) => ({
        ...foot,
        station: { ...foot.station, distance: mm(f === 0 ? 240 : 400) },
      })),
    })),
    couplings: line.couplings.map((coupling) => ({
      ...coupling,
      diameter: mm(160),
      ...(coupling.station ? { station: { ...coupling.station, distance: mm(230) } } : {}),
    })),
  }
  const job = makeJob(line, 'Bench', new Date(0).toISOString(), 'mm')
  const source = chance(8)
  const hung = { right: { out: 90, radius: 80, sag: -0.09 }, left: { out: 70, radius: 80, sag: -0.07 } }
  const document = {
    ...job,
    rounds: job.rounds.map((round) => ({
      ...round,
      sets: round.sets.map((set) => readByHand(line, hang(set, hung), at(0.2, 0.0003, -0.1, 0.0002), source)),
    })),
  }
  const put = async (path: string, body: object) => {
    const answer = await fetch(`${address}/api/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: address },
      body: JSON.stringify(body),
    })
    if (!answer.ok) throw new Error(await answer.text())
  }
  await put('lines', { id: 'line-eight', document: line })
  await put('jobs', { id: 'job-eight', lineId: 'line-eight', document })
  return 'job-eight'
}
