import { labels, t } from '../language'

/** What is said on these screens. */
export const notebookWords = labels({
  theServerRejectedTheLast: (notKept: string | number) => t`The server rejected the last change. ${notKept}`,
  theLastChangesAreNot: 'The last changes are not saved yet.',
  cantReachTheServer: (notKept: string | number) => t`Can’t reach the server. ${notKept}`,
  changedHereAndOnAnother: (notKept: string | number) =>
    t`Changed here and on another tablet. Which one holds?${notKept}`,
  here: (shown: string | number) => t`Here: ${shown}`,
  there: (shown: string | number) => t`There: ${shown}`,
  saved: (format: string | number) => t`Saved ${format}`,
  saved2: 'Saved',
  saving: 'Saving',
  onThisDeviceCantReach: 'On this device; can’t reach the server',
  notStored: (kept: string) => t`Not stored on the server. ${kept}`,
  keptHere: 'It is kept on this device and tried again.',
  notSavedAnywhere: 'Not saved anywhere',
  notSaved: 'Not saved',
  conflictChooseOne: 'Conflict: choose one',
  undo: 'Undo',
  redo: 'Redo',
  thisBrowserCantStoreIt: 'This browser can’t store it either. Leave this page open until it is saved.',
  conflictingChanges: 'Conflicting changes',
  thisVersion: 'this version',
  onThisDeviceNotSent: 'On this device, not sent yet',
  changed: (format: string | number, length: string | number) => t`, changed ${format}${length}`,
  notSentYet: 'Not sent yet',
  unnamed: 'Unnamed',
  discardChangesTo: (title: string | number) => t`Discard changes to ${title}`,
  whatWasTypedHereAnd: 'What was typed here and never saved is lost for good.',
  discard: 'Discard',
})
