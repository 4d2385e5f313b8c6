import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'

const quarterHour = 15 * 60

/** Too many wrong tries: none is looked at for a while. */
export class TooOften extends Error {
  constructor(readonly seconds: number) {
    super(`Too many attempts. Try again in ${Math.max(1, Math.ceil(seconds / 60))} min.`)
  }
}

/**
 * Slows down whoever tries passwords, PINs or codes: a few tries for one account from one address in a quarter of an hour, some
 * more for one account from everywhere, and for one address at whatever account. A try counts before it is looked at, so that
 * many at once are no way round.
 */
export class Throttle {
  private readonly both = new RateLimiterMemory({ points: 5, duration: quarterHour })
  private readonly account = new RateLimiterMemory({ points: 25, duration: quarterHour })
  private readonly address = new RateLimiterMemory({ points: 60, duration: quarterHour })

  /**
   * Lets one try through and forgets it again where it was right.
   *
   * @returns what `attempt` comes to; undefined is a wrong try
   * @throws TooOften
   */
  async one<R>(account: string, address: string, attempt: () => Promise<R | undefined>): Promise<R | undefined> {
    const keys = [
      [this.both, `${account} ${address}`],
      [this.account, account],
      [this.address, address],
    ] as const
    try {
      for (const [limiter, key] of keys) await limiter.consume(key)
    } catch (over) {
      if (over instanceof RateLimiterRes) throw new TooOften(over.msBeforeNext / 1000)
      throw over
    }
    const right = await attempt()
    if (right === undefined) return undefined
    await this.both.delete(`${account} ${address}`)
    for (const [limiter, key] of keys.slice(1)) await limiter.reward(key)
    return right
  }
}
