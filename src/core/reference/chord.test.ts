import { describe, expect, it } from '@jest/globals';
import { Chord as TonalChord } from 'tonal';
import { demoFile } from '../../../tests/support/demo-pieces';
import { musicXml } from '../../../tests/support/build-piece';
import { moved, open } from '../../../tests/support/open';
import { keyOf, planned } from '../../../tests/support/planning';

import { asWritten } from '../piece';
import { chordsView } from '../views/chord-views';
import { fifteenKeys, nameText, parseName, pitchText, type PitchName } from '../pitch';
import { chordOf, numeralOf } from './chord';
import { keyCard } from './key-card';
import { SAYS } from '../../../tests/support/usual-words';

const names = (text: string): readonly PitchName[] => text.split(' ').map((name) => parseName(name) as PitchName);

describe('chordOf', () => {
  it.each([
    ['C E G', 'C', 'I (C), root position'],
    ['C F A', 'C', 'IV (F), second inversion'],
    ['B F G', 'C', 'V⁷ (G⁷), first inversion, without its fifth'],
    ['F# C D', 'G', 'V⁷ (D⁷), first inversion, without its fifth'],
    ['D F A', 'C', 'ii (D minor), root position'],
    ['B D F', 'C', 'vii° (B°), root position'],
    ['G# B E', 'A minor', 'V (E), first inversion'],
    ['C E G B', 'C', 'Imaj⁷ (Cmaj⁷), root position'],
    ['C G', 'C', 'I (C⁵), root position, without its third'],
    ['D F# A', 'C', 'II (D), root position'],
  ])('%s in %s is %s', (text, key, words) => {
    const [tonic = '', mode = 'major'] = key.split(' ');
    const chord = chordOf(names(text), keyOf(tonic, mode as 'major' | 'minor'));
    expect(chord && SAYS.chordWords(chord)).toBe(words);
  });

  it.each(['C D', 'C E', 'C D E F', 'C', 'C Eb Gb Bbb B'])('%s is none', (text) => {
    expect(chordOf(names(text), keyOf('C'))).toBeNull();
  });

  it('agrees with tonal on the root of every triad and dominant seventh in every key', () => {
    for (const key of fifteenKeys('major')) {
      const card = keyCard(key);
      for (const { pitches, degree } of card.primary) {
        const chord = chordOf(pitches, key);
        expect(chord?.degree).toBe(degree);
        if (pitches.length === 3 && chord?.without.length === 0) {
          const roots = TonalChord.detect(pitches.map((pitch) => nameText(pitch))).map(
            (name) => TonalChord.get(name).tonic,
          );
          expect(roots).toContain(nameText(chord.root));
        }
      }
    }
  });
});

describe('keyCard', () => {
  it('has the primary chords of the handbook: C-E-G, C-F-A, B-F-G, the lowest of V⁷ half a step below the tonic (common practice)', () => {
    const primary = (key: string): readonly string[] =>
      keyCard(keyOf(key)).primary.map(
        ({ pitches, left }) => `${pitches.map((pitch) => nameText(pitch)).join('-')} ${left.join('-')}`,
      );
    expect(primary('C')).toEqual(['C-E-G 5-3-1', 'C-F-A 5-2-1', 'B-F-G 5-2-1']);
    expect(primary('G')[2]).toBe('F#-C-D 5-2-1');
    expect(
      keyCard(keyOf('A', 'minor')).primary.map((chord) =>
        numeralOf(chordOf(chord.pitches, keyOf('A', 'minor')) as NonNullable<ReturnType<typeof chordOf>>),
      ),
    ).toEqual(['i', 'iv', 'V⁷']);
  });

  it('has the fingers that the planner finds for them', () => {
    for (const key of ['C', 'G', 'D', 'B', 'Eb', 'Ab']) {
      const text = keyCard(keyOf(key))
        .primary.map(({ pitches }) => `[${pitches.map((pitch) => pitchText(pitch)).join(' ')}]:2`)
        .join(' ');
      expect(planned('left', text, { level: 3 }, key)).toBe('531 521 521');
    }
  });

  it('lists the signs in their order and the black fingers of both hands (common practice)', () => {
    const card = keyCard(keyOf('E'));
    expect(card.signs.map(nameText)).toEqual(['F#', 'C#', 'G#', 'D#']);
    expect(card.black).toEqual({ right: [2, 3], left: [3, 4] });
    expect(card.triad.map((pitch) => nameText(pitch))).toEqual(['E', 'G#', 'B']);
    expect(card.relative).toEqual(keyOf('C#', 'minor'));
  });
});

describe('chordsView', () => {
  const piece = open(demoFile('market-chords'));
  const view = chordsView(SAYS, piece, asWritten(piece), moved(piece, 'G'));
  const left = view.shapes.filter(({ hand }) => hand === 'left');

  it('tells so many shapes, each with its keys and fingers before and after', () => {
    expect(left.map(({ words }) => words)).toEqual([
      'I (G), root position',
      'IV (C), second inversion',
      'V⁷ (D⁷), first inversion, without its fifth',
    ]);
    expect(left[2]).toMatchObject({
      before: { keys: ['B', 'F', 'G'], fingers: [5, 2, 1] },
      after: { keys: ['F♯', 'C', 'D'], fingers: [5, 2, 1] },
      texture: 'blocked',
    });
  });

  it('tells the way from one to the next, finger by finger', () => {
    const ways = view.changes.filter(({ hand }) => hand === 'left').map(({ words }) => words);
    expect(ways).toContain('5 stays, 2 plays C, 1 moves up a step');
    expect(ways).toContain('5 moves down half a step, 2 stays, 1 moves down a step');
  });

  it('recognises broken chords by the bar and by the half bar, and no scale', () => {
    const broken = open(
      musicXml({ right: 'C4q E4q G4q E4q | C4e E4e G4e E4e B3e D4e G4e D4e | C4q D4q E4q F4q', mode: 'major' }),
    );
    const shapes = chordsView(SAYS, broken, asWritten(broken), moved(broken, 'C')).shapes;
    expect(shapes.map(({ texture: way, words, bars }) => `${way} ${words} ${bars.join()}`)).toEqual([
      'broken I (C), root position 1,2',
      'broken V (G), first inversion 2',
    ]);
  });
});
