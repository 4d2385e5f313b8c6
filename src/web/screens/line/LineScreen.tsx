import { useParams } from 'react-router'
import type { Line } from '../../../core/job/schema'
import { Waiting } from '../../app/Plain'
import { Header } from '../../app/Shell'
import { useSettings } from '../../app/settings'
import type { Notebook } from '../../notebook/notebook'
import { Clashes, Saved } from '../../notebook/Saved'
import { lineShelf, useNotebook, useShelf } from '../../notebook/useNotebook'
import { ButtonLink } from '../../parts/ButtonLink'
import { LineEditor } from './LineEditor'

/** A line as it is known today; jobs keep their own copy. */
export function LineScreen() {
  const { id = '' } = useParams()
  const { data, error, notebook } = useShelf(lineShelf, id)
  if (error) throw error
  if (!data || !notebook) return <Waiting />
  return <OpenLine id={id} notebook={notebook} />
}

function OpenLine({ id, notebook }: { id: string; notebook: Notebook<Line> }) {
  const { document } = useNotebook(notebook)
  const { unit, flipped } = useSettings()
  return (
    <>
      <Header crumbs={[{ text: document.name || 'Line' }]}>
        <Saved notebook={notebook} />
      </Header>
      <Clashes notebook={notebook} describe={(path) => path.join(', ')} />
      <LineEditor
        line={document}
        unit={unit}
        flipped={flipped}
        onChange={(change, mark) => notebook.edit(change, mark)}
        onward={
          <ButtonLink to={`/new?line=${id}`} $look="act">
            New job on this line
          </ButtonLink>
        }
      />
    </>
  )
}
