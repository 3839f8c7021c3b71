import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { Note as TonalNote } from 'tonal';
import { fifteenKeys, intervalName, keyText, parseKey, pitchText, type Key } from '../pitch';
import { attributesOf, itemsOf } from '../score';
import { asWritten, moveTo } from '../piece';
import { writeMusicXml } from '../write';
import { musicXml } from '../../../tests/support/build-piece';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { moved, open, USUAL } from '../../../tests/support/open';
import { groupMove } from './black-groups';

const pitches = (text: string, to: string, options = {}): string =>
  moved(open(text), to, options)
    .notes.map(({ pitch }) => pitchText(pitch))
    .join(' ');

describe('moving a piece', () => {
  it('moves each hand by its own octaves as well', () => {
    const text = musicXml({ right: 'C4w', left: 'C3w' });
    expect(pitches(text, 'D', { octaves: { right: 1, left: -1 } })).toBe('D2 D5');
    expect(pitches(text, 'C', { octaves: { right: 1, left: 0 } })).toBe('C3 C5');
  });

  it.each([
    ['up', 'B4'],
    ['down', 'B3'],
    ['nearest', 'B3'],
  ] as const)('goes %s to B', (direction, pitch) => {
    expect(pitches(musicXml({ right: 'C4w' }), 'B', { direction })).toBe(pitch);
  });

  it('there and back is the same piece, note for note and sign for sign', () => {
    const files = DEMO_FILES.filter(({ id }) => id !== 'bridge-to-the-other-bank');
    fc.assert(
      fc.property(fc.constantFrom(...files.map(({ id }) => id)), fc.integer({ min: 0, max: 14 }), (id, place) => {
        const piece = open(demoFile(id));
        const own = piece.key.key;
        const there = moved(piece, keyText(fifteenKeys(own.mode)[place] as Key), { direction: 'up' });
        const again = moved(open(writeMusicXml(there.score)), keyText(own), { direction: 'down' });
        const told = (notes: typeof again.notes): readonly string[] =>
          notes.map(({ pitch, item }) => `${pitchText(pitch)} ${item.accidental?.sign ?? ''}`);
        expect(told(again.notes)).toEqual(told(piece.notes));
      }),
      { numRuns: 30 },
    );
  });

  it('gives the very score back where nothing moves', () => {
    const piece = open(demoFile('lantern-walk'));
    expect(moved(piece, 'C').score).toBe(piece.score);
  });

  it('moves a key change inside the piece with it', () => {
    const part = moved(open(demoFile('bridge-to-the-other-bank')), 'D').score.parts[0];
    expect(part && attributesOf(part).flatMap(({ keys }) => keys.map(({ fifths }) => fifths))).toEqual([2, 3]);
  });

  it('turns a key change beyond seven signs enharmonically, and says from which bar', () => {
    const version = moved(open(demoFile('bridge-to-the-other-bank')), 'C#');
    const part = version.score.parts[0];
    expect(part && attributesOf(part).flatMap(({ keys }) => keys.map(({ fifths }) => fifths))).toEqual([7, -4]);
    expect(version.remarks).toContainEqual({
      code: 'respelled-key',
      bar: '9',
      part: 'Piano',
      fromSigns: 8,
      to: 'Ab-major',
    });
  });

  it('moves chord symbols, root and bass', () => {
    const chord =
      '<harmony><root><root-step>G</root-step></root><kind>dominant</kind><bass><bass-step>B</bass-step></bass></harmony>';
    const version = moved(open(musicXml({ right: 'G4w', fifths: 1, extra: { 1: chord } })), 'Bb');
    const names = version.score.parts
      .flatMap(itemsOf)
      .flatMap((item) => (item.kind === 'harmony' ? [...item.roots, ...item.basses] : []));
    expect(names).toEqual([
      { step: 6, alter: -1 },
      { step: 1, alter: 0 },
    ]);
    expect(writeMusicXml(version.score)).toContain('<root><root-step>B</root-step><root-alter>-1</root-alter></root>');
  });

  it('moves a part for a transposing instrument as sounding music: it stays a part for that instrument', () => {
    const clarinet = musicXml({
      right: 'D4q E4q F#4h',
      fifths: 2,
      mode: 'major',
      attributes: '<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose>',
    });
    const version = moved(open(clarinet), 'F');
    expect(version.notes.map(({ pitch }) => pitchText(pitch)).join(' ')).toBe('F4 G4 A4');
    const written = writeMusicXml(version.score);
    expect(written).toContain('<fifths>1</fifths>');
    expect(written).toContain('<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose>');
    expect(written.match(/<step>.<\/step>/g)?.join('')).toBe('<step>G</step><step>A</step><step>B</step>');
  });

  it('puts a signature into a piece that has none', () => {
    const bare = musicXml({ right: 'C4w' }).replace(/<key>.*<\/key>/, '');
    expect(writeMusicXml(moved(open(bare), 'D').score)).toMatch(
      /<divisions>2<\/divisions><key><fifths>2<\/fifths><\/key>/,
    );
  });

  it('refuses to leave the nine octaves, and names the bar', () => {
    const piece = open(musicXml({ right: 'C9w' }));
    const options = { ...USUAL, to: piece.key.key, octaves: { right: 1, left: 0 } };
    expect(moveTo(piece, asWritten(piece), options)).toMatchObject({
      ok: false,
      error: { code: 'move.out-of-range', bar: '1' },
    });
  });

  it('never changes how a piece sounds by its spelling', () => {
    for (const { text } of DEMO_FILES) {
      const piece = open(text);
      for (const tonic of ['C#', 'Gb', 'B', 'D#', 'Ab'].filter((name) => parseKey(name, piece.key.key.mode))) {
        const midi = (spelling: 'strict' | 'plain'): readonly number[] =>
          moved(piece, tonic, { spelling }).notes.map((note) => note.midi);
        expect(midi('plain')).toEqual(midi('strict'));
      }
    }
  });
});

