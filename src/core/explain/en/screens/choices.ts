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
    about: 'to “What is kept where”',
  },
  ofPupil: {
    page: (name: string) => `to ${name}’s page`,
    lesson: (name: string) => `to ${name}’s lesson`,
    week: (name: string) => `to ${name}’s week`,
    record: (name: string) => `to ${name}’s record`,
  },
  showMeRoundTourOf: 'show me round: a tour of five stops',
  openOnBench: (title: string) => `open “${title}” on the Bench`,
  putOnMusicStand: (title: string) => `put “${title}” on the music stand`,
});
