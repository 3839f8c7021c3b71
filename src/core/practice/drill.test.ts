import { describe, expect, it } from '@jest/globals';
import { DRILL_KINDS, DRILL_RHYTHMS } from './drill-kinds';
import { USUAL_PLAYER } from '../fingering';
import { asWritten } from '../piece';
import { drillView } from '../views';
import { fifteenKeys, keyText, parseKey, pitchClass, type Key } from '../pitch';
import { barTicks } from '../time';
import { struckNotes, type HandNote } from '../score';
import { open } from '../../../tests/support/open';
import { SAYS } from '../../../tests/support/usual-words';

const key = (name: string): Key => parseKey(name, 'major') as Key;
const drill = (options: Partial<Parameters<typeof drillView>[1]> = {}) =>
  open(
    drillView(SAYS, { kind: 'five-fingers', keys: [key('D')], rhythm: 'quarters', hands: 'both', ...options }, 60)
      .musicXml,
  );
const fingersOf = (notes: readonly HandNote[], hand: 'right' | 'left'): string =>
  notes
    .filter((note) => note.hand === hand)
    .map(({ finger }) => finger)
    .join('');

describe('a drill', () => {
  it.each(DRILL_KINDS.flatMap((kind) => DRILL_RHYTHMS.map((rhythm) => [kind, rhythm] as const)))(
    '%s in %s fills its bars, has a finger on every note, and stays in its key',
    (kind, rhythm) => {
      for (const one of ['C', 'Bb', 'F#', 'A-minor', 'Eb-minor']) {
        const piece = drill({ kind, rhythm, keys: [key(one)] });
        for (const { length, meter, items } of piece.part.measures) {
          expect(length).toBe(barTicks(meter, piece.score.ticksPerQuarter));
          expect(items.filter((item) => item.kind === 'note').length).toBeGreaterThan(0);
        }
        const notes = struckNotes(piece.notes);
        expect(notes.every(({ finger }) => finger !== null)).toBe(true);
        expect(keyText(piece.key.key)).toBe(keyText(key(one)));
        // It ends where it began: the lowest note of the end is the tonic.
        const last = notes.filter(
          ({ hand, onset }) => hand === 'left' && onset === notes.filter((note) => note.hand === 'left').at(-1)?.onset,
        );
        expect(pitchClass(last[0]?.pitch as HandNote['pitch'])).toBe(pitchClass(key(one).tonic));
      }
    },
  );

  it.each(['five-fingers', 'triad-broken', 'triad-blocked', 'skips'] as const)(
    '%s keeps each hand in one position, in all thirty keys',
    (kind) => {
      for (const one of [...fifteenKeys('major'), ...fifteenKeys('minor')]) {
        const { positions } = asWritten(drill({ kind, keys: [one] }), USUAL_PLAYER);
        expect([keyText(one), positions.length]).toEqual([keyText(one), 2]);
      }
    },
  );

  it('moves the hand by a change of finger on one key, down and back', () => {
    const { notes } = drill({ kind: 'finger-changes', keys: [key('C')] });
    expect(fingersOf(notes, 'right')).toBe('1234321234321');
    const right = notes.filter(({ hand }) => hand === 'right');
    const changes = right.flatMap((note, i) =>
      i > 0 && right[i - 1]?.midi === note.midi ? [`${right[i - 1]?.finger}${note.finger}`] : [],
    );
    expect(changes).toEqual(['34', '43']);
  });

  it('crosses the left hand over the right, where its staff has the other clef', () => {
    const piece = drill({ kind: 'cross-hands', keys: [key('C')], rhythm: 'waltz' });
    const left = piece.notes.filter(({ hand }) => hand === 'left');
    const right = piece.notes.filter(({ hand }) => hand === 'right');
    expect(Math.max(...left.map(({ midi }) => midi))).toBeGreaterThan(Math.max(...right.map(({ midi }) => midi)));
    expect(Math.max(...left.map(({ ledgerLines }) => ledgerLines))).toBeLessThanOrEqual(1);
  });

  it('comes to an octave with 3 and 2, then plays it with thumb and fifth (handbook, common practice)', () => {
    const { notes } = drill({ kind: 'octave-ready', keys: [key('C')] });
    expect(fingersOf(notes, 'right').slice(0, 4)).toBe('3215');
    expect(fingersOf(notes, 'left').slice(0, 4)).toBe('3251');
    const octave = notes.filter(({ hand }) => hand === 'right').slice(2, 4);
    expect((octave[1] as HandNote).midi - (octave[0] as HandNote).midi).toBe(12);
  });

  it('takes primary chords with 5-3-1, 5-2-1, 5-2-1 in the left hand (handbook, common practice)', () => {
    const { notes } = drill({ kind: 'chord-changes', keys: [key('C')], hands: 'left' });
    expect(fingersOf(notes, 'left')).toBe('531521531521531');
    expect(notes.some(({ hand }) => hand === 'right')).toBe(false);
  });

  it('goes through keys in the order that is wanted, each with its signature and its name', () => {
    const view = drillView(
      SAYS,
      { kind: 'triad-broken', keys: ['C', 'A-minor', 'Eb'].map(key), rhythm: 'quarters', hands: 'right' },
      60,
    );
    expect(view.title).toBe('Broken triad in three keys');
    expect([...view.musicXml.matchAll(/<fifths>(-?\d+)<\/fifths>/g)].map(([, fifths]) => fifths)).toEqual([
      '0',
      '0',
      '-3',
    ]);
    expect([...view.musicXml.matchAll(/<words[^>]*>([^<]*)<\/words>/g)].map(([, words]) => words)).toEqual([
      'C major',
      'A minor',
      'E♭ major',
    ]);
  });
});
