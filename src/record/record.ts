import { isValid } from 'date-fns/isValid'
import { provedOf } from '../core/job/proved'
import { type AnyJob, checksOf, type KindName, type Kinds, kindOf } from '../core/kinds'
import { samePerson } from '../core/people/roles'
import { type ProofJoint, type ProofOpen, speedOf } from '../core/prove/proof'
import { nothingSaid, ticksFor } from '../core/prove/schema'
import { readyState } from '../core/ready/ready'
import { solveSeat } from '../core/seat/state'
import { drawings } from '../drawing'
import { wordsOf } from '../words'
import { cautionTexts } from '../words/cautions'
import { sayLongDate, sayStoredDay, sayTime } from '../words/dates'
import { jointText, limitsText } from '../words/judged'
import type { DisplayContext } from '../words/kind'
import { labels, t } from '../words/language'
import { type ProofTerms, proofTerms, proofTickTexts, sayOpen, saySpeed } from '../words/prove'
import { type ReadingTable, readingTable } from '../words/readings'
import { checkTexts, occasionNames } from '../words/ready'
import { storyOf, whoseText, recordWords as words } from '../words/record'
import { saySeat } from '../words/seat'
import { capital, couplingName, inText, jobName, length, machineName, unitName } from '../words/terms'
import type { Block, Item, Sheet, Table } from './blocks'
import type { NextTold } from './next'
import { sidesOf } from './sides'
import { jobTyped, lineTyped, roundTyped } from './typed'

/** What was signed, by whom, and what was accepted as it was. */
export interface Signed {
  revision: number
  doneBy: string
  checkedBy: string
  /** ISO date and time. */
  at: string
  accepted: readonly { what: string; because: string }[]
  /** Names of the accounts behind the initials. */
  accounts?: { doneBy: string; checkedBy?: string } | undefined
  /** Of the revision's canonical JSON. */
  sha256: string
}

/** A piece of kit as it stood when the record was made. */
export interface Instrument {
  name: string
  /** Day its calibration is due, or none. */
  due: string
}

export interface RecordOptions {
  unit: 'mm' | 'mil'
  /** The site's own name and mark, at the head. */
  site?: { name: string; mark: string } | undefined
  instruments?: ReadonlyMap<string, Instrument>
  signed?: Signed | undefined
  /** When to look again, and why. */
  next?: NextTold | undefined
}

/** The size of a drawing on paper, px. */
const drawn = { width: 1060, height: 270 }

