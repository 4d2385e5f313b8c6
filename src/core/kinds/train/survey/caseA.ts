import type { Survey } from './schema'

/** Worked case A of docs/domain.md as a survey document: what tests and the bench hold the program to. */
export const caseA = (): Survey => ({
  format: 'vane-peg.survey',
  version: 1,
  units: { length: 'mm', reading: 'mm' },
  train: {
    machines: [
      { id: 'pump', feet: [{ id: 'pump-in', x: -240 }] },
      {
        id: 'motor',
        feet: [
          { id: 'motor-in', x: 240 },
          { id: 'motor-out', x: 690 },
        ],
      },
    ],
    couplings: [{ id: 'C1', left: 'pump', right: 'motor', x: 0, diameter: 160 }],
    fixed: 'pump',
    rpm: 1480,
  },
  measurements: [
    {
      coupling: 'C1',
      probes: [
        {
          type: 'rim',
          on: 'motor',
          x: 90,
          sag: -0.1,
          readings: [
            [0, 0],
            [90, -0.283],
            [180, -0.412],
            [270, -0.129],
          ],
        },
        {
          type: 'rim',
          on: 'pump',
          x: -70,
          sag: -0.08,
          readings: [
            [0, 0],
            [90, 0.081],
            [180, 0.104],
            [270, 0.023],
          ],
        },
      ],
    },
  ],
})
