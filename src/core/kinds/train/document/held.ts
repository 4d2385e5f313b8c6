import type { Line, MachineKind } from './schema'

/** What ties a machine down so that it had better not be moved: pipes at its nozzles, or a casing its rotor runs in. */
export type Tie = 'pipes' | 'casing'

const ties: Partial<Record<MachineKind, Tie>> = { pump: 'pipes', blower: 'pipes', fan: 'casing' }

export const tieOf = (kind: MachineKind): Tie | undefined => ties[kind]

const reasons: Readonly<Record<Tie, string>> = { pipes: 'Piping is connected.', casing: 'The rotor runs in a casing.' }

/** Why a machine of this kind stays; empty where nothing but its weight speaks for it. */
export const reasonToStay = (kind: MachineKind): string => {
  const tie = tieOf(kind)
  return tie ? reasons[tie] : ''
}

/** How much speaks for a machine to stay: pipes or a casing; then anything driven; a motor moves. */
const rank = ({ kind }: { kind: MachineKind }): number => (tieOf(kind) ? 2 : kind === 'motor' ? 0 : 1)

/** The machine that stays unless a person says otherwise: the driven one; of equals the one on the left. */
export const usuallyFixed = <M extends { kind: MachineKind }>(machines: readonly M[]): M | undefined =>
  [...machines].sort((a, b) => rank(b) - rank(a))[0]

/** The line with another machine staying, and the reason that goes with it. */
export function withFixed(line: Line, id: string): Line {
  const machine = line.machines.find((one) => one.id === id)
  return machine ? { ...line, fixed: id, fixedBecause: reasonToStay(machine.kind) } : line
}

/** The line with a machine of another kind; the reason why it stays is its new kind's where nobody wrote one of their own. */
export function withKind(line: Line, id: string, kind: MachineKind): Line {
  const old = line.machines.find((one) => one.id === id)
  if (!old) return line
  const changed = { ...line, machines: line.machines.map((one) => (one.id === id ? { ...one, kind } : one)) }
  const usual = line.fixedBecause === reasonToStay(old.kind)
  return id === line.fixed && usual ? withFixed(changed, id) : changed
}
