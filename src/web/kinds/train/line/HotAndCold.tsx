import { useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import type { Job } from '../../../../core/kinds/train/document/schema'
import { growthBetween } from '../../../../core/kinds/train/plan/growth'
import { solveRound } from '../../../../core/kinds/train/solve/round'
import { quantityFrom } from '../../../../core/quantity/quantity'
import { capital, footName, inText, machineName } from '../../../../words/terms'
import { growthText } from '../../../../words/train/growth'
import { lineWords } from '../../../../words/train/page/line'
import { api, sentenceOf } from '../../../api/client'
import { Button, Card, Fault, Field, Muted, Select } from '../../../parts/controls'

const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(220px, 1fr)); gap: 12px; margin: 10px 0; align-items: end;`
const List = styled.ul`list-style: none; margin: 0 0 10px; padding: 0; li { display: flex; flex-wrap: wrap; gap: 4px 12px; padding: 4px 0; border-top: 1px solid var(--rule); } b { font-weight: 600; min-width: 180px; }`

/** Growth from the same line read cold and hot: two rounds, of this visit or of an earlier one. */
export function HotAndCold(props: {
  id: string
  job: Job
  unit: 'mm' | 'mil'
  edit: (change: (job: Job) => Job, mark?: string) => void
}) {
  const { id, job, unit, edit } = props
  const [cold, setCold] = useState('')
  const [hot, setHot] = useState('')
  const visits = useQuery({
    queryKey: ['visits', id],
    queryFn: async () => {
      const response = await api.jobs[':id'].visits.$get({ param: { id } })
      if (!response.ok) throw new Error(await sentenceOf(response))
      return await response.json()
    },
  })
  const [coldRead, hotRead] = [useRound(cold, id, job), useRound(hot, id, job)]
  const grown = useMemo(
    () => (coldRead && hotRead && cold !== hot ? growthBetween(coldRead, hotRead) : []),
    [coldRead, hotRead, cold, hot],
  )
  const options = (visits.data ?? []).flatMap((visit) =>
    Array.from({ length: visit.id === id ? job.rounds.length : visit.rounds }, (_, i) => ({
      value: `${visit.id}/${i}`,
      text: lineWords.jobRound(visit.number, visit.title ? `, ${visit.title}` : '', i + 1),
    })),
  )
  const told = grown.filter(({ vertical, horizontal }) => vertical !== null || horizontal !== null)
  const text = (value: string) => options.find((option) => option.value === value)?.text ?? ''
  const take = () =>
    edit((now) => ({
      ...now,
      line: {
        ...now.line,
        machines: now.line.machines.map((machine) => ({
          ...machine,
          feet: machine.feet.map((foot) => {
            const found = told.find((one) => one.foot === foot.id)
            if (!found) return foot
            const typed = (mm: number | null) =>
              mm === null ? { text: '', unit } : quantityFrom(mm, unit, unit === 'mil' ? 1 : 2)
            return {
              ...foot,
              growth: {
                told: 'readings' as const,
                vertical: typed(found.vertical),
                horizontal: typed(found.horizontal),
                source: lineWords.coldHot(text(cold), text(hot)).slice(0, 120),
              },
            }
          }),
        })),
      },
    }))
  return (
    <Card aria-label={lineWords.readColdAndHot}>
      <h2>{lineWords.readColdAndHot}</h2>
      <Muted>{lineWords.readTheLineColdThen}</Muted>
      {visits.error ? <Fault role="alert">{visits.error.message}</Fault> : null}
      <Grid>
        {(
          [
            [lineWords.cold2, cold, setCold],
            [lineWords.hot, hot, setHot],
          ] as const
        ).map(([label, value, set]) => (
          <Field key={label} label={lineWords.whichRound(label)}>
            <Select value={value} options={[{ value: '', text: lineWords.chooseARound }, ...options]} onPick={set} />
          </Field>
        ))}
      </Grid>
      {told.length > 0 ? (
        <>
          <List>
            {told.map(({ foot, vertical, horizontal }) => (
              <li key={foot}>
                <b>{capital(footName(foot, { line: job.line }))}</b>
                {growthText(
                  { ...(vertical === null ? {} : { vertical }), ...(horizontal === null ? {} : { horizontal }) },
                  { line: job.line, unit, resolution: 0.01 },
                )}
              </li>
            ))}
          </List>
          <Button onPress={take}>{lineWords.useThisGrowth}</Button>{' '}
          <Muted>{lineWords.relativeToTheItsOwn(inText(machineName(job.line.fixed, { line: job.line })))}</Muted>
        </>
      ) : cold && hot ? (
        <Muted>{cold === hot ? lineWords.chooseTwoDifferentRounds : lineWords.theseRoundsCantGiveIt}</Muted>
      ) : null}
    </Card>
  )
}

/** A chosen round, solved with today's dimensions of its own line. */
function useRound(chosen: string, own: string, job: Job) {
  const [jobId = '', index = ''] = chosen.split('/')
  const other = useQuery({
    queryKey: ['visit', jobId],
    enabled: chosen !== '' && jobId !== own,
    queryFn: async () => {
      const response = await api.jobs[':id'].$get({ param: { id: jobId } })
      if (!response.ok) throw new Error(await sentenceOf(response))
      return (await response.json()).document as Job
    },
  })
  const document = jobId === own ? job : other.data
  return useMemo(() => {
    const round = document?.rounds[Number(index)]
    return document && round ? solveRound(document, round) : undefined
  }, [document, index])
}
