import type { Terms } from '../terms';

export const choices = (t: Terms) => ({
  sayWhatToDo: 'Say what to do',
  sayWhatToDoKey: `Say what to do: a key, a ${t.bar}, a pupil, a piece …`,
  whatCanBeDone: 'What can be done',
  nothingHereIsCalledSo: `Nothing here is called so. Try fewer letters, as “go to D” or “hear ${t.bars} 3–4”.`,
  toShelf: 'to the Shelf',
  toBench: 'to the Bench',
  toSurvey: 'to the Survey',
  toAtlas: 'to the Atlas',
  toWhatFits: 'to What fits?',
  toSettings: 'to Settings',
  showMeRoundTourOf: 'show me round: a tour of five stops',
  openOnBench: (title: string) => `open “${title}” on the Bench`,
  putOnMusicStand: (title: string) => `put “${title}” on the music stand`,
});
