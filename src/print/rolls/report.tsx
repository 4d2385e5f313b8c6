import { Document, Page, Text } from '@react-pdf/renderer'
import { findingsFor } from '../../core/kinds/rolls/advice/findings'
import { solveRound } from '../../core/kinds/rolls/solve/round'
import { sectionScene } from '../../drawing/rolls/section'
import { t } from '../../words/language'
import {
  monumentTexts,
  moveText,
  orientationText,
  type RollsTerms,
  rollName,
  say,
  spanText,
} from '../../words/rolls/findings'
import { rollsPageWords as words } from '../../words/rolls/page/page'
import { capital, jobName } from '../../words/terms'
import type { PrintedJob } from '../kind'
import { thePaper } from '../paper'
import { Drawing, findingsOnPaper, onPaper, PageHead, Row, s } from '../parts'
import { asPrintedAll } from '../type'

/** A section of rolls as it was read: every roll in every direction, what the web feels, what to do. */
export const reportPdf = (
  job: PrintedJob<'rolls'>,
  unit: 'mm' | 'mil',
  round: string | undefined,
): Promise<Uint8Array> => page(job, unit, round, 'read')

/** The page to carry to the machine; undefined where nothing is known to move by. */
export async function moveSheetPdf(
  job: PrintedJob<'rolls'>,
  unit: 'mm' | 'mil',
  round: string | undefined,
): Promise<Uint8Array | undefined> {
  const { solved } = readOf(job, round)
  return solved.plan.moves.length > 0 ? page(job, unit, round, 'move') : undefined
}

function readOf({ document }: PrintedJob<'rolls'>, id: string | undefined) {
  const round = document.rounds.find((one) => one.id === id) ?? document.rounds.at(-1)
  if (!round) throw new Error('A job has at least one round.')
  return { round, solved: solveRound(document.line, round) }
}

async function page(stored: PrintedJob<'rolls'>, unit: 'mm' | 'mil', id: string | undefined, step: 'read' | 'move') {
  const job = asPrintedAll(stored)
  const { document } = job
  const { line } = document
  const { round, solved } = readOf(job, id)
  const terms: RollsTerms = { line, unit, resolution: solved.resolution, width: solved.width ?? 1000 }
  const number = document.rounds.indexOf(round) + 1
  const [first] = document.rounds
  const before = first && first.id !== round.id ? solveRound(line, first) : undefined
  const paper = findingsOnPaper(findingsFor(solved, line, 'move'), (finding) => say(finding, terms))
  return thePaper().render(
    <Document title={t`${line.name}, job ${job.number}`} creator="Vane Peg" producer="Vane Peg">
      <Page size="A4" style={s.page}>
        <PageHead
          title={step === 'move' ? t`${line.name}: moves` : line.name}
          under={[line.area, jobName(job.number), document.title, t`round ${number} of ${document.rounds.length}`]}
          takenAt={round.takenAt}
          terms={{ line: { sides: line.sides, machines: [], couplings: [] }, unit }}
        />
        {paper.first}
        <Drawing scene={sectionScene(solved, terms, onPaper)} />
        <Text style={s.h}>{words.theRolls}</Text>
        {solved.rolls.map((one) => (
          <Row
            key={one.roll.id}
            left={t`${one.roll.name}: ${orientationText(one, terms)}`}
            right={paper.still ? '' : capital(moveText(one, solved.plan, terms))}
          />
        ))}
        {before ? (
          <>
            <Text style={s.h}>{words.beforeAndAfter}</Text>
            {solved.rolls.map((one) => {
              const was = before.rolls.find(({ roll }) => roll.id === one.roll.id)
              return (
                <Row
                  key={one.roll.id}
                  left={t`${one.roll.name}, before: ${orientationText(was, terms)}`}
                  right={t`now: ${orientationText(one, terms)}`}
                />
              )
            })}
          </>
        ) : null}
        {(line.monuments ?? []).length > 0 ? (
          <>
            <Text style={s.h}>{words.monuments}</Text>
            {monumentTexts(line, unit).map((text) => (
              <Text key={text}>{text}</Text>
            ))}
          </>
        ) : null}
        <Text style={s.h}>{words.theWeb}</Text>
        {solved.spans.map((span) => (
          <Row
            key={span.to}
            left={t`${rollName(span.from, line)} to ${rollName(span.to, line)}`}
            right={capital(spanText(span, terms, true))}
          />
        ))}
        {paper.rest}
      </Page>
    </Document>,
  )
}
