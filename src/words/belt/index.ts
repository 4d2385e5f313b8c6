import type { BeltTypes } from '../../core/kinds/belt'
import { cellsOf } from '../../core/kinds/belt/document/make'
import { quantityMm } from '../../core/quantity/quantity'
import type { KindWords } from '../kind'
import { labels, t } from '../language'
import { recordWords, sheetWords } from '../record'
import { inText, isZero, lengthWithUnit, signedLength, unitName } from '../terms'
import { cellInText, cellName, feelText, methodNames, sheaveName } from './findings'
import { beltTyped } from './typed'

const machines = labels(
  ['Fan', 'Motor', 'Pump', 'Compressor', 'Crusher', 'Mixer'].map((name) => ({ value: name, text: name })),
)

const way = (mm: number): string => (mm > 0 ? t`to the right` : t`to the left`)

export const beltWords: KindWords<BeltTypes> = labels({
  name: 'Belt drive',
  typed: beltTyped,
  newParts: [
    { label: 'Fixed', options: machines, usual: 'Fan' },
    { label: 'Movable', options: machines, usual: 'Motor' },
  ],
  usualName: ([stays = t`Fan`, moved = t`Motor`]) => t`${stays}, by belt from the ${inText(moved)}`,
  methods: {
    'belt-face': 'Belts: points on the face',
    'belt-edge': 'Belts: straightedge or string',
    'belt-angles': 'Belts: instrument that reads angles',
  },
  proved: {
    second: 'the movable sheave',
    at: (id, line) => t`${sheaveName(id, line)}, grooves`,
    plane: () => t`along the shaft`,
    stands: (mm, _, terms) => (isZero(mm, terms) ? t`in line` : `${lengthWithUnit(Math.abs(mm), terms)} ${way(mm)}`),
    way: (mm) => way(mm),
  },
  record: {
    probe: () => '',
    angle: () => '',
    conditions: ({ line }) => [
      t`Relative to the ${inText(sheaveName(line.sheaves[0]?.id ?? '', line))} (fixed). Grooves are aligned, not faces.`,
    ],
    packs: () => [],
    readings: ({ round }, terms) =>
      round.sets.flatMap((set) => {
        const rows = cellsOf(set).flatMap((key): [string, string][] => {
          const mm = quantityMm(set.values[key])
          return mm === undefined ? [] : [[cellName(key, terms.line), signedLength(mm, terms)]]
        })
        const angles = (['toe', 'tilt'] as const).flatMap((key): [string, string][] =>
          set.angles[key] ? [[key === 'toe' ? t`Toe` : t`Tilt`, t`${set.angles[key]}°`]] : [],
        )
        const all = [...(set.method === 'angles' ? angles : []), ...rows]
        const name = sheaveName(set.on, terms.line)
        return all.length > 0 ? [{ title: set.purpose === 'repeat' ? t`${name}, read again` : name, rows: all }] : []
      }),
    boxes: ({ sets }, { line, unit }) =>
      sets.map((set) => ({
        title: `${sheaveName(set.on, line)}: ${methodNames[set.method].toLowerCase()}, ${unitName[unit]}`,
        head: [
          ...(set.method === 'angles' ? [t`Toe`, t`Tilt`] : []),
          ...cellsOf(set).map((key) => cellName(key, line)),
        ],
        rows: [recordWords.asRead, sheetWords.again],
      })),
    judged: ({ sheaves, limit, round }, terms) => [
      ...sheaves
        .filter(({ solved }) => solved)
        .map((one) => {
          const { title, detail = '' } = feelText(one, limit, terms)
          return { kind: 'text' as const, text: `${title} ${detail}` }
        }),
      ...(round.tension.set
        ? [
            {
              kind: 'text' as const,
              text: round.tension.again
                ? t`Tension: ${round.tension.set}. Recheck on ${round.tension.again}.`
                : t`Tension: ${round.tension.set}.`,
            },
          ]
        : []),
    ],
  },
  placeInRound(round, path, line) {
    const set = round.sets.find(({ id }) => path.includes(id))
    const sheave = line.couplings.find(({ id }) => id === set?.on)
    const key = path.at(-1) ?? ''
    const cell = set && path.includes('values')
    return {
      words: [...(sheave ? [t`${inText(sheave.name)} sheave`] : []), ...(cell ? [cellInText(key, line)] : [])],
      whole: Boolean(cell),
    }
  },
})
