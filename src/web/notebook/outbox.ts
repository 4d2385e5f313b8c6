/** Something with edits to send. */
export interface Sender {
  /** Sends what waits, if anything. `later`: the server was not reached, try again. */
  send(): Promise<'done' | 'later'>
}

/** Pauses between tries while the server is not reached, ms. */
const pauses = [1000, 2000, 4000, 8000, 16_000, 30_000]

/**
 * Sends edits to the server: one request at a time for the whole page, the one that waits longest first. While the server
 * is not reached it tries again with growing pauses, and at once when somebody says that it may be there.
 */
export class Outbox {
  private readonly waiting = new Set<Sender>()
  private sending: Promise<void> | undefined
  private timer: ReturnType<typeof setTimeout> | undefined
  private failures = 0

  /** Puts a sender in the line. */
  add(sender: Sender): void {
    this.waiting.add(sender)
    if (this.timer === undefined) void this.run()
  }

  /** Tries at once what waits, whatever the pause; resolves when each was tried. */
  async wake(): Promise<void> {
    clearTimeout(this.timer)
    this.timer = undefined
    await this.run()
  }

  /** Whether the server answered when it was last asked. */
  get reached(): boolean {
    return this.failures === 0
  }

  private run(): Promise<void> {
    this.sending ??= this.work().finally(() => {
      this.sending = undefined
    })
    return this.sending
  }

  private async work(): Promise<void> {
    const tried = new Set<Sender>()
    for (;;) {
      const next = [...this.waiting].find((sender) => !tried.has(sender))
      if (!next) break
      this.waiting.delete(next)
      const outcome = await next.send()
      if (outcome === 'done') {
        this.failures = 0
        continue
      }
      tried.add(next)
      this.waiting.add(next)
    }
    if (this.waiting.size === 0) return
    const pause = pauses[Math.min(this.failures, pauses.length - 1)] ?? 30_000
    this.failures++
    clearTimeout(this.timer)
    this.timer = setTimeout(() => void this.wake(), pause)
  }
}
