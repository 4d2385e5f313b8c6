import styled from 'styled-components'
import { makeTrouble } from '../../../core/kinds/rolls/document/make'
import { complaints, type TroubleCall } from '../../../core/kinds/rolls/document/schema'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { complaintNames, rollName, sideOf } from '../../../words/rolls/findings'
import { rollsPageWords as words } from '../../../words/rolls/page/page'
import { Button, Card, Field, Input, Muted, Select } from '../../parts/controls'
import { Fold } from '../../parts/Fold'
import { QuantityField } from '../../parts/Quantity'
import { useRollsFrame } from './frame'

const Looks = styled.div`display: grid; grid-template-columns: repeat(2, minmax(0, 240px)); gap: 12px; align-items: end;`
const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(220px, 1fr)); gap: 12px; align-items: end;`

/** A call about trouble: what is seen and where, then two looks by hand, the tool set up anew between. */
export function Trouble() {
  const { round, frozen, editRound, settings, document } = useRollsFrame()
  const { line } = document
  const { trouble: call } = round
  const put = (change: Partial<TroubleCall>, name: string) =>
    editRound(
      (one) => ({ ...one, trouble: { ...(one.trouble ?? makeTrouble(lengthUnitFor(settings.unit))), ...change } }),
      `trouble ${name}`,
    )
  if (!call && frozen) return null
  return (
    <Card as="section" aria-label={words.trouble} style={{ marginBottom: 16 }}>
      <Fold title={words.trouble} open={call !== undefined}>
        <Muted as="p">{words.troubleHint}</Muted>
        {call ? (
          <>
            <Grid>
              <Field label={words.complaint}>
                <Select
                  disabled={frozen}
                  value={call.what}
                  options={complaints.map((value) => ({ value, text: complaintNames[value] }))}
                  onPick={(what) => put({ what: what as TroubleCall['what'] }, 'what')}
                />
              </Field>
              <Field label={words.since}>
                <Input
                  maxLength={80}
                  readOnly={frozen}
                  value={call.since}
                  onChange={({ target }) => put({ since: target.value }, 'since')}
                />
              </Field>
              <Field label={words.where}>
                <Select
                  disabled={frozen}
                  value={call.span}
                  options={[
                    { value: '', text: words.choose },
                    ...line.rolls.slice(1).map(({ id, name }, i) => ({
                      value: id,
                      text: `${rollName(line.rolls[i]?.id ?? '', line)} – ${name}`,
                    })),
                  ]}
                  onPick={(span) => put({ span }, 'span')}
                />
              </Field>
              <Field label={words.slack}>
                <Select
                  disabled={frozen}
                  value={call.slack}
                  options={[
                    { value: '', text: words.noSlack },
                    ...(['near', 'far'] as const).map((value) => ({ value, text: sideOf(value, line) })),
                  ]}
                  onPick={(slack) => put({ slack: slack as TroubleCall['slack'] }, 'slack')}
                />
              </Field>
            </Grid>
            {call.span ? (
              <Looks>
                {call.looks.flatMap((look, i) =>
                  (['near', 'far'] as const).map((end) => (
                    <QuantityField
                      key={words.look(i + 1, end)}
                      label={words.look(i + 1, sideOf(end, line))}
                      quantity={look[end]}
                      unit={lengthUnitFor(settings.unit)}
                      readOnly={frozen}
                      onChange={(value) => {
                        const [a, b] = call.looks
                        const changed = { ...look, [end]: value }
                        put({ looks: i === 0 ? [changed, b] : [a, changed] }, `look ${i} ${end}`)
                      }}
                    />
                  )),
                )}
              </Looks>
            ) : null}
            {frozen ? null : (
              <Button
                look="quiet"
                style={{ justifySelf: 'start' }}
                onPress={() => editRound(({ trouble: _, ...one }) => one)}
              >
                {words.dropCall}
              </Button>
            )}
          </>
        ) : (
          <Button style={{ justifySelf: 'start' }} onPress={() => put({}, 'begin')}>
            {words.takeCall}
          </Button>
        )}
      </Fold>
    </Card>
  )
}
