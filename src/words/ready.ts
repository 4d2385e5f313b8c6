import type { CautionId, Occasion } from '../core/ready/catalogue'
import type { ReadyState } from '../core/ready/ready'
import type { Said } from './said'
import { lengthWithUnit, type Terms } from './terms'

export const occasionNames: Readonly<Record<Occasion, string>> = {
  'new-set': 'New set',
  'after-overhaul': 'After overhaul',
  vibration: 'Vibration rising',
  periodic: 'Periodic check',
}

/** What each caution asks, short enough to read with a hand on the lock. */
export const cautionTexts: Readonly<Record<CautionId, { title: string; detail: string }>> = {
  isolated: {
    title: 'Energy isolated and locked',
    detail: 'Every source, by the site’s own procedure; your own lock.',
  },
  tried: { title: 'Tried: it does not start', detail: 'From every place it can be started from.' },
  stored: { title: 'Stored energy let go', detail: 'Pressure, springs, hanging loads, a wheel that can still turn.' },
  coupling: { title: 'Shafts cannot turn under power or by flow', detail: 'Valves shut, guard off only now.' },
  lifting: { title: 'Lifting and blocking agreed', detail: 'Rated gear; nobody under a load, blocks before hands.' },
  pinch: { title: 'Pinch points known', detail: 'Under feet, between hubs, behind brackets.' },
  hot: { title: 'Hot surfaces cool or covered', detail: 'Bearings, casings, pipes.' },
  hands: {
    title: 'No hands near while shafts turn',
    detail: 'Sleeves, brackets and cables clear; one person turns and says so.',
  },
}

/** What each check looks at. */
export const checkTexts: Readonly<Record<string, { title: string; detail: string }>> = {
  base: { title: 'Base and feet clean', detail: 'No rust, paint, burrs or old shim under any foot.' },
  shims: {
    title: 'Shims inspected',
    detail: 'None bent or rusted, at most four a foot, thin ones between thick ones.',
  },
  foundation: { title: 'Foundation and grout sound', detail: 'No cracks, no hollow sound, anchor bolts tight.' },
  'shaft-runout': { title: 'Shaft run-out', detail: 'Dial on the bare shaft beside the hub, one turn.' },
  'hub-runout': { title: 'Hub run-out, rim', detail: 'Dial on the hub’s rim, one turn of its own shaft.' },
  'face-runout': { title: 'Hub run-out, face', detail: 'Dial on the hub’s face, axial float held.' },
  'hub-separation': { title: 'Hub separation', detail: 'Against the maker’s value; put it right before the rest.' },
  float: { title: 'Axial float or magnetic centre', detail: 'Where the rotor sits when it runs.' },
  bearings: { title: 'Bearing play', detail: 'Lift with a bar, dial on the shaft; the maker says how much.' },
  piping: { title: 'Pipe and conduit strain', detail: 'Dial on the coupling while the flanges are loosened.' },
  'jack-bolts': { title: 'Jack bolts there and backed off', detail: 'Free of the feet while readings are taken.' },
  'which-moves': { title: 'Which machine moves, and why', detail: 'Room to move it both ways; pipes stay unstrained.' },
}

/** One thing worth saying in Ready, with its peg. */
export interface ReadySaid extends Said {
  key: string
  peg: 'outside' | 'unsure' | 'nothing' | 'within'
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
      title: `${cautionTexts[caution].title}?`,
      detail: `${state.openCautions.length} of 8 cautions open. Initials and time each. Your site’s rules and local codes decide.`,
    })
  for (const check of state.checks) {
    const title = check.own ?? checkTexts[check.id]?.title ?? check.id
    if (check.fault)
      said.push({
        key: `${check.id}-fault`,
        peg: 'outside',
        title: `${title}: the number cannot be read.`,
        detail: check.fault,
      })
    if (check.state === 'over')
      said.push({
        key: check.id,
        peg: 'outside',
        title:
          check.about === undefined
            ? `${title}: ${lengthWithUnit(Math.abs(check.value ?? 0), fine)} is too much.`
            : `${title}: ${lengthWithUnit(check.value ?? 0, fine)} is not what the maker says.`,
        detail: `${check.about === undefined ? `At most ${lengthWithUnit(check.limit ?? 0, fine)}${check.maker ? ' by the maker.' : ', unless the maker says otherwise.'}` : `${lengthWithUnit(check.about, fine)}, give or take ${lengthWithUnit(check.limit ?? 0, fine)}. Put it right before the rest.`}${check.id === 'piping' ? ' Mend the pipe first; it is never shimmed away.' : ''}`,
      })
    else if (check.state === 'bad')
      said.push({
        key: check.id,
        peg: 'outside',
        title: `${title}: not good.`,
        detail: 'Mend it before the first reading.',
      })
    else if (check.state === 'unreasoned')
      said.push({
        key: check.id,
        peg: 'outside',
        title: `${title}: skipped. Why?`,
        detail: 'Write the reason in its note; it goes into the record.',
      })
  }
  if (state.runOut)
    said.push({
      key: 'run-out',
      peg: 'outside',
      title: state.runOut.kind === 'hub' ? 'The hub sits off its shaft.' : 'The shaft is bent.',
      detail:
        state.runOut.kind === 'hub'
          ? 'Run-out at the hub and not on the shaft. Turn both shafts together when reading, or mend the hub.'
          : 'Run-out on the bare shaft as well. No alignment mends that.',
    })
  const open = state.checks.filter((check) => check.state === 'open')
  const [next] = open
  if (next)
    said.push({
      key: 'next',
      peg: 'nothing',
      title: `Next: ${(next.own ?? checkTexts[next.id]?.title ?? next.id).toLowerCase()}.`,
      detail: `${open.length} of ${state.checks.length} checks open.`,
    })
  if (said.length === 0)
    said.push({ key: 'done', peg: 'within', title: 'Ready.', detail: 'Next: how it sits on its feet.' })
  return said
}
