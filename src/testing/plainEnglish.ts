import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseSync } from 'vite'

/** A text of the program and where it is. Values put into it read `#`. */
export interface SourceText {
  file: string
  line: number
  text: string
}

type Node = { type: string; start: number } & Record<string, unknown>

const isNode = (value: unknown): value is Node => typeof (value as Node | undefined)?.type === 'string'
/** Two words or more, and neither styles, markup nor code. */
const isEnglish = (text: string): boolean => /[A-Za-z]{2,}[’,.]* [A-Za-z#]/.test(text) && !/[{}<]|: \w+;/.test(text)

/** Every literal of a file that reads as English. */
function textsOf(file: string): SourceText[] {
  const source = readFileSync(file, 'utf8')
  const found: SourceText[] = []
  const add = (start: number, text: string) => {
    if (isEnglish(text)) found.push({ file, line: source.slice(0, start).split('\n').length, text: text.trim() })
  }
  const visit = (value: unknown): void => {
    if (Array.isArray(value)) for (const one of value) visit(one)
    if (!isNode(value)) return
    const { type, start } = value
    if (/^(TS(?!AsExpression|SatisfiesExpression|NonNullExpression)|Import|Export(All|Specifier))/.test(type)) return
    // styles and queries are tagged as well; `t` marks a sentence
    if (type === 'TaggedTemplateExpression' && (value.tag as { name?: string }).name !== 't') return
    if (type === 'Literal' && typeof value.value === 'string') add(start, value.value)
    if (type === 'JSXText') add(start, String(value.value))
    if (type === 'TemplateLiteral') {
      const { quasis } = value as unknown as { quasis: { value: { cooked: string } }[] }
      add(start, quasis.map(({ value: { cooked } }) => cooked).join('#'))
    }
    for (const key of Object.keys(value)) visit(value[key])
  }
  visit(parseSync(file, source).program)
  return found
}

/** Every text of the sources below some folders, tests left out. */
export const textsBelow = (...folders: readonly string[]): SourceText[] =>
  folders.flatMap((folder) =>
    readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter((name) => /\.tsx?$/.test(name) && !/\.test\.tsx?$|\.d\.ts$/.test(name))
      .sort()
      .flatMap((name) => textsOf(join(folder, name))),
  )

/** Words and turns that nobody in the trade uses, or that mean something else here. */
const forbidden: readonly [name: string, pattern: RegExp][] = [
  ['home-made word', /\b(?:told|tells|telling|anew|nought|askew|mend|mended|mending|blade|droop|whose word|cure)\b/i],
  [
    'a clause for a noun',
    /\b(?:which|that|what|who) stays\b|\bwhat (?:it|they) hangs?\b|\bwhat is (?:left|open)\b|\bthe (?:shaft|sheave) that moves\b/i,
  ],
  ['a sign in words', /\b(?:below|above|over) zero\b/i],
  ['uncertainty in words', /\btwo (?:SD|standard deviations)\b|\bgive or take\b/i],
  ['a verb of our own', /\b(?:put away|bring back|brought back|bring in|take along|leave here)\b/i],
  ['turned', /\bturned (?:about|half round)\b|\bend for end\b|\bother way round\b/i],
  ['no one in particular', /\b(?:somebody|whoever)\b/i],
  ['wants', /\b(?:wants?|wanted|has to|have to)\b/i],
  ['alike', /\b(?:alike|as much|all the same|says so|is said|are said)\b/i],
  ['not entered', /\bnot given\b|\bnot known(?: yet)?\b/i],
  ['line screen', /’s own page\b/i],
  ['connected or disconnected', /\b(?:bolted up|as coupled|coupling (?:released|open|closed))\b/i],
  ['blank', /\bEmpty:/],
  [
    'not American',
    /\b(?:grey|metres?|millimetres?|colour|behaviour|licence|neighbour|labelled|levelled|centres?|centred|aluminium|bush|bushes|towards|afterwards|judgement)\b/i,
  ],
  ['a hyphen for a minus', /(?<![\w.,–-])-\d+(?:\.\d+)? (?:mm|mil|°)/],
  ['no space after ±', /±[\d#]/],
  ['no unit before high or low', /\d\.\d+ (?:high|low|toward|up|down)\b/],
]

/** Sentences of a text, and the two sides of a colon. */
const sentencesOf = (text: string): string[] => text.split(/(?<=[.!?:])\s+|\n/)
const wordsIn = (sentence: string): number => sentence.match(/[A-Za-z’'-]*[A-Za-z]{2,}[A-Za-z’'-]*/g)?.length ?? 0
const isFormula = (text: string): boolean => /[=÷×]/.test(text)

/** A sentence that somebody reads at a machine has no more words. */
export const longestSentence = 20

/** A sentence with a list of values in it is as long as its list. */
const isList = (sentence: string): boolean => (sentence.match(/,/g)?.length ?? 0) > 2

/** Words and turns of a text that are not plain English. */
export const forbiddenIn = (text: string): string[] =>
  forbidden.flatMap(([name, pattern]) => {
    const found = pattern.exec(text)
    return found ? [`${name}: “${found[0]}”`] : []
  })

/** What is wrong with a text as plain English. */
export function plainFaults(text: string): string[] {
  const faults = forbiddenIn(text)
  const sentences = sentencesOf(text)
  const long = sentences.find((one) => !isFormula(one) && !isList(one) && wordsIn(one) > longestSentence)
  if (long) faults.push(`${wordsIn(long)} words in a sentence`)
  if (sentences.some((one) => (one.match(/;/g)?.length ?? 0) > 1)) faults.push('two semicolons')
  if ((text.match(/:\s/g)?.length ?? 0) > 2) faults.push('three colons')
  return faults
}
