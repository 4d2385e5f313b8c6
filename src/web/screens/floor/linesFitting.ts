import { type AnyLine, kindOf } from '../../../core/kinds'

/** The lines in whose name, area or machines every word of the search stands. */
export function linesFitting<T extends { name: string; area: string; document: AnyLine }>(
  lines: readonly T[],
  search: string,
): T[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  return lines.filter(({ name, area, document }) => {
    const text = [
      name,
      area,
      ...kindOf(document)
        .named(document)
        .machines.map((machine) => machine.name),
    ]
      .join('\n')
      .toLowerCase()
    return words.every((word) => text.includes(word))
  })
}
