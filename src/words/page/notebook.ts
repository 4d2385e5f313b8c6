import { labels, t } from '../language'

/** What is said on these screens. */
export const notebookWords = labels({
  theServerRejectedTheLast: (notKept: string | number) => t`The server rejected the last change. ${notKept}`,
  theLastChangesAreNot: 'The last changes are not saved yet.',
  cantReachTheServer: (notKept: string | number) => t`Can’t reach the server. ${notKept}`,
  changedHereAndOnAnother: (notKept: string | number) =>
    t`Changed here and on another tablet. Which value is right?${notKept}`,
  here: (shown: string | number) => t`Here: ${shown}`,
  there: (shown: string | number) => t`Other tablet: ${shown}`,
  saved: (format: string | number) => t`Saved ${format}`,
  saved2: 'Saved',
  saving: 'Saving',
  onThisDeviceCantReach: 'Saved on this device only; can’t reach the server',
  notStored: (kept: string) => t`Not stored on the server. ${kept}`,
  keptHere: 'Saved on this device; retrying.',
  notSavedAnywhere: 'Not saved anywhere',
  notSaved: 'Not saved',
  conflictChooseOne: 'Conflict: choose one',
  undo: 'Undo',
  redo: 'Redo',
  thisBrowserCantStoreIt: 'This browser can’t store it. Keep this page open until it is saved.',
  conflictingChanges: 'Conflicting changes',
  thisVersion: 'this version',
  onThisDeviceNotSent: 'On this device, not sent yet',
  changed: (format: string | number, length: string | number) => t`, changed ${format}${length}`,
  notSentYet: 'Not sent yet',
  unnamed: 'Unnamed',
  discardChangesTo: (title: string | number) => t`Discard changes to ${title}`,
  whatWasTypedHereAnd: 'Unsaved entries on this device will be lost for good.',
  discard: 'Discard',
})
