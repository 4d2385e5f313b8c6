import { useState } from 'react'
import styled from 'styled-components'
import type { SiteSettings } from '../../../core/site/schema'
import { sceneSvg } from '../../../drawing/print'
import { type Sheet as Printed, plainText } from '../../../record/blocks'
import { readingCells, stationCells } from '../../../record/cells'
import { signWords } from '../../../words/page/sign'
import { ask, sentenceOf } from '../../api/client'
import { isReached } from '../../api/reach'
import { retryOnce } from '../../app/retryOnce'
import { Button, Card, Fault, Muted } from '../../parts/controls'
import { fileName, safeCells, saveFile, saveText } from '../../parts/files'
import { PdfLink } from '../../print/PdfLink'
import { picturesHere, printer } from '../../print/printer'
import { useJobFrame } from '../frame/context'

const Sheet = styled(Card)`display: grid; gap: 10px; h2 { font-size: 17px; }`
const Buttons = styled.div`display: flex; flex-wrap: wrap; gap: 8px;`

/** A drawing as PNG at twice its size. */
async function pngOf(svg: string, width: number, height: number): Promise<Blob> {
  const image = new Image()
  image.src = `data:image/svg+xml,${encodeURIComponent(svg)}`
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = 2 * width
  canvas.height = 2 * height
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'))
  if (!blob) throw new Error('No picture.')
  return blob
}

/** Everything a job can be taken out as; nothing goes anywhere but to the person who asks. */
export function ExportPanel({
  sheet,
  revision,
  signedAt,
  site,
}: {
  sheet: Printed
  revision: number | undefined
  signedAt: string | undefined
  site: SiteSettings
}) {
  const { id, number, document, round, settings } = useJobFrame()
  const [said, say] = useState('')
  const [fault, setFault] = useState('')
  const { unit } = settings
  const name = fileName(`${document.line.name} ${document.title}`) || 'job'
  const pdf =
    revision === undefined
      ? `/api/jobs/${id}/record.pdf?unit=${unit}`
      : `/api/jobs/${id}/revisions/${revision}/record.pdf`
  /** Fetched when it is asked for. */
  const surveyNow = async () =>
    (await retryOnce(() => import('../../../core/kinds/surveys'))).surveyOfJob(document, round)
  const drawings = sheet.blocks.flatMap((block) => (block.kind === 'drawing' ? [block] : []))
  const drawing = drawings.at(-1)
  const trying = (what: () => Promise<void> | void) => () => {
    setFault('')
    say('')
    void (async () => {
      try {
        await what()
      } catch (error) {
        // who closes the sharing sheet has changed their mind, nothing more
        if (!(error instanceof DOMException && error.name === 'AbortError'))
          setFault(error instanceof Error ? error.message : String(error))
      }
    })()
  }
  const csv = (what: string, cells: string[][]) =>
    trying(async () => {
      const { default: papa } = await import('papaparse')
      saveText(`${name}-${what}.csv`, 'text/csv', papa.unparse(cells, safeCells))
    })
  const result = trying(async () => {
    const survey = await surveyNow()
    if (!survey) return setFault(signWords.noSurvey)
    const solved = await (await printer()).result(survey)
    if (!solved.ok) throw new Error(`${solved.fault.path}: ${solved.fault.message}`)
    saveText(`${name}.result.json`, 'application/json', `${JSON.stringify(solved.value, null, 1)}\n`)
  })
  const summary = plainText(sheet)
  /** The record as it stands on this screen, printed on this tablet. */
  const record = async () => {
    const ids = [...(document.photographs ?? []).map((one) => one.id), ...(sheet.mark ? [sheet.mark.id] : [])]
    return (await printer()).record(sheet, signedAt ? new Date(signedAt) : new Date(), await picturesHere(ids))
  }
  const pdfBlob = async (): Promise<Blob> => {
    if (isReached() === false) return new Blob([(await record()) as Uint8Array<ArrayBuffer>])
    const response = await ask(pdf)
    if (!response.ok) throw new Error(await sentenceOf(response))
    return response.blob()
  }
  const share = trying(async () => {
    const file = new File([await pdfBlob()], `${name}.pdf`, { type: 'application/pdf' })
    const shared = { title: sheet.title, text: summary, files: [file] }
    if (navigator.canShare?.(shared)) return navigator.share(shared)
    saveFile(file.name, file)
    say(signWords.notSharable)
    const body = `${summary}\n${signWords.mailBody}`
    window.location.href = `mailto:?subject=${encodeURIComponent(sheet.title)}&body=${encodeURIComponent(body)}`
  })
  return (
    <Sheet aria-label={signWords.waysOut}>
      <h2>{signWords.waysOut}</h2>
      <Buttons>
        <PdfLink href={pdf} name={name} here={record}>
          {signWords.recordPdf}
        </PdfLink>
        <Button onPress={share}>{signWords.share}</Button>
        <Button
          onPress={trying(async () => {
            await navigator.clipboard.writeText(summary)
            say(signWords.copied)
          })}
        >
          {signWords.copySummary}
        </Button>
        <PdfLink
          href={`/api/jobs/${id}/sheet.pdf?unit=${unit}&round=${round.id}`}
          name={`${name}-reading-sheet`}
          here={async () => (await printer()).sheet({ number, document, site }, round.id, unit)}
        >
          {signWords.readingSheet}
        </PdfLink>
        <Button onPress={csv('stations', stationCells(document, unit))}>{signWords.stations}</Button>
        <Button onPress={csv('readings', readingCells(document, unit))}>{signWords.readings}</Button>
        <Button
          onPress={trying(async () => {
            const survey = await surveyNow()
            if (!survey) return setFault(signWords.noSurvey)
            saveText(`${name}.survey.json`, 'application/json', `${JSON.stringify(survey, null, 1)}\n`)
          })}
        >
          {signWords.survey}
        </Button>
        <Button onPress={result}>{signWords.result}</Button>
        {drawing ? (
          <>
            <Button
              onPress={trying(() =>
                saveText(`${name}.svg`, 'image/svg+xml', sceneSvg(drawing.scene, `${sheet.title}, ${drawing.title}`)),
              )}
            >
              {signWords.svg}
            </Button>
            <Button
              onPress={trying(async () =>
                saveFile(
                  `${name}.png`,
                  await pngOf(sceneSvg(drawing.scene, sheet.title), drawing.scene.width, drawing.scene.height),
                ),
              )}
            >
              {signWords.png}
            </Button>
          </>
        ) : null}
      </Buttons>
      {said ? <Muted role="status">{said}</Muted> : null}
      {fault ? <Fault role="alert">{fault}</Fault> : null}
    </Sheet>
  )
}
