import type { Terms } from '../terms';

export const choices = (t: Terms) => ({
  sayWhatToDo: 'Say what to do',
  sayWhatToDoKey: `Say what to do: a key, a ${t.bar}, a pupil, a piece …`,
  whatCanBeDone: 'What can be done',
  nothingHereIsCalledSo: `Nothing here is called so. Try fewer letters, as “go to D” or “hear ${t.bars} 3–4”.`,
  to: {
    shelf: 'to the Shelf',
    bench: 'to the Bench',
    survey: 'to the Survey',
    atlas: 'to the Atlas',
    pupils: 'to the pupils',
    week: 'to the week',
    settings: 'to Settings',
    fit: 'to What fits?',
    lesson: 'to a lesson',
    practice: 'to practice',
    paper: 'to paper: handouts and other sheets to print',
    about: 'to what is kept where',
  },
  ofPupil: {
    page: (name: string) => `to the page of ${name}`,
    lesson: (name: string) => `to the lesson with ${name}`,
    week: (name: string) => `to the week of ${name}`,
    record: (name: string) => `to the record of ${name}`,
  },
  showMeRoundTourOf: 'show me round: a tour of five stops',
  openOnBench: (title: string) => `open “${title}” on the Bench`,
  putOnMusicStand: (title: string) => `put “${title}” on the music stand`,
});
