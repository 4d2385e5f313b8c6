import { withoutMark } from '../../../../core/kinds/train/document/alter'
import type { Line } from '../../../../core/kinds/train/document/schema'
import { originOf } from '../../../../core/kinds/train/document/stations'
import { lengthUnitFor } from '../../../../core/quantity/usual'
import { lineWords } from '../../../../words/train/page/line'
import { newId } from '../../../app/newId'
import { Button, Card, Muted } from '../../../parts/controls'
import { Fold } from '../../../parts/Fold'
import { type LineSheet, Row } from './Part'
import { markNames, Place, Places } from './Place'

/** Marks on the shafts that other stations are measured from. */
export function Marks({ line, unit, frozen, stations, onChange, elsewhere }: LineSheet) {
  const length = lengthUnitFor(unit)
  const setMark = (id: string, change: Partial<NonNullable<Line['marks']>[number]>, mark: string) =>
    onChange(
      (l) => ({ ...l, marks: (l.marks ?? []).map((one) => (one.id === id ? { ...one, ...change } : one)) }),
      `${id}:${mark}`,
    )
  return (
    <Card aria-label={lineWords.marks}>
      <Fold title={lineWords.referenceMarks} open={(line.marks?.length ?? 0) > 0}>
        <Muted>{lineWords.aHubFaceAShaft}</Muted>
        <Places>
          {(line.marks ?? []).map((mark) => (
            <Place
              key={mark.id}
              typed
              name={mark.name}
              station={mark.station}
              x={stations.x.get(mark.id)}
              unit={unit}
              frozen={frozen}
              references={elsewhere(mark.id)}
              onChange={(change) => setMark(mark.id, { station: { ...mark.station, ...change } }, 'station')}
              onRename={(name) => setMark(mark.id, { name }, 'name')}
              {...(frozen ? {} : { onRemove: () => onChange((l) => withoutMark(l, mark.id)) })}
            />
          ))}
        </Places>
        {frozen || (line.marks?.length ?? 0) >= 24 ? null : (
          <Row>
            {markNames.map((name) => (
              <Button
                key={name}
                onPress={() =>
                  onChange((l) => ({
                    ...l,
                    marks: [
                      ...(l.marks ?? []),
                      {
                        id: newId('k'),
                        name,
                        station: {
                          from: originOf(l),
                          toward: 'right',
                          distance: { text: '', unit: length },
                        },
                      },
                    ],
                  }))
                }
              >
                {lineWords.addA(name)}
              </Button>
            ))}
          </Row>
        )}
      </Fold>
    </Card>
  )
}
