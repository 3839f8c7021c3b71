/** What is said of keeping, of the studio file, and of what could not be kept. */
export const store = () => ({
  records: {
    pieces: 'piece',
    pupils: 'pupil',
    plan: 'card of a plan',
    lessons: 'note of a lesson',
    answers: 'answer of a finding game',
    runs: 'run of the record',
    kept: 'setting',
    aside: 'thing from elsewhere',
  },
  lists: {
    pieces: 'pieces',
    pupils: 'pupils',
    plan: 'cards of plans',
    lessons: 'notes of lessons',
    answers: 'answers of finding games',
    runs: 'runs of the record',
  },
  gone: (record: string) => ({
    message: `This ${record} is not there any more: it was taken away meanwhile, perhaps in another tab.`,
    hint: 'Undo, in the tab where that was done, brings it back.',
  }),
  there: (record: string) => ({ message: `This ${record} is there already.`, hint: 'Nothing was changed.' }),
  musicChanged: {
    message: 'The notes of this piece were changed elsewhere meanwhile.',
    hint: 'It is shown as it is now; do it once more where it is still wanted.',
  },
  unclear: (record: string) => ({
    message: `Something in this ${record} cannot be understood, and is not written over.`,
    hint: 'It is listed in Settings under “Set aside”: save it there as a file, delete it, and do this once more.',
  }),
  invalid: (why: string) => ({ message: `This cannot be kept: ${why}.`, hint: 'Nothing was changed.' }),
  notAsLookedAt: {
    message: 'The studio was changed since this file was looked at.',
    hint: 'Nothing was taken in. Look at what comes in once more.',
  },
  lost: {
    message: 'The browser has closed or deleted the studio.',
    hint: 'Save the studio file, or put the studio back into this browser: the notice at the top has both.',
  },
  full: {
    message: 'There is no room left on this device.',
    hint: 'Make room, or save the studio to a file in Settings.',
  },
  unreachable: (detail: string) => ({
    message: `The browser’s store cannot be reached (${detail}).`,
    hint: 'Reload the page. If that does not help, look whether this browser may keep data, and that it is no private window.',
  }),
  chooseStudioFile: 'Choose a file that was saved with “Save the studio” here in Settings.',
  noStudioFile: 'This file is no studio file.',
  nothingReadable: 'This file is no studio file, or it was cut off before anything can be read.',
  savedByNewer: (form: number) =>
    `It was saved by a newer New Thumb (form ${form}): what this one does not know is carried along.`,
  damaged: 'It is damaged or cut off: what could be read of it is listed here.',
  changedSince: 'It is not as it was saved: something in it was changed since (its checksum differs).',
  held: (wanted: number, list: string, found: number) => `It held ${wanted} ${list}; ${found} can be read.`,
  recordOf: (list: string) => `a record of “${list}”`,
  field: (name: string) => `“${name}”`,
  something: 'something',
});
