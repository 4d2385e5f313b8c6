import { cautions, type Occasion } from '../core/ready/catalog'
import type { ReadyState } from '../core/ready/ready'
import { cautionTexts } from './cautions'
import { labels, t } from './language'
import type { Message } from './said'
import { lengthWithUnit, lowerFirst, type Terms } from './terms'
import { sayTrouble } from './troubles'

export const occasionNames: Readonly<Record<Occasion, string>> = labels({
  'new-set': 'New installation',
  'after-overhaul': 'After overhaul',
  vibration: 'Vibration rising',
  periodic: 'Periodic check',
})

/** What each check looks at. */
export const checkTexts: Readonly<Record<string, { title: string; detail: string }>> = labels({
  base: { title: 'Base and feet clean', detail: 'No rust, paint, burrs or old shim under any foot.' },
  shims: {
    title: 'Shims inspected',
    detail: 'None bent or rusted, four per foot at most, thin ones between thick ones.',
  },
  foundation: { title: 'Foundation and grout sound', detail: 'No cracks, no hollow sound, anchor bolts tight.' },
  'shaft-runout': { title: 'Shaft run-out', detail: 'Dial on the bare shaft beside the hub, one turn.' },
  'hub-runout': { title: 'Hub run-out, rim', detail: 'Dial on the hub’s rim, one turn of its own shaft.' },
  'face-runout': { title: 'Hub run-out, face', detail: 'Dial on the hub’s face, axial float held.' },
  'hub-separation': {
    title: 'Hub separation (DBSE)',
    detail: 'Against the maker’s value. Set it before anything else.',
  },
  float: { title: 'Axial float or magnetic center', detail: 'Where the rotor runs.' },
  bearings: { title: 'Bearing play', detail: 'Lift with a bar, dial on the shaft. See the maker’s value.' },
  piping: { title: 'Pipe and conduit strain', detail: 'Dial on the coupling while the flanges are loosened.' },
  'joint-clean': {
    title: 'Joint clean, no burrs, spigot not bottomed',
    detail: 'Clean and reseat before you shim. Turning the motor one bolt position shows which flange is at fault.',
  },
  'flange-runout': { title: 'Flange face run-out', detail: 'To its own shaft, one turn.' },
  'spigot-runout': { title: 'Spigot run-out', detail: 'To its own shaft, one turn.' },
  'adapter-parallel': { title: 'Adapter faces parallel', detail: 'Micrometer at four places.' },
  'sheaves-clean': {
    title: 'Sheaves clean, no burrs',
    detail: 'Wipe faces and grooves. A burr lifts the straightedge.',
  },
  'grooves-gauge': {
    title: 'Grooves against a wear gauge',
    detail: 'A worn groove is no reference. Belts of a set are replaced together.',
  },
  'bushes-torqued': { title: 'Bushings torqued', detail: 'Draw in both halves of a split bushing equally.' },
  'sheave-face-runout': {
    title: 'Sheave run-out, face',
    detail: 'Maximum 0.1 % of the diameter, or the maker’s figure.',
  },
  'sheave-rim-runout': { title: 'Sheave run-out, rim', detail: 'Dial on the rim, one turn by hand.' },
  'belts-slack': { title: 'Belts slack or off', detail: 'While reading and moving. Never pry a belt over a sheave.' },
  'bores-clean': {
    title: 'Bores clean, burrs off the wall',
    detail: 'Mark oil holes and keyways so that no tip runs over one.',
  },
  'bores-gauged': {
    title: 'Bores and shaft checked for roundness',
    detail: 'Largest minus smallest diameter, at both ends to show taper.',
  },
  'rotor-supported': {
    title: 'Rotor out or supported',
    detail: 'By the site lifting plan. Nothing rests on a head or carrier.',
  },
  'carrier-stiff': {
    title: 'Carrier stiff, sag measured at this span',
    detail: 'Press the head with a finger and release: the reading must return.',
  },
  'bores-coarse': {
    title: 'Rough check with a feeler at four places',
    detail: 'Finds large misalignment before you mount a head.',
  },
  'rolls-runout': { title: 'Roll run-out and journals', detail: 'Dial on the face, one turn by hand, at both ends.' },
  'rolls-housings': {
    title: 'Housings and bearings tight, not worn',
    detail: 'Repair a loose roll before aligning it. Pivoting rolls: check play at both ends of the stroke.',
  },
  'rolls-clean': {
    title: 'Faces clean, crowned rolls identified',
    detail: 'On a crowned or worn face, read both ends at the same distance from center.',
  },
  'rolls-floor': {
    title: 'Floor firm enough for a stand',
    detail: 'Walk round the instrument and read again: the reading must not change.',
  },
  'rolls-drives': { title: 'Drives locked out, air released', detail: 'Nips, dancers and accumulators hold energy.' },
  'jack-bolts': { title: 'Jack bolts fitted and backed off', detail: 'Free of the feet while readings are taken.' },
  'which-moves': {
    title: 'Which machine moves, and why',
    detail: 'Room to move it both ways without straining pipes.',
  },
})

