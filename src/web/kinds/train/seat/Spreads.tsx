import { emptyQuantity } from '../../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../../core/quantity/usual'
import { usualSpread } from '../../../../core/seat/state'
import { dimension } from '../../../../words/terms'
import { seatWords } from '../../../../words/train/page/seat'
import { QuantityField } from '../../../parts/Quantity'
import { useTrainFrame } from '../frame'

/** How far apart the feet of a machine stand across it: what its line gives Seat to work with. */
export function Spreads({ machine }: { machine: string }) {
  const frame = useTrainFrame()
  const { document, settings, frozen } = frame
  return document.line.machines
    .find((one) => one.id === machine)
    ?.feet.map((foot) => (
      <QuantityField
        key={foot.id}
        label={seatWords.acrossThe(foot.name)}
        quantity={foot.spread ?? emptyQuantity(lengthUnitFor(settings.unit))}
        hint={foot.spread?.text ? '' : seatWords.notMeasuredTaken(dimension(usualSpread, settings.unit))}
        unit={lengthUnitFor(settings.unit)}
        readOnly={frozen}
        onChange={(spread) =>
          frame.edit(
            (job) => ({
              ...job,
              line: {
                ...job.line,
                machines: job.line.machines.map((one) => ({
                  ...one,
                  feet: one.feet.map((f) => (f.id === foot.id ? { ...f, spread } : f)),
                })),
              },
            }),
            `spread:${foot.id}`,
          )
        }
      />
    ))
}
