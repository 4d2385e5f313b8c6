import { Document, Page, Text, View } from '@react-pdf/renderer'
import { findingsFor } from '../../core/kinds/belt/advice/findings'
import { solveRound } from '../../core/kinds/belt/solve/round'
import { driveScene } from '../../drawing/belt/drive'
import { beltWords } from '../../words/belt'
import { type BeltTerms, packsText, say, shimText, slideText, swingText } from '../../words/belt/findings'
import { beltPageWords as words } from '../../words/belt/page/page'
import { t } from '../../words/language'
import { capital, jobName } from '../../words/terms'
import type { PrintedJob } from '../kind'
import { thePaper } from '../paper'
import { Drawing, findingsOnPaper, onPaper, PageHead, Row, s } from '../parts'
import { asPrintedAll } from '../type'

/** One printed page of a belt drive: the drive, what was read, what the belt feels, what to do. */
export const reportPdf = (
  job: PrintedJob<'belt'>,
  unit: 'mm' | 'mil',
  round: string | undefined,
): Promise<Uint8Array> => page(job, unit, round, 'read')

/** The page to carry to the machine; undefined where nothing is known to move by. */
export async function moveSheetPdf(
  job: PrintedJob<'belt'>,
  unit: 'mm' | 'mil',
  round: string | undefined,
): Promise<Uint8Array | undefined> {
  const { solved } = readOf(job, round)
  return solved.sheaves.some(({ work }) => work.length > 0) ? page(job, unit, round, 'move') : undefined
}

function readOf({ document }: PrintedJob<'belt'>, id: string | undefined) {
  const round = document.rounds.find((one) => one.id === id) ?? document.rounds.at(-1)
  if (!round) throw new Error('A job has at least one round.')
  return { round, solved: solveRound(document.line, round) }
}

async function page(stored: PrintedJob<'belt'>, unit: 'mm' | 'mil', id: string | undefined, step: 'read' | 'move') {
  const job = asPrintedAll(stored)
  const { document } = job
  const { line } = document
  const { round, solved } = readOf(job, id)
  const terms: BeltTerms = { line, unit, resolution: solved.resolution }
  const [stays] = line.sheaves
  const number = document.rounds.indexOf(round) + 1
  const paper = findingsOnPaper(stays ? findingsFor(solved, stays, 'move') : [], (finding) =>
    say(finding, terms, solved.limit),
  )
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
        <Drawing scene={driveScene(solved, terms, onPaper)} />
        <View style={s.columns}>
          <View style={s.column}>
            <Text style={s.h}>{t`Readings`}</Text>
            {(beltWords.record.readings?.(solved, terms) ?? []).map(({ title, rows }) => (
              <View key={title}>
                <Text style={{ fontWeight: 700 }}>{title}</Text>
                {rows.map(([left, right]) => (
                  <Row key={left} left={left} right={right} />
                ))}
              </View>
            ))}
          </View>
          <View style={s.column}>
            {solved.sheaves
              .filter(({ work }) => work.length > 0 && !paper.still)
              .map(({ sheave, work }) => (
                <View key={sheave.id}>
                  <Text style={s.h}>{words.atTheFeet(sheave.name)}</Text>
                  {work.map((one) => (
                    <View key={one.foot}>
                      <Row left={capital(shimText(one, sheave, terms))} right={packsText(one, sheave, terms)} />
                      <Row left={capital(swingText(one, sheave, terms))} right="" />
                    </View>
                  ))}
                  <Row left={capital(slideText(work[0]?.slide ?? null, terms))} right="" />
                </View>
              ))}
          </View>
        </View>
        {paper.rest}
      </Page>
    </Document>,
  )
}
