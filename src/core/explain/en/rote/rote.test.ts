import fc from 'fast-check';
import { describe, it } from '@jest/globals';
import { demoFile, DEMO_FILES } from '../../../../../tests/support/demo-pieces';
import { expectRebuilt, roteText } from '../../../../../tests/support/by-rote';
import { randomPiece } from '../../../../../tests/support/random-pieces';
import { rounds } from '../../../../../tests/support/rounds';
import { moved, open } from '../../../../../tests/support/open';
import { asWritten, type OpenedPiece, type Version } from '../../../piece';
import type { RoteStyle } from './rote-told';

const KEYS = ['C', 'D', 'Eb', 'F#', 'A'];
const STYLES: readonly RoteStyle[] = [
  { voice: 'teacher', names: 'letters' },
  { voice: 'child', names: 'letters-h' },
  { voice: 'child', names: 'do-minor' },
  { voice: 'teacher', names: 'fixed-do' },
  { voice: 'child', names: 'none' },
];

/** So many of the pieces of chance are planned. */
const PLANNED = rounds(20, 1000);
const PIECES = rounds(300, 1000);

describe('a rote sheet', () => {
  it.each(DEMO_FILES.map(({ id }) => id))('of %s gives the piece back from its words', (id) => {
    const piece = open(demoFile(id));
    KEYS.forEach((key, i) => {
      const version = moved(piece, key, { fingering: 'plan' });
      const style = STYLES[i] as RoteStyle;
      expectRebuilt(roteText(piece, version, style), piece, version, style.names === 'none' ? 'sounding' : 'spelled');
    });
  });

  // Planning a piece takes far longer than telling it: most are told without seats, each key by its place.
  it('gives back every note, finger, length and beat of pieces of chance', () => {
    fc.sample(randomPiece, PIECES).forEach((piece, i) => {
      const style = STYLES[i % STYLES.length] as RoteStyle;
      const version = i < PLANNED ? asWritten(piece) : unseated(piece);
      // Movable do has no syllable for a degree that is raised or lowered twice: such a key is told by its place.
      const isSpelled = style.names !== 'none' && style.names !== 'do-minor';
      expectRebuilt(roteText(piece, version, style), piece, version, isSpelled ? 'spelled' : 'sounding');
    });
  });
});

/** A piece where it stands, with its printed fingers and nothing planned. */
function unseated({ score, notes, key }: OpenedPiece): Version {
  const interval = { fifths: 0, octaves: 0 };
  const none = { positions: [], flags: [], setAside: [], remarks: [], hands: [] };
  return { ...none, score, notes, key: key.key, interval, octaves: { right: 0, left: 0 } };
}
