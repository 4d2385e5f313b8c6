/** What the log keeps of a fault: where it arose, never the document that was sent. */
export function faultOf(error: unknown): { fault: string; at: string[] } {
  const deepest = error instanceof Error && error.cause instanceof Error ? error.cause : error
  if (!(deepest instanceof Error)) return { fault: typeof deepest, at: [] }
  const at = (deepest.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line))
  return { fault: `${deepest.name}: ${deepest.message.slice(0, 160)}`, at: at.slice(0, 8).map((line) => line.trim()) }
}
