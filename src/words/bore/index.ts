import type { BoreTypes } from '../../core/kinds/bore'
import { cellsOf } from '../../core/kinds/bore/document/make'
import { quantityMm } from '../../core/quantity/quantity'
import type { KindWords } from '../kind'
import { labels, t } from '../language'
import { recordWords, sheetWords } from '../record'
import { capital, place, sideName, signedLength, unitName } from '../terms'
import { cellInText, cellName, moveText, sectionName, standsText, wayNames } from './findings'
import { boreTyped } from './typed'

const many = labels(['2', '3', '4', '5', '6', '8', '10', '12'].map((value) => ({ value, text: value })))

const sided = (line: BoreTypes['line']) => ({ line: { sides: line.sides, machines: [], couplings: [] } })

export const boreWords: KindWords<BoreTypes> = labels({
  name: 'Bores in a row',
  typed: boreTyped,
  newParts: [{ label: 'How many bores', options: many, usual: '4' }],
  usualName: () => t`Bore row`,
  methods: { 'bore-row': 'Bores: read all round' },
  proved: {
    second: 'the bore',
    at: (id, line) => sectionName(id, line),
    plane: (plane) => (plane === 'vertical' ? t`up and down` : t`sideways`),
    stands: (mm, plane, { line, unit, resolution }) => place(mm, plane, { ...sided(line), unit, resolution }),
    way: (mm, plane, { line }) =>
      plane === 'vertical' ? (mm > 0 ? t`up` : t`down`) : t`toward ${sideName(mm > 0 ? 'far' : 'near', sided(line))}`,
  },
  record: {
    probe: () => '',
    angle: () => '',
    conditions: ({ line }) => [t`Reference: ${wayNames[line.reference.way].toLowerCase()}.`],
    packs: () => [],
    readings: ({ round }, terms) =>
      round.sets.flatMap((set) => {
        const rows = cellsOf(set).flatMap((key): [string, string][] => {
          const mm = quantityMm(set.values[key])
          return mm === undefined ? [] : [[cellName(key, terms.line), signedLength(mm, terms)]]
        })
        const name = sectionName(set.section, terms.line)
        return rows.length > 0 ? [{ title: set.purpose === 'repeat' ? t`${name}, read again` : name, rows }] : []
      }),
    boxes: ({ sets }, { line, unit }) =>
      sets.map((set) => ({
        title: `${sectionName(set.section, line)}, ${unitName[unit]}`,
        head: cellsOf(set).map((key) => cellName(key, line)),
        rows: [recordWords.asRead, sheetWords.again],
      })),
    judged: ({ sections }, terms) =>
      sections
        .filter(({ standing }) => standing)
        .map((one) => ({
          kind: 'text' as const,
          text: t`${one.section.name}: ${standsText(one, terms)}. ${capital(moveText(one, terms))}.`,
        })),
  },
  placeInRound(round, path, line) {
    const set = round.sets.find(({ id }) => path.includes(id))
    const section = line.machines.find(({ id }) => id === set?.section)
    const key = path.at(-1) ?? ''
    const cell = set && path.includes('values')
    return {
      words: [...(section ? [section.name] : []), ...(cell ? [cellInText(key, line)] : [])],
      whole: Boolean(cell),
    }
  },
})
