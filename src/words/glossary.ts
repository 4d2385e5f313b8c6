import { labels } from './language'

export interface GlossaryTerm {
  term: string
  /** What it means, in one sentence. */
  means: string
  /** Other forms a screen uses, as words of a regular expression. */
  also?: string
}

/** The trade's terms that a screen uses, in the order of the alphabet. docs/glossary.md is written from them (`npm run schema`). */
export const glossary: readonly GlossaryTerm[] = labels<readonly GlossaryTerm[]>([
  {
    term: 'Angularity',
    means: 'How much two centerlines open up over a length, such as 0.05 mm per 100 mm.',
    also: 'angular',
  },
  {
    term: 'As found, as left',
    means: 'The first and the last complete set of readings on a job.',
    also: 'as found|as left',
  },
  { term: 'Back feet', means: 'The feet farther from the coupling.' },
  { term: 'Backlash', means: 'Lost turn in a screw or coupling: approach every reading from the same side.' },
  { term: 'Base-bound', means: 'A foot needs to go down, but no shims are left to take out.' },
  { term: 'Bolt-bound', means: 'A foot needs to go sideways, but its bolt already touches the hole.' },
  {
    term: 'Bolt-hole clearance',
    means: 'How far a foot can move sideways before its bolt touches the hole.',
    also: 'side limits?',
  },
  {
    term: 'Bracket sag',
    means: 'How far the dial bracket bends under its own weight when it hangs below the shaft.',
    also: 'sags?|sag subtracted',
  },
  {
    term: 'Catenary',
    means: 'The curve a stretched wire hangs in: read in the middle, it is low by its sag.',
    also: 'wire sag',
  },
  { term: 'Centerline', means: 'The straight line a shaft turns about.', also: 'axis' },
  {
    term: 'Closure',
    means: 'Top plus bottom must equal the two sides added: if not, a reading is wrong.',
    also: 'closes?|does not close',
  },
  {
    term: 'Combined uncertainty',
    means: 'All uncertainties varied together in many trials, and how often the result was within.',
  },
  { term: 'Disconnected', means: 'The coupling is apart, so each shaft can turn on its own.', also: 'connected' },
  { term: 'Dowel', means: 'A pin that fixes the machine’s position on its base.' },
  { term: 'Down the line', means: 'The way the web or the machine train runs, away from the reference.' },
  { term: 'Face', means: 'The flat side of a coupling hub or sheave, square to its shaft.', also: 'face readings?' },
  {
    term: 'Feeler gauge',
    means: 'A thin strip of known thickness, pushed into a gap to measure it.',
    also: 'feelers?',
  },
  { term: 'Fixed machine', means: 'The machine that is not moved: the other is aligned to it.', also: 'fixed' },
  { term: 'Front feet', means: 'The feet nearer to the coupling.' },
  { term: 'Gap', means: 'The distance between two coupling faces, measured at one angle.', also: 'gaps' },
  { term: 'Gauge block', means: 'A block of exactly known thickness, used to check a dial or a sensor.' },
  { term: 'High spot', means: 'The angle at which a rim or face reads highest.' },
  {
    term: 'Hub separation (DBSE)',
    means: 'The distance between the shaft ends or hub faces at the coupling.',
    also: 'hub separation|dbse',
  },
  { term: 'Jack bolt', means: 'A screw on the base that pushes a machine sideways.', also: 'jack bolts?' },
  { term: 'Level', means: 'An instrument that shows how far something is from horizontal.', also: 'spirit level' },
  { term: 'Limits', means: 'How far a foot can go before its bolts, its shims or the base stop it.' },
  {
    term: 'Movable machine',
    means: 'The machine that is shimmed and pushed until it is in line with the fixed one.',
    also: 'movable',
  },
  { term: 'Near, far', means: 'The side you stand on, and the side across the shaft.', also: 'near side|far side' },
  { term: 'Offset', means: 'How far one centerline is beside or above the other at one place.', also: 'offsets' },
  { term: 'Outstanding', means: 'Something that still needs doing, or a reason, before the job is signed.' },
  { term: 'Pipe strain', means: 'Piping pulls on a machine and moves it when its bolts are loosened.' },
  { term: 'Preload', means: 'To push a dial’s stem to about mid-travel, so it can move both ways.' },
  {
    term: 'Repeatability',
    means: 'How closely the same reading comes back when nothing has changed.',
    also: 'repeats?',
  },
  { term: 'Residual', means: 'The misalignment left after the moves.' },
  { term: 'Resolution', means: 'The smallest step an instrument shows.', also: 'graduation' },
  { term: 'Reverse dials', means: 'Two dials, one on each shaft, each reading the other hub’s rim.' },
  { term: 'Revolution counter', means: 'The small hand that counts full turns of a dial.' },
  { term: 'Rim', means: 'The round outside of a coupling hub or sheave.', also: 'rim and face' },
  { term: 'Run-out', means: 'How much a hub or shaft is out of true by itself as it turns.', also: 'run.out' },
  { term: 'SD', means: 'Standard deviation: ± 2 SD holds about 95 of 100 repeated results.', also: '2 sd' },
  { term: 'Sheave', means: 'A grooved or toothed wheel that carries a belt.', also: 'sheaves' },
  {
    term: 'Shim pack',
    means: 'The shims under one foot: at most four, thin ones between thick ones.',
    also: 'shims?|packs?',
  },
  {
    term: 'Soft foot',
    means: 'A foot that rises when its bolt is loosened, because it does not sit flat.',
    also: 'rocks?|springy|angled',
  },
  { term: 'Spacer', means: 'The piece between the two hubs of a long coupling.' },
  { term: 'Spigot', means: 'The round step that centers one flange in another.' },
  { term: 'Swing', means: 'To turn a machine about its front feet, seen from above.' },
  { term: 'Target line', means: 'Where the centerlines need to be, cold, to be in line when running.' },
  {
    term: 'Thermal growth',
    means: 'How far a foot rises or moves from cold to running temperature.',
    also: 'growth|grows?',
  },
  { term: 'Tilt', means: 'How far a sheave or machine leans, seen from the side.' },
  {
    term: 'TIR',
    means: 'Total indicator reading: the highest minus the lowest reading in one full turn.',
    also: 'total reading',
  },
  {
    term: 'Tolerance',
    means: 'The largest misalignment allowed; the maker’s figure overrides every other.',
    also: 'limit',
  },
  { term: 'Uncertainty', means: 'How far the true value may be from the result, given as ± 2 SD.' },
  { term: 'Web', means: 'The paper, film or strip that runs over the rolls.' },
  { term: 'Wobble', means: 'Face run-out: the face moves in and out as it turns.' },
])

const own = (term: string): string => term.replace(/\s*\(.*\)/, '').replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&')
const patternOf = ({ term, also }: GlossaryTerm): RegExp =>
  new RegExp(`(?<!\\p{L})(?:${[own(term), ...(also ? [also] : [])].join('|')})(?!\\p{L})`, 'iu')

/** The terms that a text uses. */
export const termsIn = (text: string): GlossaryTerm[] => glossary.filter((one) => patternOf(one).test(text))

/** docs/glossary.md. */
export const glossaryPage = (): string =>
  [
    '# Glossary',
    '',
    'The terms a screen uses, one sentence each, as the page shows them behind *Terms*. Written by `npm run schema` from `src/words/glossary.ts`: change it there.',
    '',
    ...glossary.flatMap(({ term, means }) => [`**${term}**: ${means}`, '']),
  ].join('\n')