/** A job of any kind, as it is printed: two pages for a pair, then everything that was read. */
export function recordOf<K extends KindName>(
  { number, document }: { number: number; document: AnyJob<K> },
  { unit, site, instruments = new Map(), signed, next }: RecordOptions,
): Sheet {
  const { line, proof: said = nothingSaid } = document
  const kind = { kind: line.kind as K }
  const { rounds, proof } = provedOf<K>(document)
  const last = proof.left === undefined ? undefined : rounds[proof.left]
  const terms = proofTerms<K>(line, { unit, resolution: last?.resolution ?? 0.01 })
  const told = { line, unit, resolution: terms.resolution }
  const { record } = wordsOf<K>(kind)
  const solved = document.rounds.map((round) => kindOf<K>(kind).solve(line, round))
  const sight = (index: number, ghost: number | undefined, title: string): Block[] => {
    const round = solved[index]
    if (!round) return []
    const scene = drawings[kind.kind].sight(round, ghost === undefined ? undefined : solved[ghost], told, drawn)
    return [{ kind: 'drawing', scene, title, label: `${title}: ${words.bothPlanes}` }]
  }
  const story = storyOf(rounds, proof, said, terms, { accepted: (signed?.accepted.length ?? 0) > 0 })
  const { found, left } = proof
  const packs = document.rounds
    .flatMap((round) => record.packs(round, told))
    .reduce((now, [place, pack]) => now.set(place, pack), new Map<string, string>())
  return {
    title: `${line.name || t`Line`}: ${words.record.toLowerCase()}`,
    under: [
      site?.name ?? '',
      line.area,
      jobName(number),
      document.title,
      signed ? t`revision ${signed.revision}` : words.notSigned,
    ],
    beside: [
      timeOf(signed?.at ?? document.rounds.at(-1)?.takenAt),
      [...sidesOf(terms.line), t`numbers in ${unitName[unit]}`].join(' · '),
    ],
    ...(site?.mark ? { mark: { id: site.mark, label: site.name } } : {}),
    foot: signed
      ? t`Job ${number}, revision ${signed.revision}. SHA-256 ${signed.sha256}`
      : t`Job ${number}, not signed.`,
    blocks: [
      { kind: 'verdict', peg: story.peg, text: story.verdict },
      ...story.sentences.map((text): Block => ({ kind: 'text', text })),
      ...(next ? [{ kind: 'text', text: t`${words.nextCheck}: ${timeOf(next.on)}. ${next.because}` } as const] : []),
      ...(document.note ? [{ kind: 'text', text: document.note } as const] : []),
      ...(found === undefined
        ? []
        : sight(
            found,
            undefined,
            found !== left ? words.asFound : rounds[found]?.move ? words.movedSince : words.onlyRound,
          )),
      ...(left === undefined || left === found ? [] : sight(left, found, words.asLeft)),
      ...positions(proof.places, terms),
      ...(last && last.joints.length > 0 ? [limits(last.joints, proof.joints, line, terms)] : []),
      ...(record.judged && left !== undefined && solved[left] ? record.judged(solved[left], told) : []),
      ...(last && last.joints.length > 0
        ? [
            {
              kind: 'text',
              quiet: true,
              text: last.joints.map((joint) => saySpeed(joint.id, speedOf(joint), terms)).join(' '),
            } as const,
          ]
        : []),
      signatures(document.doneBy, signed),
      { kind: 'page' },
      { kind: 'heading', level: 1, text: words.onTheWay },
      ...softFoot<K>(document, terms),
      ...(packs.size > 0
        ? [{ kind: 'table', title: words.packs, head: [words.place, words.pack], rows: [...packs] } as const]
        : []),
      {
        kind: 'list',
        items: ticksFor(kindOf<K>(kind).seats(line).length > 0).map((tick) => {
          const done = said.ticks[tick]
          return {
            peg: done ? 'within' : 'nothing',
            text: `${proofTickTexts[tick].title}: ${done ? `${done.by}, ${timeOf(done.at)}` : t`not initialed`}`,
          }
        }),
      },
      { kind: 'heading', level: 1, text: words.conditions },
      {
        kind: 'list',
        items: [...before(document, checksOf<K>(line)), ...record.conditions(told)].map((text) => ({ text })),
      },
      ...openItems(proof.open, signed, terms),
      { kind: 'heading', level: 1, text: words.asTyped },
      ...lineTyped<K>(line, words.dimensions),
      ...jobTyped<K>(document, words.beforeAndAfter),
      ...document.rounds.flatMap((round, i): Block[] => {
        const one = solved[i]
        if (!one) return []
        const here = { ...told, resolution: rounds[i]?.resolution ?? told.resolution }
        const tables = readingsOf<K>(document, one, here)
        const typed = roundTyped<K>(line, round, words.howItWasRead)
        if (tables.length === 0 && typed.length === 0) return []
        return [
          {
            kind: 'heading',
            level: 1,
            text: [t`${words.readings}, round ${i + 1}`, timeOf(round.takenAt), round.by].filter(Boolean).join(', '),
          },
          ...tables.map(
            ({ title, under, at, raw, corrected, closes }): Table => ({
              kind: 'table',
              title: `${title}, ${unitName[unit]}: ${under}`,
              head: ['', ...at, ...(closes ? [words.closes] : [])],
              rows: [
                [words.asRead, ...raw, ...(closes ? [closes] : [])],
                [words.corrected, ...corrected, ...(closes ? [''] : [])],
              ],
              numbers: [...at, ...(closes ? [''] : [])].map((_, column) => column + 1),
            }),
          ),
          ...typed,
        ]
      }),
      ...instrumentsOf<K>(document, instruments, signed?.at),
      ...photographs(document),
      { kind: 'text', quiet: true, text: words.safety },
    ],
  }
}

