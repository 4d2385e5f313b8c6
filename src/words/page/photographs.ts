import { labels, t } from '../language'

/** What is said on these screens. */
export const photographWords = labels({
  photographs: 'Photographs',
  take: 'Add photograph',
  drop: 'or drop one here',
  sending: 'Sending …',
  label: (number: number) => t`Caption of photograph ${number}`,
  describe: 'Caption',
  belongs: 'Attach to',
  report: 'the record',
  remove: (label: string) => t`Remove: ${label}`,
  removeShort: 'Remove',
  noLabel: 'no caption',
  notAPicture: 'Can’t read this picture. Use JPEG or PNG.',
  full: 'Maximum 60 photographs per job.',
  placesRemoved: 'Photographs are resized, and location and camera data removed, before sending.',
})
