import {
  Chart,
  type ChartDataset,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  TimeScale,
  Tooltip,
} from 'chart.js'
import 'chartjs-adapter-date-fns'
import annotation from 'chartjs-plugin-annotation'
import { useEffect, useRef } from 'react'
import styled from 'styled-components'
import { logbookWords } from '../../../words/page/logbook'

Chart.register(annotation, Legend, LinearScale, LineController, LineElement, PointElement, TimeScale, Tooltip)

const Box = styled.div`position: relative; height: 320px; min-width: 0;`

export interface TimeSeries {
  name: string
  /** In the shown unit; undefined values are left out. */
  points: readonly { at: string; value: number; found: boolean }[]
}

/** Dashes and point shapes tell the stations apart as well as their shade does: a print and a weak eye see them too. */
const dashes = [[], [7, 4], [2, 3], [10, 3, 2, 3]]
const shapes = ['circle', 'triangle', 'rectRot', 'cross'] as const

/** Stations over time, with the visits as dotted lines. The table beside it has every number. */
export function TimeChart(props: {
  label: string
  unit: string
  series: readonly TimeSeries[]
  visits: readonly { at: string; name: string }[]
  /** What is allowed, either way of nought, in the shown unit. */
  band?: number | undefined
}) {
  const { label, unit, series, visits, band } = props
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    if (!canvas.current) return
    const look = getComputedStyle(canvas.current)
    const color = (name: string) => look.getPropertyValue(name).trim()
    const [ink, muted, rule, kelp] = ['--ink', '--muted', '--rule', '--kelp'].map(color)
    const shades = [ink, kelp, muted]
    Chart.defaults.font.family = look.fontFamily
    const datasets = series.map(
      ({ name, points }, i): ChartDataset<'line', { x: number; y: number }[]> => ({
        label: name,
        data: points.map(({ at, value }) => ({ x: Date.parse(at), y: value })),
        borderColor: shades[i % 3] ?? '',
        backgroundColor: points.map(({ found }) =>
          found ? 'transparent' : (shades[i % 3] ?? ''),
        ) as unknown as string,
        pointBackgroundColor: points.map(({ found }) => (found ? 'transparent' : (shades[i % 3] ?? ''))),
        borderDash: dashes[i % 4] ?? [],
        borderWidth: 2,
        pointStyle: shapes[i % 4] ?? 'circle',
        pointRadius: 5,
        pointBorderWidth: 1.5,
        tension: 0,
      }),
    )
    const chart = new Chart(canvas.current, {
      type: 'line',
      data: { datasets },
      options: {
        animation: false,
        maintainAspectRatio: false,
        scales: {
          x: {
            type: 'time',
            ticks: { color: muted ?? '', maxTicksLimit: 10, maxRotation: 0 },
            grid: { color: rule ?? '' },
          },
          y: {
            ticks: { color: muted ?? '' },
            grid: { color: rule ?? '' },
            title: { display: true, text: unit, color: muted ?? '' },
          },
        },
        plugins: {
          legend: { position: 'bottom', labels: { color: ink ?? '', usePointStyle: true } },
          annotation: {
            annotations: Object.fromEntries([
              ...(band === undefined
                ? []
                : [
                    [
                      'allowed',
                      {
                        type: 'box',
                        yMin: -band,
                        yMax: band,
                        backgroundColor: `color-mix(in srgb, ${kelp} 12%, transparent)`,
                        borderColor: kelp ?? '',
                        borderWidth: 1,
                        borderDash: [4, 3],
                        drawTime: 'beforeDatasetsDraw',
                        label: {
                          display: true,
                          content: logbookWords.allowed,
                          position: { x: 'end', y: 'start' },
                          color: muted ?? '',
                          font: { size: 11 },
                        },
                      },
                    ],
                  ]),
              [
                'zero',
                { type: 'line', yMin: 0, yMax: 0, borderColor: muted ?? '', borderWidth: 1, borderDash: [2, 3] },
              ],
              ...visits.map(({ at, name }, i) => [
                `visit${i}`,
                {
                  type: 'line',
                  xMin: Date.parse(at),
                  xMax: Date.parse(at),
                  borderColor: rule ?? '',
                  borderWidth: 1.5,
                  label: {
                    display: true,
                    content: name,
                    position: 'start',
                    color: muted ?? '',
                    backgroundColor: 'transparent',
                    font: { size: 11 },
                  },
                },
              ]),
            ]),
          },
        },
      },
    })
    return () => chart.destroy()
  }, [series, visits, unit, band])
  return (
    <Box>
      <canvas ref={canvas} role="img" aria-label={label} />
    </Box>
  )
}
