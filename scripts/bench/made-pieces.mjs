import { seeded } from '../lib/seeded.mjs';

const { musicXml } = await import('../../tests/support/build-piece.ts');

const LETTERS = ['C4', 'D4', 'E4', 'F4', 'G4', 'A4', 'B4', 'C5', 'D5', 'E5'];
const CHORDS = [
  ['C3', 'E3', 'G3'],
  ['B2', 'F3', 'G3'],
  ['C3', 'F3', 'A3'],
  ['D3', 'F3', 'A3'],
];

/** A tune of one hand, as the text of a piece. */
export function tune(random, bars) {
  let at = Math.floor(random() * 5);
  const bar = () =>
    Array.from({ length: 6 }, (_, i) => {
      const step = random() < 0.6 ? 1 : random() < 0.7 ? 2 : 3;
      at = Math.max(0, Math.min(9, at + (random() < 0.5 ? step : -step)));
      return `${LETTERS[at]}${i < 4 ? 'e' : 'q'}`;
    }).join(' ');
  return Array.from({ length: bars }, bar).join(' | ');
}

function accompaniment(random, bars) {
  const bar = () => {
    const chord = CHORDS[Math.floor(random() * 4)];
    return random() < 0.5
      ? `${chord.join('+')}h ${chord.join('+')}h`
      : `${chord[0]}q ${chord[2]}q ${chord[1]}q ${chord[2]}q`;
  };
  return Array.from({ length: bars }, bar).join(' | ');
}

/** A piece for two hands as MusicXML, always the same from a seed. */
export function twoHands(bars, seed) {
  const random = seeded(seed);
  return musicXml({ right: tune(random, bars), left: accompaniment(random, bars), mode: 'major' });
}
