import type { LiveTrace } from '../../drawing/strip'

/**
 * What devices are sending now, by probe state. Drawn beside React: at fifty messages a second only what moves is touched.
 */
export class LiveTraces {
  private traces: Readonly<Record<string, LiveTrace>> = {}
  private readonly listeners = new Map<string, Set<() => void>>()

  get(id: string): LiveTrace | undefined {
    return this.traces[id]
  }

  put(traces: Readonly<Record<string, LiveTrace>>): void {
    const gone = Object.keys(this.traces).filter((id) => !(id in traces))
    this.traces = traces
    for (const id of [...gone, ...Object.keys(traces)]) for (const listener of this.listeners.get(id) ?? []) listener()
  }

  subscribe(id: string, listener: () => void): () => void {
    const all = this.listeners.get(id) ?? new Set()
    this.listeners.set(id, all)
    all.add(listener)
    return () => all.delete(listener)
  }
}
