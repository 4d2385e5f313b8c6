import { useQuery } from '@tanstack/react-query'
import { FileText } from 'lucide-react'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { provedOf, typingOpen } from '../../../core/job/proved'
import { emptyLogbook } from '../../../core/logbook/schema'
import { usualSite } from '../../../core/site/schema'
import { nextTold } from '../../../record/next'
import { kitIn, recordOf } from '../../../record/record'
import { recordOfRevision } from '../../../record/revision'
import { signWords } from '../../../words/page/sign'
import { useLogbook } from '../../api/logbook'
import { useRevision, useRevisions, useSite } from '../../api/signing'
import { narrow } from '../../app/style'
import { lineShelf } from '../../notebook/shelves'
import { useKit } from '../../notebook/useKit'
import { Button } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { useJobFrame } from '../frame/context'
import { Photographs } from '../photographs/Photographs'
import { ExportPanel } from './ExportPanel'
import { OpenList } from './OpenList'
import { RecordSheet } from './RecordSheet'
import { Reopen } from './Reopen'
import { Revisions } from './Revisions'
import { SiteCard } from './SiteCard'

const Page = styled.div`
  display: grid; grid-template-columns: minmax(0, 1fr) 400px; align-items: start; gap: 0 20px; padding: 16px 20px 40px;
  @media (max-width: 1180px) { grid-template-columns: minmax(0, 1fr) 340px; }
  ${narrow} { grid-template-columns: minmax(0, 1fr); padding: 12px; gap: 16px; }
  h1 { font-size: 20px; margin-bottom: 10px; }
`
const Side = styled.aside`display: grid; gap: 16px; min-width: 0;`
const Verdict = styled.p`display: flex; align-items: center; gap: 10px; font-size: 17px; font-weight: 650; margin-bottom: 14px;`
const Preview = styled.div`grid-column: 1 / -1; margin-top: 20px;`

/** The report as it will print, what is still open, and two names: then nothing changes it any more. */
export function SignStep() {
  const frame = useJobFrame()
  const [shown, setShown] = useState(false)
  const { id, lineId, number, document, settings, frozen, signed } = frame
  const { data: visits } = useLogbook(lineId)
  const { data: logbook } = useQuery({
    queryKey: ['logbook-choices', lineId],
    queryFn: async () => (await lineShelf.fetch(lineId)).document.logbook ?? emptyLogbook,
  })
  const { data: site } = useSite()
  const { data: revisions = [] } = useRevisions(id)
  const { items } = useKit()
  const [latest] = revisions
  const { data: revision } = useRevision(id, signed ? latest?.number : undefined)
  const proved = useMemo(() => provedOf(document), [document])
  const typing = useMemo(() => typingOpen(document), [document])
  const sheet = useMemo(() => {
    if (revision) return recordOfRevision(revision)
    const instruments = new Map(
      [...kitIn(document)].flatMap(([key, name]) => {
        const item = items.find((one) => one.id === key)?.document
        return item ? [[key, { name, due: 'calibrationDue' in item ? item.calibrationDue : '' }] as const] : []
      }),
    )
    return recordOf(
      { number, document },
      {
        unit: settings.unit,
        site,
        instruments,
        next: visits && logbook && nextTold(document.line, { visits, logbook }, settings.unit),
      },
    )
  }, [revision, document, number, settings.unit, site, items, visits, logbook])
  const verdict = sheet.blocks.find((block) => block.kind === 'verdict')
  return (
    <Page>
      <main id="bench">
        <h1>{signWords.sign}</h1>
        {verdict ? (
          <Verdict>
            <Peg peg={verdict.peg} /> {verdict.text}
          </Verdict>
        ) : null}
        {signed ? (
          <Reopen id={id} revision={latest} initials={settings.initials} />
        ) : frozen ? null : (
          <OpenList proved={proved} typing={typing} another={site?.checkedByAnother ?? false} />
        )}
        <Photographs at="report" />
      </main>
      <Side aria-label={signWords.beforeSigning}>
        <Button aria-expanded={shown} onPress={() => setShown(!shown)}>
          <FileText size={18} aria-hidden="true" /> {shown ? signWords.hideRecord : signWords.showRecord}
        </Button>
        <ExportPanel
          sheet={sheet}
          revision={signed ? latest?.number : undefined}
          signedAt={signed ? latest?.signedAt : undefined}
          site={site ?? usualSite}
        />
        <Revisions id={id} revisions={revisions} />
        {site ? <SiteCard site={site} /> : null}
      </Side>
      {shown ? (
        <Preview>
          <RecordSheet sheet={sheet} label={signWords.theRecord} />
        </Preview>
      ) : null}
    </Page>
  )
}