describe('plain spelling', () => {
  it('has no double signs and no B♯ E♯ C♭ F♭ that the signature does not hold', () => {
    const chromatic = musicXml({ right: 'C4q C#4q D4q D#4q | E4q F4q F#4q G#4q | A4q A#4q B4q C5q', mode: 'major' });
    for (const tonic of ['B', 'F#', 'Db', 'Gb', 'Ab', 'E']) {
      const strange = moved(open(chromatic), tonic, { spelling: 'plain' }).notes.filter(
        ({ pitch }) => Math.abs(pitch.alter) > 1,
      );
      expect(strange).toEqual([]);
    }
    expect(pitches(musicXml({ right: 'F#4w', mode: 'major' }), 'B', { spelling: 'strict' })).toBe('E#4');
    expect(pitches(musicXml({ right: 'F#4w', mode: 'major' }), 'B', { spelling: 'plain' })).toBe('F4');
    expect(pitches(musicXml({ right: 'F4w B4w', mode: 'major' }), 'F#', { spelling: 'plain' })).toBe('B4 E#5');
  });

  it('keeps the raised seventh of a minor key, and proposes the enharmonic key where it would need a double sharp', () => {
    const minor = musicXml({ right: 'A4h G#4h | A4w', mode: 'minor' });
    const version = moved(open(minor), 'G#', { spelling: 'plain' });
    expect(version.notes.map(({ pitch }) => pitchText(pitch)).join(' ')).toBe('G#4 F##4 G#4');
    expect(version.remarks).toContainEqual({ code: 'enharmonic-proposed', to: 'Ab-minor' });
  });
});

describe('another mode, degree by degree', () => {
  const scale = { right: 'C4q D4q E4q F4q | G4q A4q B4q C5q', mode: 'major' };

  it.each([
    ['C-minor', {}, 'C4 D4 Eb4 F4 G4 Ab4 B4 C5'],
    ['C-minor', { seventh: 'natural' }, 'C4 D4 Eb4 F4 G4 Ab4 Bb4 C5'],
    ['C-minor', { sixth: 'raised' }, 'C4 D4 Eb4 F4 G4 A4 B4 C5'],
    ['C-mixolydian', {}, 'C4 D4 E4 F4 G4 A4 Bb4 C5'],
    ['C-lydian', {}, 'C4 D4 E4 F#4 G4 A4 B4 C5'],
    ['D-dorian', {}, 'D4 E4 F4 G4 A4 B4 C5 D5'],
    ['E-minor', {}, 'E4 F#4 G4 A4 B4 C5 D#5 E5'],
  ] as const)('into %s %j', (to, options, expected) => {
    const version = moved(open(musicXml(scale)), to, options);
    expect(version.notes.map(({ pitch }) => pitchText(pitch)).join(' ')).toBe(expected);
    expect(version.remarks.map(({ code }) => code)).toContain('other-mode');
  });

  it('takes the raised sixth and seventh of minor for the plain ones of major, and keeps other alterations', () => {
    const minor = musicXml({ right: 'A4q G#4q F#4q D#4q | A4w', left: 'A2w | A2w', mode: 'minor' });
    expect(pitches(minor, 'A-major').replace(/A2 /g, '')).toBe('A4 G#4 F#4 D#4 A4');
    expect(pitches(musicXml({ right: 'F#4h Bb4h', mode: 'major' }), 'C-minor')).toBe('F#4 Bb4');
  });

  it('is the piece itself when it goes and comes back between modes that share their alterations', () => {
    for (const mode of ['dorian', 'phrygian', 'lydian', 'mixolydian', 'locrian']) {
      const there = moved(open(musicXml(scale)), `F-${mode}`);
      const again = moved(open(writeMusicXml(there.score)), 'C-major', { direction: 'down' });
      expect(again.notes.map(({ pitch }) => pitchText(pitch)).join(' ')).toBe('C4 D4 E4 F4 G4 A4 B4 C5');
    }
  });

  it('turns the triads of chord symbols into those of the degree', () => {
    const chord = (step: string, kind: string): string =>
      `<harmony><root><root-step>${step}</root-step></root><kind>${kind}</kind></harmony>`;
    const text = musicXml({
      right: 'C4w | F4w | G4w | A4w',
      mode: 'major',
      extra: { 1: chord('C', 'major'), 2: chord('F', 'major'), 3: chord('G', 'major'), 4: chord('A', 'minor') },
    });
    const kinds = [
      ...writeMusicXml(moved(open(text), 'C-minor').score).matchAll(
        /<root-step>(.)<\/root-step>(<root-alter>-1<\/root-alter>)?<\/root><kind>(\w+)</g,
      ),
    ].map(([, step, flat, kind]) => `${step}${flat ? 'b' : ''} ${kind}`);
    expect(kinds).toEqual(['C minor', 'F minor', 'G major', 'Ab major']);
  });
});

