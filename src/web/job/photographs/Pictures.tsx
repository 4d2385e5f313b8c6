import { Camera, X } from 'lucide-react'
import { memo, useRef, useState } from 'react'
import { DropZone, isFileDropItem } from 'react-aria-components'
import styled from 'styled-components'
import type { Photograph } from '../../../core/job/photographs'
import { photographWords as words } from '../../../words/page/photographs'
import { sendPhotograph } from '../../api/photographs'
import { Button, Card, Fault, Field, Input, Muted, Select } from '../../parts/controls'
import { type JobFrame, useJobFrame } from '../frame/context'

const Sheet = styled(Card)`
  display: grid; gap: 10px; margin-bottom: 16px; h2 { font-size: 16px; }
  ul { list-style: none; margin: 0; padding: 0; display: grid; grid-template-columns: repeat(auto-fill, minmax(210px, 1fr)); gap: 12px; }
  li { display: grid; gap: 6px; align-content: start; } img { width: 100%; height: 150px; object-fit: cover; border: 1px solid var(--rule); border-radius: 4px; background: var(--paper); }
`
const Zone = styled(DropZone)`
  display: flex; flex-wrap: wrap; gap: 8px 14px; align-items: center; padding: 10px; border: 1.5px dashed var(--rule); border-radius: 4px;
  &[data-alone] { padding: 0; border-color: transparent; }
  &[data-drop-target] { border-color: var(--kelp); background: var(--paper); }
`
const Alone = styled.section`margin-bottom: 16px;`
const Under = styled.div`display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 6px; align-items: end;`

/** Pictures of a step: taken with the tablet, chosen or dropped in; described, moved to what they belong to, removed. */
export function Pictures(asked: Asked) {
  const { document, edit, frozen, settings } = useJobFrame()
  return (
    <Shown {...asked} all={document.photographs ?? none} edit={edit} frozen={frozen} initials={settings.initials} />
  )
}

interface Asked {
  /** The step they belong to, where nothing closer is chosen. */
  at: string
  /** What else on this step they may belong to. */
  places?: readonly { id: string; name: string }[]
}

const none: readonly Photograph[] = []

type ShownProps = Asked & Pick<JobFrame, 'edit' | 'frozen'> & { all: readonly Photograph[]; initials: string }

const alike = (a: ShownProps, b: ShownProps): boolean =>
  a.at === b.at &&
  a.all === b.all &&
  a.edit === b.edit &&
  a.frozen === b.frozen &&
  a.initials === b.initials &&
  JSON.stringify(a.places) === JSON.stringify(b.places)

/** Drawn again only when something about pictures changes: not at every keystroke of a reading. */
const Shown = memo(function Shown({ at, places = [], all, edit, frozen, initials }: ShownProps) {
  const [sending, setSending] = useState(false)
  const [fault, setFault] = useState('')
  const file = useRef<HTMLInputElement>(null)
  const own = all.filter((one) => one.at === at || places.some(({ id }) => one.at === `${at}:${id}`))
  if (frozen && own.length === 0) return null
  const add = async (files: readonly File[]) => {
    setFault('')
    setSending(true)
    try {
      for (const one of files) {
        const sent = await sendPhotograph(one)
        const taken: Photograph = { ...sent, label: '', at, by: initials, takenAt: new Date().toISOString() }
        edit((job) => {
          const before = job.photographs ?? []
          return before.some(({ id }) => id === taken.id) ? job : { ...job, photographs: [...before, taken] }
        })
      }
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error))
    } finally {
      setSending(false)
    }
  }
  const change = (id: string, to: Partial<Photograph>, mark?: string) =>
    edit(
      (job) => ({
        ...job,
        photographs: (job.photographs ?? []).map((one) => (one.id === id ? { ...one, ...to } : one)),
      }),
      mark,
    )
  const remove = (id: string) =>
    edit((job) => ({ ...job, photographs: (job.photographs ?? []).filter((one) => one.id !== id) }))
  const zone = (
    <Zone
      data-alone={own.length === 0 || undefined}
      aria-label={words.drop}
      getDropOperation={(types) => (types.has('image/jpeg') || types.has('image/png') ? 'copy' : 'cancel')}
      onDrop={(event) => {
        const dropped = event.items.filter(isFileDropItem).map((item) => item.getFile())
        void Promise.all(dropped).then(add)
      }}
    >
      <Button isDisabled={sending} onPress={() => file.current?.click()}>
        <Camera size={18} aria-hidden="true" /> {sending ? words.sending : words.take}
      </Button>
      {own.length > 0 ? <Muted>{words.drop}</Muted> : null}
      <input
        ref={file}
        type="file"
        accept="image/*"
        capture="environment"
        multiple
        hidden
        aria-label={words.take}
        onChange={({ target }) => {
          void add([...(target.files ?? [])])
          target.value = ''
        }}
      />
    </Zone>
  )
  // nothing to show yet: one button
  if (own.length === 0)
    return (
      <Alone aria-label={words.photographs}>
        {all.length >= 60 ? <Muted>{words.full}</Muted> : zone}
        {fault ? <Fault role="alert">{fault}</Fault> : null}
      </Alone>
    )
  return (
    <Sheet aria-label={words.photographs}>
      <h2>{words.photographs}</h2>
      <ul>
        {own.map((one) => {
          const number = all.indexOf(one) + 1
          return (
            <li key={one.id}>
              <img src={`/api/photographs/${one.id}`} alt={one.label || words.noLabel} loading="lazy" />
              <Under>
                <Input
                  aria-label={words.label(number)}
                  placeholder={words.describe}
                  maxLength={200}
                  readOnly={frozen}
                  value={one.label}
                  onChange={({ target }) => change(one.id, { label: target.value }, `photograph:${one.id}`)}
                />
                {frozen ? null : (
                  <Button
                    look="quiet"
                    aria-label={words.remove(one.label || String(number))}
                    onPress={() => remove(one.id)}
                  >
                    <X size={16} />
                  </Button>
                )}
              </Under>
              {places.length > 0 ? (
                <Field label={words.belongs}>
                  <Select
                    disabled={frozen}
                    value={one.at}
                    options={[
                      { value: at, text: words.report },
                      ...places.map(({ id, name }) => ({ value: `${at}:${id}`, text: name })),
                    ]}
                    onPick={(where) => change(one.id, { at: where })}
                  />
                </Field>
              ) : null}
            </li>
          )
        })}
      </ul>
      {frozen ? null : all.length >= 60 ? <Muted>{words.full}</Muted> : zone}
      {frozen ? null : <Muted>{words.placesRemoved}</Muted>}
      {fault ? <Fault role="alert">{fault}</Fault> : null}
    </Sheet>
  )
}, alike)
