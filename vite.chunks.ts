import type { Rollup } from 'vite'

/** Which file of the build a module goes into: few files for what a screen shows first, and nothing in them that it does not need. */

interface Graph {
  getModuleInfo(id: string): Pick<Rollup.ModuleInfo, 'importedIds'> | null
}

const kinds = ['train', 'upright', 'belt', 'bore', 'rolls'] as const

/** What a kind of line can do and say, and the frame of its job with the readings in it. */
const roots = {
  work: (kind: string) => [`src/core/kinds/${kind}/index.ts`, `src/words/${kind}/index.ts`],
  page: (kind: string) => {
    const name = `${kind[0]?.toUpperCase()}${kind.slice(1)}Job`
    const read = kind === 'train' ? 'read/ReadStep' : 'ReadStep'
    return [`src/web/kinds/${kind}/${name}.tsx`, `src/web/kinds/${kind}/${read}.tsx`]
  },
  floor: ['src/web/screens/floor/FloorScreen.tsx'],
  frame: ['src/web/job/frame/JobScreen.tsx'],
} as const

/**
 * Every module of ours that some modules import at once, they themselves included. Packages are left to the build: what they
 * list in one file is mostly not taken.
 */
function reached(graph: Graph, from: readonly string[], root: string): Set<string> {
  const all = new Set<string>()
  const open = from.map((file) => `${root}/${file}`)
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    const info = all.has(id) || id.includes('node_modules') ? null : graph.getModuleInfo(id)
    if (!info) continue
    all.add(id)
    open.push(...info.importedIds)
  }
  return all
}

interface Sets {
  floor: Set<string>
  /** Of each kind: what it can do and say; and with that, what its job shows first. */
  work: Set<string>[]
  whole: Set<string>[]
}

/** Whether the first list needs a module, and a job as well. */
const both = ({ floor, whole }: Sets, id: string): boolean => floor.has(id) && whole.some((set) => set.has(id))

/**
 * The groups, each before those whose modules import its own: what the first list and a job need, what every kind of line needs to be
 * worked out, what it needs to be shown, and the same for fewer kinds.
 *
 * @param root folder of the project
 */
export function chunkGroups(root: string) {
  const known = new WeakMap<Graph, Sets>()
  const setsOf = (graph: Graph): Sets => {
    const sets = known.get(graph) ?? {
      floor: reached(graph, roots.floor, root),
      work: kinds.map((kind) => reached(graph, roots.work(kind), root)),
      whole: kinds.map((kind) => reached(graph, [...roots.work(kind), ...roots.page(kind), ...roots.frame], root)),
    }
    known.set(graph, sets)
    return sets
  }
  /** What just so many kinds need. */
  const neededBy = (what: 'work' | 'page', fewest: number, most: number) => (id: string, graph: Graph) => {
    const { work, whole } = setsOf(graph)
    const users = kinds.filter((_, i) => whole[i]?.has(id))
    if (work.some((set) => set.has(id)) !== (what === 'work')) return null
    if (users.length < fewest || users.length > most) return null
    return most === kinds.length ? what : `${users.join('-')}-${what}`
  }
  const counts = kinds.map((_, i) => kinds.length - i)
  const names = [
    (id: string, graph: Graph) => (both(setsOf(graph), id) ? 'common' : null),
    // a few hundred bytes that one kind does not need cost less than a file of their own
    neededBy('work', 3, kinds.length),
    neededBy('work', 2, 2),
    neededBy('work', 1, 1),
    ...counts.map((count) => neededBy('page', count, count)),
  ]
  return [
    { name: 'first', tags: ['$initial' as const], priority: names.length + 2 },
    // one would else go to whichever screen comes first, and take it along to every other
    { name: 'icons', test: /lucide-react.*icons/, priority: names.length + 1 },
    ...names.map((name, i) => ({ name, priority: names.length - i })),
  ]
}
