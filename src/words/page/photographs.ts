import { labels, t } from '../language'

/** What is said on these screens. */
export const photographWords = labels({
  photographs: 'Photographs',
  take: 'Take or choose a picture',
  drop: 'or drop one here',
  sending: 'Sending …',
  label: (number: number) => t`What photograph ${number} shows`,
  describe: 'What it shows',
  belongs: 'Belongs to',
  report: 'the record',
  remove: (label: string) => t`Remove: ${label}`,
  removeShort: 'Remove',
  noLabel: 'not described',
  notAPicture: 'That is no picture this browser can read. Take a JPEG or a PNG.',
  full: 'That is as many as a job can hold: 60.',
  placesRemoved:
    'Made smaller before it is sent; what the camera writes beside the picture, place and all, is taken off.',
})
