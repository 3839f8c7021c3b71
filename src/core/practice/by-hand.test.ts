import { describe, expect, it } from '@jest/globals';
import type { AskedMusic } from '../asked';
import { midiNumber, parsePitch, type Pitch } from '../pitch';
import { asked, struck } from '../../../tests/support/asked';
import { judgePlaying } from './judge-playing';

/** A beat. Unit: ms. */
const BEAT_MS = 600;

/** Keys as `C4@0 E4+G4@1 F4@1.5-4`: from which beat, and until which, where it is not a short one. */
function played(text: string) {
  return text.split(' ').flatMap((word) => {
    const [names = '', times = ''] = word.split('@');
    const [from = '0', until] = times.split('-');
    const held = until === undefined ? 0.8 : Number(until) - Number(from);
    return names
      .split('+')
      .map((name) => struck(midiNumber(parsePitch(name) as Pitch), Number(from) * BEAT_MS, held * BEAT_MS));
  });
}

/** What was told, as `kind bar:beat`. */
function told(music: AskedMusic, text: string): readonly string[] {
  const { faults, clean } = judgePlaying(music, played(text), { strictness: 'usual', bpm: null, countIn: null });
  return faults.length === 0 && clean ? ['clean'] : faults.map(({ kind, bar, beat }) => `${kind} ${bar}:${beat}`);
}

/** A signature of sharps on some letters. */
function signed(music: AskedMusic, steps: readonly number[]): AskedMusic {
  const notes = music.notes.map((note) => (steps.includes(note.pitch.step) ? { ...note, signatureAlter: 1 } : note));
  return { ...music, notes };
}

const TUNE = asked('C4 D4 E4 F4 G4 F4 E4 D4 C4 E4 G4 E4 C4:4');
const IN_D = signed(asked('D4 E4 F#4 G4 A4 F#4 E4 F#4 D4:4'), [3, 0]);
const CHORDS = asked('C4+E4+G4:2 C4+F4+A4:2 B3+F4+G4:2 C4+E4+G4:2 C4 D4 E4 F4 G4:4');
const REPEATED = asked('C4 C4 C4 C4 D4 D4 D4 D4 E4 E4 E4 E4 C4:4');

