/**
 * Minutes to expect of a plan: our judgment of usual work with two people at machines of middling size, to compare plans with
 * each other, not to promise a time by. Every machine that is moved is loosened and tightened in its pattern; every station is
 * lifted for its shims; every machine that is pushed sideways is watched on the dials.
 */
const minutes = { loosenAndTighten: 12, shims: 8, sideways: 10 }

/** @param moved what is done at each station: its machine, and whether it goes up or down, and sideways. */
export function minutesFor(moved: readonly { machine: string; vertical: boolean; horizontal: boolean }[]): number {
  const machines = new Set(moved.filter((one) => one.vertical || one.horizontal).map(({ machine }) => machine))
  const pushed = new Set(moved.filter((one) => one.horizontal).map(({ machine }) => machine))
  return (
    machines.size * minutes.loosenAndTighten +
    moved.filter(({ vertical }) => vertical).length * minutes.shims +
    pushed.size * minutes.sideways
  )
}
