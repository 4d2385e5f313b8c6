import type { RollsTypes } from '../../core/kinds/rolls'
import { cellOf, strokeCell } from '../../core/kinds/rolls/document/make'
import {
  lengthCells,
  levelCells,
  type RollsRound,
  strokePlaces,
  strokeWays,
} from '../../core/kinds/rolls/document/schema'
import { quantityMm } from '../../core/quantity/quantity'
import type { KindWords } from '../kind'
import { labels, t } from '../language'
import { capital, isZero, lengthWithUnit, signedLength, unitName } from '../terms'
import {
  cellName,
  monumentTexts,
  moveText,
  orientationText,
  type RollsTerms,
  rollName,
  sideOf,
  spanText,
} from './findings'
import { rollsPageWords as words } from './page/page'
import { rollsTyped } from './typed'

const many = labels(['2', '4', '6', '8', '10', '14', '20'].map((value) => ({ value, text: value })))

const withWidth = (terms: Omit<RollsTerms, 'width'>): RollsTerms => ({
  ...terms,
  width: quantityMm(terms.line.width) ?? 1000,
})

/** What has no cell in the tables, as it was read: of which rolls, and the two numbers. */
function furtherRead({ further = [] }: RollsRound, terms: Pick<RollsTerms, 'line' | 'unit' | 'resolution'>) {
  const { line } = terms
  const rows = further.flatMap((one): [string, string][] => {
    if (!one.on) return []
    const of = one.to ? `${rollName(one.on, line)} – ${rollName(one.to, line)}` : rollName(one.on, line)
    const numbers =
      one.type === 'direct'
        ? [one.square, one.level].map((text) => text || '–')
        : [one.near, one.far].map((quantity) => {
            const mm = quantityMm(quantity)
            return mm === undefined ? '–' : signedLength(mm, terms)
          })
    return [[`${words.furtherTypes[one.type]}, ${of}`, numbers.join('; ')]]
  })
  return rows.length > 0 ? [{ title: words.further, rows }] : []
}

export const rollsWords: KindWords<RollsTypes> = labels({
  name: 'Web line rolls',
  typed: rollsTyped,
  newParts: [{ label: 'How many rolls', options: many, usual: '6' }],
  usualName: () => t`Roll section`,
  methods: { rolls: 'Rolls: level, scales and tapes' },
  proved: {
    second: 'the roll',
    at: (id, line) => rollName(id, line),
    plane: (plane) => (plane === 'vertical' ? t`level` : t`square`),
    stands: (mm, plane, terms) =>
      isZero(mm, terms)
        ? plane === 'vertical'
          ? t`level`
          : t`square`
        : `${lengthWithUnit(Math.abs(mm), terms)} ${
            plane === 'vertical' ? (mm > 0 ? t`high` : t`low`) : mm > 0 ? t`down the line` : t`up the line`
          }`,
    way: (mm, plane) =>
      plane === 'vertical' ? (mm > 0 ? t`up` : t`down`) : mm > 0 ? t`down the line` : t`up the line`,
  },
  record: {
    probe: () => '',
    angle: () => '',
    conditions: ({ line, unit }) => [
      line.reference
        ? t`Square is relative to ${rollName(line.reference, line)} unless a baseline was read. Values are for the ${sideOf('far', line)} end, over the face.`
        : t`Values are for the ${sideOf('far', line)} end, over the face.`,
      ...monumentTexts(line, unit),
    ],
    packs: () => [],
    readings: ({ round }, terms) => [
      ...terms.line.rolls.flatMap(({ id, name }) => {
        const rows = [
          ...levelCells.flatMap((cell): [string, string][] => {
            const text = round.divisions[cellOf(id, cell)]
            return text ? [[capital(cellName(cell, terms.line)), text]] : []
          }),
          ...lengthCells.flatMap((cell): [string, string][] => {
            const mm = quantityMm(round.values[cellOf(id, cell)])
            return mm === undefined ? [] : [[capital(cellName(cell, terms.line)), signedLength(mm, terms)]]
          }),
        ]
        const strokes = strokePlaces.flatMap((place) =>
          strokeWays.flatMap((way): [string, string][] => {
            const mm = quantityMm(round.strokes?.[strokeCell(id, place, way)])
            const label = `${words.strokePlaces[place]}, ${words.strokeWays[way]}`
            return mm === undefined ? [] : [[label, signedLength(mm, terms)]]
          }),
        )
        return rows.length + strokes.length > 0 ? [{ title: name, rows: [...rows, ...strokes] }] : []
      }),
      ...furtherRead(round, terms),
    ],
    boxes: ({ marks, further = [] }, { line, unit }) => [
      {
        title: words.levels,
        head: levelCells.map((cell) => capital(cellName(cell, line))),
        rows: line.rolls.map(({ name }) => name),
      },
      {
        title: `${words.scales}, ${unitName[unit]}`,
        head: [words.stand, ...lengthCells.map((cell) => capital(cellName(cell, line)))],
        rows: line.rolls.map(({ name }) => name),
      },
      ...(line.rolls.some(({ pivots }) => pivots)
        ? [
            {
              title: `${words.strokes}, ${unitName[unit]}`,
              head: strokePlaces.flatMap((place) =>
                strokeWays.map((way) => `${words.strokePlaces[place]}, ${words.strokeWays[way]}`),
              ),
              rows: line.rolls.filter(({ pivots }) => pivots).map(({ name }) => name),
            },
          ]
        : []),
      ...(further.length > 0
        ? [
            {
              title: words.further,
              head: [
                words.endIn(sideOf('near', line), unitName[unit]),
                words.endIn(sideOf('far', line), unitName[unit]),
                words.toldSquare,
                words.toldLevel,
              ],
              rows: further.map(({ type, on, to }) =>
                [words.furtherTypes[type], ...[on, to].filter(Boolean).map((id) => rollName(id, line))].join(', '),
              ),
            },
          ]
        : []),
      ...(marks.length > 0
        ? [
            {
              title: words.marks,
              head: [words.valueIn(unitName[unit])],
              rows: marks.map(({ stand, mark }) => `${stand}: ${mark}`),
            },
          ]
        : []),
    ],
    judged: ({ rolls, spans, plan }, terms) => {
      const told = withWidth(terms)
      return [
        ...rolls
          .filter(({ solved }) => solved?.square || solved?.level)
          .map((one) => ({
            kind: 'text' as const,
            text: t`${one.roll.name}: ${orientationText(one, told)}. ${capital(moveText(one, plan, told))}.`,
          })),
        ...spans.map((span) => ({
          kind: 'text' as const,
          text: t`${rollName(span.from, terms.line)} to ${rollName(span.to, terms.line)}: ${spanText(span, told)}.`,
        })),
      ]
    },
  },
  placeInRound(_round, path, line) {
    const key = path.find((part) => /\.[a-zA-Z]+$/.test(part)) ?? ''
    const [id = '', cell = ''] = [key.slice(0, key.lastIndexOf('.')), key.slice(key.lastIndexOf('.') + 1)]
    const roll = line.machines.find((one) => one.id === id)
    const known = [...lengthCells, ...levelCells].find((one) => one === cell)
    return {
      words: [
        ...(roll ? [roll.name] : []),
        ...(known ? [cellName(known, { sides: line.sides } as RollsTypes['line'])] : []),
      ],
      whole: Boolean(known),
    }
  },
})