describe('performances written by hand', () => {
  it.each<readonly [string, AskedMusic, string, readonly string[]]>([
    ['all right', TUNE, 'C4@0 D4@1 E4@2 F4@3 G4@4 F4@5 E4@6 D4@7 C4@8 E4@9 G4@10 E4@11 C4@12', ['clean']],
    [
      'begins again after two bars, from the second',
      TUNE,
      'C4@0 D4@1 E4@2 F4@3 G4@4 F4@5 E4@6 G4@9 F4@10 E4@11 D4@12 C4@13 E4@14 G4@15 E4@16 C4@17',
      ['stopped 2:4'],
    ],
    [
      'begins again from the middle of a bar',
      TUNE,
      'C4@0 D4@1 E4@2 F4@3 G4@4 F4@5 E4@6 D4@7 E4@9 D4@10 C4@11 E4@12 G4@13 E4@14 C4@15',
      ['stopped 3:1'],
    ],
    [
      'a wrong key, and begins again from the beginning',
      TUNE,
      'C4@0 D4@1 E4@2 F4@3 A4@4 C4@6.5 D4@7.5 E4@8.5 F4@9.5 G4@10.5 F4@11.5 E4@12.5 D4@13.5 C4@14.5 E4@15.5 G4@16.5 E4@17.5 C4@18.5',
      ['neighbour-key 2:1', 'stopped 2:2'],
    ],
    ['stops for good', TUNE, 'C4@0 D4@1 E4@2 F4@3 G4@4 F4@5', ['stopped 2:3']],
    ['goes over a bar', TUNE, 'C4@0 D4@1 E4@2 F4@3 C4@4 E4@5 G4@6 E4@7 C4@8', ['missing 2:1']],
    [
      'two wrong keys side by side that are two mistakes',
      TUNE,
      'C4@0 D4@1 E4@2 F4@3 A4@4 D4@5 E4@6 D4@7 C4@8 E4@9 G4@10 E4@11 C4@12',
      ['neighbour-key 2:1', 'wrong-key 2:2'],
    ],
    [
      'a wrong key beside one that is left out',
      TUNE,
      'C4@0 D4@1 E4@2 F4@3 A4@4 E4@6 D4@7 C4@8 E4@9 G4@10 E4@11 C4@12',
      ['neighbour-key 2:1', 'missing 2:2'],
    ],
    [
      'one of four that are alike left out',
      REPEATED,
      'C4@0 C4@1 C4@2 C4@3 D4@4 D4@6 D4@7 E4@8 E4@9 E4@10 E4@11 C4@12',
      ['missing 2:2'],
    ],
    [
      'five instead of four that are alike',
      REPEATED,
      'C4@0 C4@1 C4@2 C4@3 D4@4 D4@5 D4@5.5 D4@6 D4@7 E4@8 E4@9 E4@10 E4@11 C4@12',
      ['extra 2:2'],
    ],
    [
      'the sign forgotten each time is one fault',
      IN_D,
      'D4@0 E4@1 F4@2 G4@3 A4@4 F4@5 E4@6 F4@7 D4@8',
      ['forgot-signature 1:3'],
    ],
    [
      'the sign forgotten, remembered, and forgotten again',
      IN_D,
      'D4@0 E4@1 F4@2 G4@3 A4@4 F#4@5 E4@6 F4@7 D4@8',
      ['forgot-signature 1:3', 'forgot-signature 2:4'],
    ],
    [
      'put right at once',
      IN_D,
      'D4@0 E4@1 F4@2 F#4@2.7 G4@3.7 A4@4.7 F#4@5.7 E4@6.7 F#4@7.7 D4@8.7',
      ['corrected 1:3'],
    ],
    [
      'put right after a while, each time',
      IN_D,
      'D4@0 E4@1 F4@2 F#4@3.1 G4@4.1 A4@5.1 F4@6.1 F#4@7.2 E4@8.2 F#4@9.2 D4@10.2',
      ['corrected 1:3', 'corrected 2:2'],
    ],
    [
      'put right so soon that the pulse is kept',
      IN_D,
      'D4@0 E4@1 F4@2 F#4@2.3 G4@3 A4@4 F#4@5 E4@6 F#4@7 D4@8',
      ['corrected 1:3'],
    ],
    [
      'a key too many on the way from one note to the next is none that was put right',
      IN_D,
      'D4@0 E4@1 F#4@2 G4@3 A4@4 G4@4.5 F#4@5 E4@6 F#4@7 D4@8',
      ['extra 2:1'],
    ],
    [
      'stops to read before a chord',
      CHORDS,
      'C4+E4+G4@0-1.8 C4+F4+A4@2-3.8 B3+F4+G4@5.2-7 C4+E4+G4@7.2-9 C4@9.2 D4@10.2 E4@11.2 F4@12.2 G4@13.2',
      ['hesitation 2:1'],
    ],
    [
      'a chord in any order, and a little apart',
      CHORDS,
      'G4@0-1.8 C4@0.08-1.8 E4@0.1-1.8 A4@2 C4+F4@2.1 B3+F4+G4@4 G4@6 E4@6.05 C4@6.1 C4@8 D4@9 E4@10 F4@11 G4@12',
      ['clean'],
    ],
    [
      'a chord struck one after the other',
      CHORDS,
      'C4+E4+G4@0 C4@2 F4@2.4 A4@2.8 B3+F4+G4@4 C4+E4+G4@6 C4@8 D4@9 E4@10 F4@11 G4@12',
      ['spread-chord 1:3'],
    ],
    [
      'all fingers one to the right',
      asked('C4 D4 E4 F4 E4 D4 C4 D4 E4 D4 C4 D4 C4:4'),
      'C4@0 D4@1 E4@2 F4@3 F4@4 E4@5 D4@6 E4@7 E4@8 D4@9 C4@10 D4@11 C4@12',
      ['finger-off 2:1'],
    ],
    [
      'one note an octave higher',
      TUNE,
      'C4@0 D4@1 E4@2 F4@3 G5@4 F4@5 E4@6 D4@7 C4@8 E4@9 G4@10 E4@11 C4@12',
      ['octave 2:1'],
    ],
    [
      'one note late, one early',
      asked('C4 D4 E4 F4 G4 F4 E4 D4 C4 E4 G4 E4 C4 D4 E4 F4 G4:4'),
      'C4@0 D4@1 E4@2 F4@3 G4@4.6 F4@5 E4@6 D4@7 C4@8 E4@9 G4@9.4 E4@11 C4@12 D4@13 E4@14 F4@15 G4@16',
      ['late 2:1', 'early 3:3'],
    ],
    [
      'the passage three times, as it was practised',
      asked('C4 D4 E4 D4'),
      'C4@0 D4@1 E4@2 D4@3 C4@4 D4@5 E4@6 D4@7 C4@8 D4@9 E4@10 D4@11',
      ['clean'],
    ],
  ])('%s', (_, music, keys, expected) => expect(told(music, keys)).toEqual(expected));

  it('a chord that is to be rolled is', () => {
    const rolled = { ...CHORDS, notes: CHORDS.notes.map((note) => ({ ...note, isRolled: note.at === 2 })) };
    const keys = 'C4+E4+G4@0 C4@2 F4@2.3 A4@2.6 B3+F4+G4@4 C4+E4+G4@6 C4@8 D4@9 E4@10 F4@11 G4@12';
    expect(told(rolled, keys)).toEqual(['clean']);
    expect(told(CHORDS, keys)).toEqual(['spread-chord 1:3']);
  });

  it('notes around an ornament are none too many, grace notes may come or not', () => {
    const [plain, graced] = [asked('C4 D4 E4 F4 G4:2 F4 E4 C4:4'), asked('C4 D4 E4 F4 G4:2 F4 E4 C4:4')];
    const turn = {
      ...plain,
      notes: plain.notes.map((note) => ({ ...note, hasOrnament: note.beat === 1 && note.bar === '2' })),
    };
    expect(told(turn, 'C4@0 D4@1 E4@2 F4@3 G4@4 A4@4.2 G4@4.4 F4@4.6 G4@4.8 F4@6 E4@7 C4@8')).toEqual(['clean']);
    const before = graced.notes.findIndex(({ bar }) => bar === '2');
    const grace = { ...(graced.notes[before] as (typeof graced.notes)[number]), id: 'grace', isGrace: true };
    const pitched = { ...grace, pitch: parsePitch('A4') as Pitch, midi: 69 };
    const notes = [...graced.notes.slice(0, before), pitched, ...graced.notes.slice(before)];
    const moments = graced.moments.map((moment, m) => ({
      ...moment,
      notes: m < before ? moment.notes : m === before ? [before, before + 1] : moment.notes.map((i) => i + 1),
    }));
    const withGrace = { ...graced, notes, moments };
    expect(told(withGrace, 'C4@0 D4@1 E4@2 F4@3 A4@3.85 G4@4 F4@6 E4@7 C4@8')).toEqual(['clean']);
    expect(told(withGrace, 'C4@0 D4@1 E4@2 F4@3 G4@4 F4@6 E4@7 C4@8')).toEqual(['clean']);
  });
});

describe('one hand asked for, the other played', () => {
  it('is one fault', () => {
    const lower = asked('C3 G3 C3 G3 C3 G3 C3 G3 C3:4');
    const music = {
      ...asked('E4 F4 G4 F4 E4 D4 C4 D4 E4:4'),
      others: lower.notes.map((note) => ({ ...note, hand: 'left' as const })),
    };
    const both = 'E4@0 F4@1 G4@2 F4@3 E4@4 D4@5 C4@6 D4@7 E4@8';
    expect(told(music, both)).toEqual(['clean']);
    expect(
      told(
        music,
        `${both} C3@0 G3@1 C3@2 G3@3 C3@4 G3@5`
          .split(' ')
          .sort((a, b) => Number(a.split('@')[1]) - Number(b.split('@')[1]))
          .join(' '),
      ),
    ).toEqual(['other-hand 1:1']);
  });
});
