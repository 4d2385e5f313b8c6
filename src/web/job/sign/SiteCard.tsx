import { useState } from 'react'
import styled from 'styled-components'
import type { SiteSettings } from '../../../core/site/schema'
import { signWords } from '../../../words/page/sign'
import { sendPhotograph } from '../../api/photographs'
import { usePutSite } from '../../api/signing'
import { Button, Card, Fault, Field, Input, Muted, Select } from '../../parts/controls'

const Sheet = styled(
  Card,
)`summary { cursor: pointer; font-weight: 600; min-height: 44px; padding: 10px 0; } form { display: grid; gap: 10px; margin-top: 10px; justify-items: start; } form > :first-child { width: 100%; }
  .mark { display: flex; gap: 12px; align-items: center; } .mark img { max-height: 44px; max-width: 160px; background: #fff; } input[type='file'] { min-height: 44px; padding: 8px 0; max-width: 100%; }
  label.tick { display: flex; gap: 10px; align-items: center; min-height: 44px; } input[type='checkbox'] { width: 22px; height: 22px; }`

/** The head of the printed pages and the rules of signing, for the whole site. */
export function SiteCard({ site }: { site: SiteSettings }) {
  const [edited, edit] = useState(site)
  const put = usePutSite()
  const [fault, setFault] = useState('')
  return (
    <Sheet as="details" aria-label={signWords.siteHead}>
      <summary>{signWords.siteHead}</summary>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          put.mutate(edited)
        }}
      >
        <Field label={signWords.siteName}>
          <Input
            maxLength={80}
            value={edited.name}
            onChange={({ target }) => edit((now) => ({ ...now, name: target.value }))}
          />
        </Field>
        <Field label={signWords.siteMark}>
          <input
            type="file"
            accept="image/png,image/jpeg"
            onChange={({ target }) => {
              const [file] = target.files ?? []
              if (file)
                void sendPhotograph(file).then(
                  ({ id }) => edit((now) => ({ ...now, mark: id })),
                  (error: Error) => setFault(error.message),
                )
            }}
          />
        </Field>
        {edited.mark ? (
          <span className="mark">
            <img src={`/api/photographs/${edited.mark}`} alt={signWords.siteMark} />
            <Button look="quiet" onPress={() => edit((now) => ({ ...now, mark: '' }))}>
              {signWords.removeMark}
            </Button>
          </span>
        ) : null}
        {fault ? <Fault role="alert">{fault}</Fault> : null}
        <Field label={signWords.siteUnit}>
          <Select
            value={edited.unit ?? ''}
            options={[
              { value: '', text: signWords.eachDevice },
              { value: 'mm', text: signWords.inMm },
              { value: 'mil', text: signWords.inMil },
            ]}
            onPick={(unit) => edit(({ unit: _, ...now }) => (unit === 'mm' || unit === 'mil' ? { ...now, unit } : now))}
          />
        </Field>
        <label className="tick">
          <input
            type="checkbox"
            checked={edited.checkedByAnother}
            onChange={({ target }) => edit((now) => ({ ...now, checkedByAnother: target.checked }))}
          />
          {signWords.checkedByAnother}
        </label>
        <Button type="submit" isDisabled={put.isPending}>
          {signWords.saveSite}
        </Button>
        {put.isSuccess ? <Muted role="status">{signWords.saved}</Muted> : null}
        {put.error ? <Fault role="alert">{put.error.message}</Fault> : null}
      </form>
    </Sheet>
  )
}
