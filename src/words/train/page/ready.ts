import { labels, t } from '../../language'

/** What is said on these screens. */
export const readyWords = labels({
  roughAlignment: 'Rough alignment',
  straightedgeOrBentStripWith:
    'Straightedge or bent strip and feeler on the rims, taper gauge between the faces. Correct angularity first, then offset.',
  gapFromTheStraightedgeOr: (felt: string | number) =>
    t`Gap from straightedge to the ${felt} hub’s rim; minus if the rim is proud`,
  gapBetweenTheHubFaces: 'Gap between the hub faces',
  roughAlignmentAt: 'Rough alignment at',
  straightedgeOrStripCarriedBy: 'Straightedge or strip held on',
  onTheHub: (left: string | number) => t`On the ${left} hub`,
  onTheHub2: (right: string | number) => t`On the ${right} hub`,
  rimGap: (what: string | number) => t`Rim gap, ${what}`,
  leftRadiusMinusRight: 'Left radius minus right',
  faceGap: (what: string | number) => t`Face gap, ${what}`,
  atDiameter: 'At diameter',
  dialTravel: 'Dial travel',
  roughResult: 'Rough result',
})