/** One thing worth saying in Ready, with its peg. */
export interface ReadySaid extends Message {
  key: string
  peg: 'outside' | 'unsure' | 'nothing' | 'within'
}

/** What brings the hubs to the maker's separation: jacked along the shaft, by so much apart or together. */
function axialMove({ value, about }: ReadyState['checks'][number], terms: Terms): string {
  if (value === undefined || about === undefined) return ''
  const by = lengthWithUnit(Math.abs(about - value), terms)
  return about > value
    ? t`Jack the movable machine ${by} along the shaft, away from the other.`
    : t`Jack the movable machine ${by} along the shaft, toward the other.`
}

/** What to say of the work before the first reading, most urgent first. */
export function sayReady(state: ReadyState, terms: Terms): ReadySaid[] {
  const said: ReadySaid[] = []
  const fine = { ...terms, resolution: 0.01 }
  const [caution] = state.openCautions
  if (caution)
    said.push({
      key: 'caution',
      peg: 'outside',
      title: `${cautionTexts[caution].title}.`,
      detail: t`${state.openCautions.length} of ${cautions.length} cautions not initialed. Your site’s rules and local codes apply.`,
    })
  for (const check of state.checks) {
    const title = check.own ?? checkTexts[check.id]?.title ?? check.id
    if (check.fault)
      said.push({
        key: `${check.id}-fault`,
        peg: 'outside',
        title: t`${title}: not a number.`,
        detail: sayTrouble(check.fault),
      })
    const along = check.id === 'hub-separation' && check.state === 'over' ? axialMove(check, fine) : ''
    if (check.state === 'over')
      said.push({
        key: check.id,
        peg: 'outside',
        title:
          check.about === undefined
            ? t`${title}: ${lengthWithUnit(Math.abs(check.value ?? 0), fine)} is too much.`
            : t`${title}: ${lengthWithUnit(check.value ?? 0, fine)} is outside the maker’s figure.`,
        detail: `${check.about === undefined ? t`Maximum ${lengthWithUnit(check.limit ?? 0, fine)}${check.maker ? t` by the maker.` : t`, unless the maker says otherwise.`}` : t`${lengthWithUnit(check.about, fine)} ± ${lengthWithUnit(check.limit ?? 0, fine)}. Correct it before anything else.`}${along && ` ${along}`}${check.id === 'piping' ? t` Correct the pipe strain first. Never shim it away.` : ''}`,
      })
    else if (check.state === 'bad')
      said.push({
        key: check.id,
        peg: 'outside',
        title: t`${title}: not OK.`,
        detail: t`Correct it before the first reading.`,
      })
    else if (check.state === 'unreasoned')
      said.push({
        key: check.id,
        peg: 'outside',
        title: t`${title}: skipped without a reason.`,
        detail: t`Enter the reason in the note. It goes on the record.`,
      })
  }
  if (state.runOut)
    said.push({
      key: 'run-out',
      peg: 'outside',
      title: state.runOut.kind === 'hub' ? t`The hub is eccentric on its shaft.` : t`The shaft is bent.`,
      detail:
        state.runOut.kind === 'hub'
          ? t`Run-out at the hub but not on the shaft. Turn both shafts together when reading, or correct the hub.`
          : t`Run-out on the bare shaft as well. Alignment won’t fix that.`,
    })
  const open = state.checks.filter((check) => check.state === 'open')
  const [next] = open
  if (next)
    said.push({
      key: 'next',
      peg: 'nothing',
      title: t`Next: ${next.own ?? lowerFirst(checkTexts[next.id]?.title ?? next.id)}.`,
      detail: t`${open.length} of ${state.checks.length} checks to do.`,
    })
  if (said.length === 0) said.push({ key: 'done', peg: 'within', title: t`Pre-checks done.` })
  return said
}
