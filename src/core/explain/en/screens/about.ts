/** What is kept where, and how it is removed. */
export const about = () => ({
  heading: 'What is kept where',
  places: [
    [
      'In this browser',
      'Pieces, pupils, plans, lessons, what was played at home, settings, and everything that can be undone. It stays on this device. Beside it New Thumb itself, for use without a network.',
    ],
    ['In this tab', 'What is typed into a form and not kept yet. It goes when the tab is closed.'],
    [
      'On the server',
      'Nothing. It hands out the pages, and is not told what is done on them. Programs that send it a piece to be moved get their answer; it keeps neither the one nor the other.',
    ],
    [
      'With anybody else',
      'Nothing. No page asks for anything beyond its own address; nothing is counted, and there are no cookies. Pupils need no more than a name, and initials will do.',
    ],
    ['In your files', 'What you save, print and hand over. A pupil’s hand-over holds nothing of other pupils.'],
  ] as const,
  takeAlong: 'Taking it along',
  takeAlongHow:
    'The studio file holds everything, and opens in any other browser. Single pieces are saved from the Bench, one pupil’s data from that pupil’s page.',
  keepUpToDate: 'Keep a file up to date, or look into one',
  remove: 'Removing it',
  removeHow:
    'One pupil is removed, with everything about that pupil, on the pupil’s page. Here everything is removed that New Thumb has put into this browser.',
  removeAll: 'Remove everything …',
  whatGoes: (pieces: number, pupils: number): string =>
    `${pieces === 1 ? 'One piece' : `${pieces} pieces`} and ${pupils === 1 ? 'one pupil' : `${pupils} pupils`} go from this browser, with all that was planned and played, the settings, and the list of what can be undone. This cannot be taken back; a studio file can be opened again.`,
  saveFirst: 'Save the studio first',
  reallyRemove: 'Remove it all now',
  leaveIt: 'Leave it as it is',
  removing: 'Being removed …  If this takes long, another tab has the studio open: close it.',
  gone: 'Nothing of New Thumb is left in this browser. The page can be closed.',
  beginAnew: 'Begin anew',
  madeWith: 'What New Thumb is made with',
  madeWithHow: 'Other people’s work that is part of it, and on what terms:',
  notices: 'all notices',
  link: 'What is kept where, how it is removed, and what New Thumb is made with',
});
