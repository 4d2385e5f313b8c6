/** An error and what caused it, the outermost first. */
export function* causes(error: unknown): Generator<Error> {
  for (let at = error; at instanceof Error; at = at.cause) yield at
}

/** What the log keeps of a fault: where it arose, never the document that was sent. */
export function faultOf(error: unknown): { fault: string; at: string[] } {
  const deepest = [...causes(error)].at(-1)
  if (!deepest) return { fault: typeof error, at: [] }
  const at = (deepest.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line))
  return { fault: `${deepest.name}: ${deepest.message.slice(0, 160)}`, at: at.slice(0, 8).map((line) => line.trim()) }
}
