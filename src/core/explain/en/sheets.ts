import type { Hand } from '../../score';
import { capital, countWord, HAND } from './common';
import type { Terms } from './terms';

/** How the caution begins: what is read of a rote sheet ends before it. */
export const CAUTION = 'If your hand hurts, stop and rest.';

/** What stands on printed sheets beside the music and the sentences of the core. */
export function sheetWords(t: Terms) {
  return {
    /** The language as a document names it. */
    language: 'en',
    /** At the foot of a page: `%1` is its number, `%2` how many there are. */
    pageOf: 'Page %1 of %2',
    underTitle: (key: string, stage: string | null, pupil: string | null): string =>
      [key, stage, pupil === null ? null : `for ${pupil}`].filter((part) => part !== null).join(' · '),
    music: (title: string, key: string): string => `Music: ${title} in ${key}`,
    whereHandsSit: 'Where your hands sit',
    place: (hand: Hand, [from, to]: readonly [from: string, to: string], place: string): string =>
      `${capital(HAND[hand])}, ${from === to ? `${t.bar} ${from}` : `${t.bars} ${from}–${to}`}: ${place}`,
    handName: (hand: Hand): string => capital(HAND[hand]),
    keyCard: (key: string): string => `The key: ${key}`,
    signature: (signs: string): string => `In front of the music: ${signs}.`,
    fiveKeys: (names: string): string => `Five fingers: ${names}.`,
    triad: (names: string): string => `Triad with 1, 3 and 5: ${names}.`,
    relative: (key: string): string => `The same signs: ${key}.`,
    watchFor: 'Watch for',
    steps: 'Steps',
    notes: 'Notes',
    caution:
      'If your hand hurts, stop and rest. Play it smaller, and tell your teacher. If the pain stays, ask a doctor.',
    date: 'Date',
    name: 'Name',
    rote: (key: string): string => `By rote, in ${key}`,
    fingersUnder: 'Finger numbers: right hand with stems up, left hand with stems down',
    overview: (title: string): string => `${title} in every key`,
    overviewHead: ['Key', 'Positions', 'What it asks', 'Secure on'] as const,
    overviewUnder: 'The easiest first. A dark finger is on a black key.',
    noWork: 'nothing to do',
    positions: (right: string, left: string): string =>
      [right === '' ? '' : `right ${right}`, left === '' ? '' : `left ${left}`]
        .filter((part) => part !== '')
        .join(', '),
    positionSheet: (key: string): string => `Five fingers on ${key}`,
    drillSheet: 'Drill',
    weekOf: (week: string): string => `Week of ${week}`,
    practiceLog: 'What I played',
    logHead: ['Day', 'What', 'Minutes', 'How it went'] as const,
    leftOut: {
      fingers: 'Write a finger at each note.',
      accidentals: 'Write the sharps, flats and naturals that are missing.',
      names: `Write the name of each note under it.`,
      notes: (key: string): string => `Write the piece in ${key} on the empty staves.`,
    },
    answers: 'Answers',
    cardsTitle: 'Flash cards',
    card: {
      whichKey: 'Which key?',
      signs: (signs: string): string => capital(signs),
      whichPlace: 'Which position is it?',
      whichNote: 'What is it called?',
      fingersOn: (hand: Hand): string => `Set your ${HAND[hand]}`,
    },
    times: (count: number): string => (count === 1 ? 'once' : `${countWord(count)} times in a row`),
  };
}