describe('groupMove', () => {
  const move = (right: string, left: string, fifths = 0): string => {
    const piece = open(musicXml({ right, left, fifths, mode: 'major' }));
    const found = groupMove(piece.notes, piece.key.key);
    return found ? `${found.onto} ${keyText(found.key)} ${found.direction}` : 'none';
  };

  it('finds the black groups half a step below D E and G A B, with the same fingers (common practice)', () => {
    expect(move('G4q/2 A4q/3 B4h/4', 'D3h/3 E3h/2')).toBe('black B-major down');
    const piece = open(musicXml({ right: 'G4q/2 A4q/3 B4h/4', mode: 'major' }));
    const black = moved(piece, 'B', { direction: 'down' });
    expect(black.notes.map(({ pitch, finger }) => `${pitchText(pitch)} ${finger}`)).toEqual([
      'F#4 2',
      'G#4 3',
      'A#4 4',
    ]);
  });

  it('goes back half a step up from the black groups', () => {
    expect(move('G#4q/3 A#4q/4 F#4h/2', 'C#3h/3 F#3h/1', 6)).toBe('white G-major up');
  });

  it('is none for a tune on other keys', () => {
    expect(move('C4w', 'C3w')).toBe('none');
  });
});

describe('the teacher’s spelling', () => {
  it('puts a note under the other letter, the notes it is tied to as well, and draws its sign', () => {
    const piece = open(musicXml({ right: 'F#4w~ | F#4h D4h', mode: 'major' }));
    const id = piece.notes[0]?.id ?? '';
    const version = moved(piece, 'C', { respelled: [id] });
    expect(version.notes.map(({ pitch, item }) => `${pitchText(pitch)} ${item.accidental?.sign ?? '-'}`)).toEqual([
      'Gb4 flat',
      'Gb4 -',
      'D4 -',
    ]);
    expect(version.notes.map(({ midi }) => midi)).toEqual(piece.notes.map(({ midi }) => midi));
  });

  it('leaves D, G and A alone: they have no other letter with one sign', () => {
    const piece = open(musicXml({ right: 'D4q G4q A4q C4q', mode: 'major' }));
    expect(
      moved(piece, 'C', { respelled: piece.notes.map(({ id }) => id) })
        .notes.map(({ pitch }) => pitchText(pitch))
        .join(' '),
    ).toBe('D4 G4 A4 B#3');
  });

  it('lists what plain spelling changed, each once with its bars', () => {
    const version = moved(open(musicXml({ right: 'F#4w | F#4w', mode: 'major' })), 'B', { spelling: 'plain' });
    expect(version.remarks).toEqual([{ code: 'respelled-note', bars: ['1', '2'], from: 'E#', to: 'F' }]);
  });
});

describe('the interval of a move', () => {
  it('is the one tonal finds between first notes', () => {
    for (const { text } of DEMO_FILES) {
      const piece = open(text);
      const version = moved(piece, 'F#');
      const [from, to] = [piece.notes[0], version.notes.find(({ id }) => id === piece.notes[0]?.id)];
      const tonal = from && to ? TonalNote.distance(pitchText(from.pitch), pitchText(to.pitch)) : '';
      expect(intervalName(version.interval)).toBe(tonal.replace(/^(-?)(\d+)(\D+)$/, '$1$3$2'));
    }
  });
});
