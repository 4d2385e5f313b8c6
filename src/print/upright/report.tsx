import { Document, Page, Text, View } from '@react-pdf/renderer'
import { findingsFor } from '../../core/kinds/upright/advice/findings'
import { solveRound } from '../../core/kinds/upright/solve/round'
import { flangeScene } from '../../drawing/upright/flange'
import { t } from '../../words/language'
import { sayPlus } from '../../words/probes'
import { jobName, packText, signedLength, unitName } from '../../words/terms'
import { dialName, placeOf, say, shimText, type UprightTerms, wayNames } from '../../words/upright/findings'
import { pageWords } from '../../words/upright/page/page'
import type { PrintedJob } from '../kind'
import { thePaper } from '../paper'
import { Drawing, findingsOnPaper, onPaper, PageHead, Row, s } from '../parts'
import { asPrintedAll } from '../type'

/** One printed page of an upright pair: the flange, the readings at the bolts, shims and push. */
export const reportPdf = (
  job: PrintedJob<'upright'>,
  unit: 'mm' | 'mil',
  round: string | undefined,
): Promise<Uint8Array> => page(job, unit, round, 'read')

/** The page to carry to the machine; undefined where nothing is known to move by. */
export async function moveSheetPdf(
  job: PrintedJob<'upright'>,
  unit: 'mm' | 'mil',
  round: string | undefined,
): Promise<Uint8Array | undefined> {
  const { solved } = readOf(job, round)
  return solved.work?.bolts ? page(job, unit, round, 'move') : undefined
}

function readOf({ document }: PrintedJob<'upright'>, id: string | undefined) {
  const round = document.rounds.find((one) => one.id === id) ?? document.rounds.at(-1)
  if (!round) throw new Error('A job has at least one round.')
  return { round, solved: solveRound(document.line, round) }
}

async function page(stored: PrintedJob<'upright'>, unit: 'mm' | 'mil', id: string | undefined, step: 'read' | 'move') {
  const job = asPrintedAll(stored)
  const { document } = job
  const { line } = document
  const { round, solved } = readOf(job, id)
  const terms: UprightTerms = { line, unit, resolution: solved.resolution }
  const number = document.rounds.indexOf(round) + 1
  const paper = findingsOnPaper(findingsFor(solved, 'move'), (finding) => say(finding, terms))
  return thePaper().render(
    <Document title={t`${line.name}, job ${job.number}`} creator="Vane Peg" producer="Vane Peg">
      <Page size="A4" style={s.page}>
        <PageHead
          title={step === 'move' ? t`${line.name}: moves` : line.name}
          under={[line.area, jobName(job.number), document.title, t`round ${number} of ${document.rounds.length}`]}
          takenAt={round.takenAt}
          terms={{ line: { sides: { near: '', far: '' }, machines: [], couplings: [] }, unit }}
        />
        {paper.first}
        <Drawing scene={flangeScene(solved, terms, onPaper)} />
        <View style={s.columns}>
          <View style={s.column}>
            <Text style={s.h}>{t`Readings`}</Text>
            {solved.probes.flatMap((probe) =>
              probe.readings.map(({ angleId, angle, shown }) => (
                <Row
                  key={`${probe.id} ${angleId}`}
                  left={`${dialName(probe, terms)}, ${placeOf(angle, probe.set, line)}`}
                  right={signedLength(shown, terms)}
                />
              )),
            )}
            {solved.probes.flatMap((probe) => {
              const plus = sayPlus(probe.dial, probe.channel, wayNames(line))
              return plus ? [<Text key={probe.id}>{`${dialName(probe, terms)}: ${plus}`}</Text>] : []
            })}
          </View>
          <View style={s.column}>
            {paper.still ? null : <Text style={s.h}>{t`Shims`}</Text>}
            {(paper.still ? [] : (solved.work?.bolts ?? [])).map((bolt) => (
              <Row
                key={bolt.bolt}
                left={t`Bolt ${bolt.bolt}`}
                right={[shimText(bolt, terms), packText(bolt.pack, terms)].filter(Boolean).join(' = ')}
              />
            ))}
            {round.left?.hubs.text ? (
              <Row left={pageWords.hubs} right={`${round.left.hubs.text} ${unitName[round.left.hubs.unit]}`} />
            ) : null}
            {round.left?.hanging ? <Row left={pageWords.hanging} right={round.left.hanging} /> : null}
          </View>
        </View>
        {paper.rest}
      </Page>
    </Document>,
  )
}
