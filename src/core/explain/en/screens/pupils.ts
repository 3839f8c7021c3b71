import { capital } from '../common';
import type { Terms } from '../terms';

export const pupils = (t: Terms) => ({
  change: (name: string) => `Change ${name}`,
  newPupil: 'New pupil',
  reachFromTo: (leastMm: number, greatestMm: number) =>
    `A reach is a number from ${t.lengthNumber(leastMm)} to ${t.length(greatestMm)}.`,
  givePupilName: 'Give the pupil a name.',
  nameHasAtMost60: 'A name has at most 60 letters.',
  changed: (name: string) => `${name} changed`,
  added: (name: string) => `${name} added`,
  takenOut: (name: string) => `${name} taken out`,
  name: 'Name',
  reachLabel: `Reach, ${t.finger(1)} to ${t.finger(5)}, in ${t.lengthUnit}`,
  measurePupilHandSpreadOn:
    'Measure the pupil, the hand spread on a ruler without straining: the ages are rough. Stretching must never hurt.',
  level: 'Level',
  level1: '1: stay in one closed position',
  level2: '2: move between closed positions',
  level3: '3: open the hand, change on a repeated key',
  level4: '4: cross',
  thumbOr5OnBlack: `${capital(t.finger(1))} or ${t.finger(5)} on black`,
  allowAndMention: 'allow and mention',
  avoidLeaveSuchKeysOut: 'avoid: leave such keys out for now',
  beside5InOctaves: 'Beside 5 in octaves',
  fourUpToThird: '4 up to a third, else 3',
  threeOnBlack: '3 where it falls on a black key',
  sameFinger: 'the same finger',
  anotherFingerEachTime: 'another finger each time',
  takeOut: (name: string) => `Take ${name} out`,
  keepIt: 'Keep',
});
