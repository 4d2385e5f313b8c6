import { Document, Page, Text, View } from '@react-pdf/renderer'
import { findingsFor } from '../../core/kinds/bore/advice/findings'
import { solveRound } from '../../core/kinds/bore/solve/round'
import { rowScene } from '../../drawing/bore/row'
import { boreWords } from '../../words/bore'
import { type BoreTerms, moveText, say, standsText } from '../../words/bore/findings'
import { borePageWords as words } from '../../words/bore/page/page'
import { t } from '../../words/language'
import { capital, jobName } from '../../words/terms'
import type { PrintedJob } from '../kind'
import { thePaper } from '../paper'
import { Drawing, findingsOnPaper, onPaper, PageHead, Row, s } from '../parts'
import { asPrintedAll } from '../type'

/** One printed page of a row of bores: the row, what was read, where every bore stands, what to do. */
export const reportPdf = (
  job: PrintedJob<'bore'>,
  unit: 'mm' | 'mil',
  round: string | undefined,
): Promise<Uint8Array> => page(job, unit, round, 'read')

/** The page to carry to the machine; undefined where nothing is known to move by. */
export async function moveSheetPdf(
  job: PrintedJob<'bore'>,
  unit: 'mm' | 'mil',
  round: string | undefined,
): Promise<Uint8Array | undefined> {
  const { solved } = readOf(job, round)
  return solved.sections.some(({ state }) => state !== 'nothing') ? page(job, unit, round, 'move') : undefined
}

function readOf({ document }: PrintedJob<'bore'>, id: string | undefined) {
  const round = document.rounds.find((one) => one.id === id) ?? document.rounds.at(-1)
  if (!round) throw new Error('A job has at least one round.')
  return { round, solved: solveRound(document.line, round) }
}

async function page(stored: PrintedJob<'bore'>, unit: 'mm' | 'mil', id: string | undefined, step: 'read' | 'move') {
  const job = asPrintedAll(stored)
  const { document } = job
  const { line } = document
  const { round, solved } = readOf(job, id)
  const terms: BoreTerms = { line, unit, resolution: solved.resolution }
  const number = document.rounds.indexOf(round) + 1
  const paper = findingsOnPaper(findingsFor(solved, line, 'move'), (finding) => say(finding, terms, solved.limit))
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
        <Drawing scene={rowScene(solved, terms, onPaper)} />
        <Text style={s.h}>{words.atTheBores}</Text>
        {solved.sections.map((one) => (
          <Row
            key={one.section.id}
            left={t`${one.section.name}: ${standsText(one, terms)}`}
            right={paper.still ? '' : capital(moveText(one, terms))}
          />
        ))}
        {step === 'read' ? (
          <View style={s.columns}>
            {[0, 1].map((half) => (
              <View key={half} style={s.column}>
                {(boreWords.record.readings?.(solved, terms) ?? [])
                  .filter((_, i) => i % 2 === half)
                  .map(({ title, rows }) => (
                    <View key={title} wrap={false}>
                      <Text style={{ fontWeight: 700 }}>{title}</Text>
                      {rows.map(([left, right]) => (
                        <Row key={left} left={left} right={right} />
                      ))}
                    </View>
                  ))}
              </View>
            ))}
          </View>
        ) : null}
        {paper.rest}
      </Page>
    </Document>,
  )
}
