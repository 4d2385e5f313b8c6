/** No cell of a CSV may start what a spreadsheet would take for a formula; a reading's minus is none. */
export const safeCells = { escapeFormulae: /^[=@\t\r]/ }

/** Hands a file to the person who asked for it. */
export function saveFile(name: string, content: Blob): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(content)
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}

/** Text as a file of a kind: "text/csv". */
export const saveText = (name: string, type: string, content: string): void =>
  saveFile(name, new Blob([content], { type }))

/** A name that every system takes: letters, digits and hyphens. */
export const fileName = (text: string): string =>
  text
    .replace(/[^\w ]+/g, '')
    .trim()
    .replace(/ +/g, '-')
    .toLowerCase()
