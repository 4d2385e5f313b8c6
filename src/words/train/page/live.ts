import { labels, t } from '../../language'

/** What is said on these screens. */
export const liveWords = labels({
  noDeviceReadsThisMethod: 'No device supports this method. Enter or import the readings.',
  battery: (formatNumber: string | number, battery: string | number) => t`battery ${formatNumber} %${battery}`,
  lost: (lost: string | number) => t`${lost} lost`,
  thisDeviceHasProbesThe: (length: string | number, length2: string | number) =>
    t`This device has ${length} probes; the set takes ${length2}. Choose its method under`,
  setUp: 'Set up',
  captureHereC: 'Capture here (C)',
  stopSweep: 'Stop sweep',
  sweep: 'Sweep',
  turnTheShafts: 'Turn the shafts',
  simulatedRigAtTheMachine:
    'Simulated rig. On a real machine: lock out and try, keep hands and sleeves clear, never reach in while shafts turn.',
  nothingToCaptureAProbe: 'Can’t capture: a probe has no reading.',
  capturedAt: (formatNumber: string | number) => t`Captured at ${formatNumber}°.`,
  theSweepHasNoPoints: 'The sweep has no points.',
  sweptPointsOver: (points: string | number, coverage: string | number) => t`Swept ${points} points over ${coverage}°.`,
  devices: 'Devices',
  device: 'Device',
  simulated: (value: string | number) => t`${value}, simulated`,
  connection: 'Connection',
  faultsOnTheSimulatedRig: 'Faults on the simulated rig',
  noFault: 'no fault',
  dropTheConnection: 'drop the connection',
  slackInTheCoupling: 'backlash in the coupling',
  aimedWithLeft: (left: string) => t`well aimed, ${left} left`,
  aimNearerTheMiddle: (left: string) => t`aim nearer the center: ${left} left`,
  outOfRange: 'out of range',
  batteryLow: 'battery low',
  autoCapture: 'Auto capture',
  captureWhenStill: 'Capture when steady',
  capturedReadings: 'Captured readings',
  turnTheShaftsDegrees: 'Turn the shafts, degrees',
  toWord: (what: string | number) => t`to ${what}`,
  theShaftsAreApartTake: (formatNumber: string | number) =>
    t`Shaft angles differ by ${formatNumber}°. Take up the backlash in the direction of rotation before you read.`,
  noBeamOnTheDetector: 'no beam on the detector',
  pointsOfTheTurn: (points: string | number, coverage: string | number) =>
    t`${points} points, ${coverage}° of the turn`,
})
