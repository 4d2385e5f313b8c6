import type { TrainTypes } from '../../core/kinds/train'
import { growthMm } from '../../core/kinds/train/document/growth'
import type { LineFault } from '../../core/kinds/train/document/lineTable'
import { type MachineKind, machineKinds } from '../../core/kinds/train/document/schema'
import type { KindWords } from '../kind'
import { labels, t } from '../language'
import { sayPlus } from '../probes'
import { seatFootName } from '../seat'
import {
  angleName,
  capital,
  couplingName,
  footName,
  inText,
  machineName,
  place,
  sideName,
  stateName,
  unitName,
  wayName,
} from '../terms'
import { growthText } from './growth'
import { machineKindNames } from './machines'
import { placeInRound } from './places'
import { trainTyped } from './typed'

const options = machineKinds.map((kind) => ({ value: kind, text: machineKindNames[kind] }))
const nameOf = (kind: string | undefined) =>
  machineKindNames[(kind ?? 'other') as MachineKind] ?? machineKindNames.other

/** A pack as it was typed, with blanks round its plus signs. */
const showPack = (text: string): string => text.replace(/\s*\+\s*/g, ' + ').trim()

export const trainWords: KindWords<TrainTypes> = labels({
  name: 'Coupled machines on feet',
  typed: trainTyped,
  newParts: [
    { label: 'On the left', options, usual: 'pump' },
    { label: 'On the right', options, usual: 'motor' },
  ],
  usualName: ([left, right]) => t`${nameOf(left)} and ${inText(nameOf(right))}`,
  lineFaults: {
    'no-name': 'a line needs a name.',
    twice: 'this line appears twice in the file.',
    known: 'a line with this name already exists in this area.',
    unit: 'the unit must be mm or in.',
    number: 'must be a number greater than zero.',
    type: 'the type must be motor, pump, gearbox, blower, fan or other.',
    'coupling-kind': 'the coupling must be short, spacer or rigid.',
    'too-few-machines': 'a line needs two machines, each with a name or a type.',
    fixed: 'the fixed machine must be one of this row’s machines.',
    'too-long': 'too long.',
  } satisfies Record<LineFault, string>,
  proved: {
    second: 'the right shaft',
    at: (id, line) => footName(id, { line }),
    plane: (plane, { sides }) => (plane === 'vertical' ? t`up` : t`toward ${sides.far}`),
    stands: place,
    way: (mm, plane, terms) =>
      plane === 'vertical' ? wayName[mm > 0 ? 'up' : 'down'] : t`toward ${sideName(mm > 0 ? 'far' : 'near', terms)}`,
  },
  record: {
    probe: (state, terms) => {
      const several = terms.line.couplings.length > 1
      const coupling = several ? t`, ${inText(couplingName(state.set.coupling, terms))}` : ''
      const set = state.setNumber ? t`, set ${state.setNumber}` : ''
      const plus = sayPlus(state.dial, state.channel, { side: (side) => sideName(side, terms) })
      return `${stateName(state, terms)}${coupling}${set}${plus && `: ${plus}`}`
    },
    angle: (degrees, { set }, terms) => angleName(degrees, terms, set.angleAs),
    conditions: (terms) => [
      t`Relative to the ${inText(machineName(terms.line.fixed, terms))} (fixed). ${terms.line.fixedBecause}`.trim(),
      ...terms.line.machines.flatMap(({ feet }) =>
        feet.flatMap(({ id, growth }) =>
          growth
            ? [
                t`${footName(id, terms)}: ${growthText(growthMm(growth), { ...terms, resolution: 0.01 })}${growth.source ? t` (${growth.source})` : ''}.`,
              ]
            : [],
        ),
      ),
    ],
    packs: ({ plan }, terms) =>
      Object.entries(plan?.packs ?? {}).flatMap(([foot, pack]) =>
        pack.text.trim() === ''
          ? []
          : [[capital(seatFootName(foot, terms)), `${showPack(pack.text)} ${unitName[pack.unit]}`] as const],
      ),
  },
  placeInRound,
})