/** What was read in a round, probe by probe. */
export function readingsOf<K extends KindName>(
  { line }: Pick<AnyJob<K>, 'line'>,
  solved: Kinds[K]['solved'],
  told: DisplayContext<Kinds[K]>,
): ReadingTable[] {
  const kind = { kind: line.kind as K }
  const { probe, angle } = wordsOf<K>(kind).record
  return kindOf<K>(kind)
    .states(solved)
    .flatMap(
      (state) =>
        readingTable(state, { name: probe(state, told), at: (degrees: number) => angle(degrees, state, told) }, told) ??
        [],
    )
}

/** The kit that the readings of a job name: by id, what each was called. */
export function kitIn<K extends KindName>(document: AnyJob<K>): ReadonlyMap<string, string> {
  const kind = kindOf<K>({ kind: document.line.kind as K })
  const used = document.rounds
    .flatMap((round) => kind.states(kind.solve(document.line, round)))
    .flatMap(({ dial: { kit } }) => [kit?.dial, kit?.bracket].flatMap((one) => (one ? [one] : [])))
  return new Map(used.map(({ id, name }) => [id, name]))
}

/** A day and a time in words; nothing where it is none. */
function timeOf(at: string | undefined): string {
  const day = new Date(at ?? '')
  if (!isValid(day)) return ''
  return at?.includes('T') ? `${sayLongDate(day)}, ${sayTime(day)}` : sayLongDate(day)
}

function positions(places: ReturnType<typeof provedOf>['proof']['places'], terms: ProofTerms): Table[] {
  if (places.length === 0) return []
  const moved = places.some((one) => one.moved !== undefined)
  const stands = (mm: number | undefined, plane: (typeof places)[number]['plane']) =>
    mm === undefined ? '' : terms.stands(mm, plane)
  return [
    {
      kind: 'table',
      title: `${words.positions}, ${unitName[terms.unit]}`,
      head: [words.station, words.direction, words.found, ...(moved ? [words.moved] : []), words.left, words.doubt],
      rows: places.map((one) => [
        terms.at(one.place),
        terms.plane(one.plane),
        stands(one.found, one.plane),
        ...(moved ? [one.moved === undefined ? '' : terms.went(one.moved, one.plane)] : []),
        stands(one.left, one.plane),
        length(2 * one.sd, terms),
      ]),
    },
  ]
}

function limits(
  joints: readonly ProofJoint[],
  proved: ReturnType<typeof provedOf>['proof']['joints'],
  line: AnyJob['line'],
  terms: ProofTerms,
): Table {
  return {
    kind: 'table',
    title: words.limits,
    head: [words.coupling, words.allowed, words.whose, words.measured, words.used],
    rows: joints.map((joint, j) => {
      const used = proved[j]?.used
      const { verdict } = joint.solution
      return [
        couplingName(joint.id, terms),
        limitsText(verdict?.limits, joint.joint.flexPlanes !== undefined, terms),
        whoseText(joint, 'tolerance' in line ? line.tolerance : { policy: '' }),
        jointText(joint, terms),
        used ? `${Math.round(100 * used.share)} %` : '',
      ]
    }),
  }
}

/** Initials, and whose account they were signed from. */
const withAccount = (initials: string, account: string | undefined): string =>
  account ? t`${initials}, account of ${account}` : initials

/** Who checked it; said to be nobody else where it is whoever did it. */
function checkedBy(signed: Signed | undefined): string {
  const by = withAccount(signed?.checkedBy ?? '', signed?.accounts?.checkedBy)
  return signed && samePerson(signed.checkedBy, signed.doneBy)
    ? t`${by}, who did it as well: nobody else checked it`
    : by
}

const signatures = (doneBy: string, signed: Signed | undefined): Block => ({
  kind: 'signatures',
  lines: [
    { title: words.doneBy, by: withAccount(signed?.doneBy ?? doneBy, signed?.accounts?.doneBy) },
    { title: words.checkedBy, by: checkedBy(signed) },
    { title: words.dateAndTime, by: signed ? timeOf(signed.at) : '' },
  ],
})

