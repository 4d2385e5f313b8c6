import type { Line } from '../../../core/kinds/train/document/schema'

/** The lines in whose name, area or machines every word of the search stands. */
export function linesFitting<T extends { name: string; area: string; document: Line }>(
  lines: readonly T[],
  search: string,
): T[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  return lines.filter(({ name, area, document }) => {
    const text = [name, area, ...document.machines.map((machine) => machine.name)].join('\n').toLowerCase()
    return words.every((word) => text.includes(word))
  })
}
