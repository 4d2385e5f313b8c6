/** Fetches a screen; once more after a moment when the network of the plant drops it. */
export async function retryOnce<T>(fetch: () => Promise<T>): Promise<T> {
  try {
    return await fetch()
  } catch {
    await new Promise((next) => setTimeout(next, 500))
    return fetch()
  }
}