/** Soft foot as found and after the cure, machine by machine. */
function softFoot<K extends KindName>({ line, seat }: AnyJob<K>, terms: ProofTerms): Block[] {
  const passes = labels({ before: 'as found', after: 'after correction' } as const)
  const items = kindOf<K>({ kind: line.kind as K })
    .seats(line)
    .flatMap((machine): Item[] => {
      const own = seat?.[machine.id]
      const found = own
        ? (['before', 'after'] as const).flatMap((pass): Item[] => {
            const state = solveSeat(machine, own, pass)
            const [finding] = state.findings
            return finding
              ? [
                  {
                    peg: finding.kind === 'clean' ? 'within' : 'outside',
                    text: `${capital(passes[pass])}: ${saySeat({ kind: 'seat-found', peg: 'outside', state, finding, first: true }, terms).title}${own.torque && pass === 'after' ? ` ${own.torque}.` : ''}`,
                  },
                ]
              : []
          })
        : []
      return found.length > 0
        ? found
        : [
            {
              peg: 'nothing',
              text: t`Soft foot of the ${inText(machineName(machine.id, terms))} was not measured.`,
            },
          ]
    })
  return items.length > 0 ? [{ kind: 'list', items }] : []
}

/** Permit, occasion, open cautions, skipped checks. */
function before(document: AnyJob, checks: Parameters<typeof readyState>[1]): string[] {
  const ready = readyState(document, checks)
  const name = (id: string, own?: string) => own ?? checkTexts[id]?.title ?? id
  const note = (id: string) => document.ready?.checks[id]?.note ?? ''
  return [
    t`Reason for the job: ${occasionNames[ready.occasion].toLowerCase()}.`,
    document.ready?.permit ? t`Permit ${document.ready.permit}.` : '',
    ready.openCautions.length === 0
      ? t`All cautions initialed.`
      : t`Cautions not initialed: ${ready.openCautions.map((id) => cautionTexts[id].title).join(', ')}.`,
    ...ready.checks.flatMap(({ id, own, state }) =>
      state === 'skipped' || state === 'bad' || state === 'over' || state === 'unreasoned'
        ? [
            state === 'skipped' || state === 'unreasoned'
              ? t`Skipped: ${name(id, own)} (${note(id) || t`no reason entered`}).`
              : t`Not OK: ${name(id, own)}${note(id) ? ` (${note(id)})` : ''}.`,
          ]
        : [],
    ),
  ].filter(Boolean)
}

function openItems(open: readonly ProofOpen[], signed: Signed | undefined, terms: ProofTerms): Block[] {
  const { accepted = [] } = signed ?? {}
  return [
    { kind: 'heading', level: 1, text: words.openItems },
    accepted.length > 0
      ? {
          kind: 'table',
          title: '',
          head: [words.openItems, words.accepted],
          rows: accepted.map(({ what, because }) => [what, because]),
        }
      : {
          kind: 'list',
          items:
            open.length > 0 ? open.map((one) => ({ text: sayOpen(one, terms).title })) : [{ text: words.noBearing }],
        },
  ]
}

function photographs({ photographs: taken = [] }: AnyJob): Block[] {
  if (taken.length === 0) return []
  return [
    { kind: 'heading', level: 1, text: words.photographs },
    ...taken.map(
      ({ id, label, by, takenAt }): Block => ({
        kind: 'photograph',
        id,
        label: [label || words.noLabel, by, timeOf(takenAt)].filter(Boolean).join(', '),
      }),
    ),
  ]
}

function instrumentsOf<K extends KindName>(
  document: AnyJob<K>,
  instruments: ReadonlyMap<string, Instrument>,
  at: string | undefined,
): Block[] {
  const used = kitIn(document)
  if (used.size === 0) return []
  const day = (at ?? document.rounds.at(-1)?.takenAt ?? '').slice(0, 10)
  return [
    {
      kind: 'table',
      title: words.instruments,
      head: [words.instrument, words.calibrationDue],
      rows: [...used].map(([id, name]) => {
        const one = instruments.get(id)
        if (!one) return [name, words.notInTheKit]
        return [
          one.name,
          one.due ? `${sayStoredDay(one.due)}${one.due < day ? `: ${words.lapsed}` : ''}` : words.noDate,
        ]
      }),
    },
  ]
}
