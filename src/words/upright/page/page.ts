import { labels, plural, t } from '../../language'

/** What is said on these screens. */
export const pageWords = labels({
  theLine: 'The line',
  theFlange: 'The flange',
  name: 'Name',
  area: 'Area',
  upperMachine: 'Upper machine',
  lowerMachine: 'Lower machine',
  speedRpm: 'Speed, rpm',
  couplingDiameter: 'Coupling diameter',
  jointAboveTheCouplingCentre: 'Joint above the coupling centre',
  boltCircleDiameter: 'Bolt circle diameter',
  bolts: 'Bolts',
  boltsCountedSeenFromAbove: 'Bolts counted, seen from above',
  clockwise: 'clockwise',
  counterclockwise: 'counterclockwise',
  spigotClearanceOfItsDiameter: 'Spigot clearance, of its diameter',
  emptyWhereThereIsNone: 'Empty where there is none',
  shimsInStock: (unit: string | number) => t`Shims in stock, ${unit}`,
  boltClearance: 'Bolt clearance in the holes, of the diameter',
  room: 'Room for the shaft to rise',
  ifKnownRoom: 'Empty where nobody measured it',
  stands: 'Bolt 1 lies, as you stand',
  towardYou: 'toward you',
  leftOfYou: 'to your left',
  awayFromYou: 'away from you',
  rightOfYou: 'to your right',
  readAt: 'Read at',
  everyBolt: 'every bolt',
  everyNth: (n: number, places: number) =>
    n === 2
      ? t`every second bolt, ${places} places`
      : n === 3
        ? t`every third bolt, ${places} places`
        : t`every ${n}th bolt, ${places} places`,
  seated: (machine: string) => t`${machine} turned on its flange by`,
  asItStood: 'nothing',
  boltPlaces: (n: number) => plural(n, { one: t`1 bolt place`, other: t`${n} bolt places` }),
  goToRead: 'Go to Read',
  moves: 'Moves',
  shimsAtTheBoltsFirst: 'shims at the bolts first, then the push',
  sheetForTheMachine: 'Sheet for the machine',
  noMovesYetReadBoth: 'No moves yet: read both dials at the bolts, and give the flange on the line’s page.',
  atTheBolts: 'At the bolts',
  whenItStands: 'When it stands again',
  lifted:
    'A lift opens the coupling gap and lifts what hangs on the shaft: set both again, and write down how they were left.',
  hubs: 'Between the hubs',
  hanging: 'Impeller or thrust setting',
  goToLine: 'Go to Line',
  movedStartNextRound: 'Moved: start next round',
  readings: 'Readings',
  bothShaftsTurnedTogetherCoupling: (name: string | number) =>
    t`both shafts turned together, coupling released; ${name} rotor hanging where it runs`,
  enterIt: 'Enter it',
  heightAboveTheCoupling: 'Height above the coupling',
  depthBelowTheCoupling: 'Depth below the coupling',
  hubRadius: 'Hub radius',
  ifKnown: 'If known',
  theFlangeFromAboveAnd: 'The flange from above, and the shafts beside it',
})
