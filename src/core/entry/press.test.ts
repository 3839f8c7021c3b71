import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { barMiscounts, newScore, readOpening, readyToEdit } from '../edit';
import { pitchText } from '../pitch';
import { readDraft, readPiece } from '../read';
import { unwrap } from '../base';
import { notesOf, type Score } from '../score';
import { writeMusicXml } from '../write';
import { beginSession, type Session } from './session';
import { press } from './press';
import type { Command } from './command';
import type { Outcome } from './outcome';

const C_MAJOR = newScore({
  title: 'Test',
  key: { tonic: { step: 0, alter: 0 }, mode: 'major' },
  meter: { beats: 4, beatType: 4 },
  pickupBeats: 0,
});
const fresh = (): Session => beginSession(C_MAJOR, 'P1');
const opened = (text: string): Session => beginSession(readyToEdit(unwrap(readDraft(text)).score), 'P1');

/** Types on the keys for fingers: digits are a beat, q w e r t two beats, a s d f g a bar, z x c v b half a beat; 6 y h n rests; other words are commands. */
const ROWS_OF = ['12345', 'qwert', 'asdfg', 'zxcvb'] as const;
const NAMES = ['beat', 'longer', 'bar', 'shorter'] as const;
const OTHERS: Readonly<Record<string, Command>> = {
  '6': { kind: 'rest', row: 'beat' },
  y: { kind: 'rest', row: 'longer' },
  '0': { kind: 'bar-rest' },
  '.': { kind: 'dot' },
  '=': { kind: 'alter', alter: 1 },
  '-': { kind: 'alter', alter: -1 },
  j: { kind: 'alter', alter: 0 },
  o: { kind: 'join', as: 'tie' },
  p: { kind: 'join', as: 'chord' },
  k: { kind: 'triplet' },
  u: { kind: 'slur' },
  "'": { kind: 'open-hand' },
  '^': { kind: 'seat-by', letters: 1 },
  ',': { kind: 'again' },
  '/': { kind: 'repeat-bar' },
  L: { kind: 'other-hand', at: 'same-beat' },
  H: { kind: 'walk', by: -1, to: 'end' },
  '<': { kind: 'walk', by: -1, to: 'entry' },
  '>': { kind: 'walk', by: 1, to: 'entry' },
  '!': { kind: 'remove-before' },
  S: { kind: 'extend', by: -1 },
  U: { kind: 'undo' },
  R: { kind: 'redo' },
};

function commandOf(key: string): Command {
  const other = OTHERS[key];
  if (other) return other;
  const row = ROWS_OF.findIndex((keys) => keys.includes(key));
  return { kind: 'finger', finger: (ROWS_OF[row]!.indexOf(key) + 1) as 1, row: NAMES[row]! };
}

function type(session: Session, keys: string): Session {
  return [...keys].filter((key) => key !== ' ').reduce((at, key) => press(at, commandOf(key), 0).session, session);
}

const after = (session: Session, ...commands: readonly Command[]): Outcome =>
  commands.reduce<Outcome>((at, command) => press(at.session, command, 0), { session, sounds: [], notice: null });

/** The notes of a staff as text, bars parted: `C4:1/1` is pitch, quarters, finger; `~` where a tie begins. */
function told(session: Session, staff = 1): string {
  const { score } = session.edited;
  return (score.parts[0] as Score['parts'][number]).measures
    .map((measure) =>
      measure.items
        .flatMap((item) =>
          item.kind === 'note' && item.staff === staff
            ? [
                `${item.isChordMember ? '+' : ''}${item.pitch ? pitchText(item.pitch) : 'R'}:${Math.round((item.duration / score.ticksPerQuarter) * 100) / 100}${item.fingers[0] ? `/${item.fingers[0]}` : ''}${item.tieStart ? '~' : ''}`,
              ]
            : [],
        )
        .join(' '),
    )
    .join(' | ');
}

describe('entering by finger number', () => {
  it('enters the note under the finger, with the finger and the length of the row', () => {
    expect(told(type(fresh(), '12e 54wz'))).toBe('C4:1/1 D4:1/2 E4:2/3 | G4:1/5 F4:1/4 D4:2/2 | C4:0.5/1');
  });

  it('goes on in the next bar only when this one is full', () => {
    const session = type(fresh(), '1234');
    expect(session.typing.caret).toMatchObject({ bar: 1, index: 0 });
    expect(type(fresh(), '123').typing.caret).toMatchObject({ bar: 0, index: 3 });
  });

  it('makes a bar too long rather than cutting what was typed', () => {
    expect(told(type(fresh(), '123q1'))).toBe('C4:1/1 D4:1/2 E4:1/3 C4:2/1 | C4:1/1');
  });

  it('takes the signature, and the left hand an octave lower with the thumb on top', () => {
    const { tonic, mode, meter, pickupBeats } = readOpening('d')!;
    const score = newScore({ title: '', key: { tonic: { step: 1, alter: 0 }, mode }, meter, pickupBeats });
    expect(tonic).toBe('D');
    const both = type(type(beginSession(score, 'P1'), '135'), 'LH531');
    expect(told(both)).toBe('D4:1/1 F#4:1/3 A4:1/5');
    expect(told(both, 2)).toBe('D3:1/5 F#3:1/3 A3:1/1');
  });

  it('a sign holds for the line until the bar line, as it is read from paper', () => {
    expect(told(type(fresh(), '=44j44 4'))).toBe('F#4:1/4 F#4:1/4 F4:1/4 F4:1/4 | F4:1/4');
    expect(told(type(fresh(), '=443 1 4'))).toBe('F#4:1/4 F#4:1/4 E4:1/3 C4:1/1 | F4:1/4');
  });

  it('ties only the same key', () => {
    expect(told(type(fresh(), 'ao1'))).toBe('C4:4/1~ | C4:1/1');
    const refused = after(type(fresh(), 'ao'), commandOf('2'));
    expect(refused.notice).toEqual({ code: 'nothing-to-tie' });
    expect(told(refused.session)).toBe('C4:4/1');
  });

  it('ties an altered note without its sign', () => {
    expect(told(type(fresh(), '111=4o4'))).toBe('C4:1/1 C4:1/1 C4:1/1 F#4:1/4~ | F#4:1/4');
  });

  it('builds chords from the note entered last, lowest first', () => {
    expect(told(type(fresh(), 'tp3p1 1'))).toBe('C4:2/1 +E4:2/3 +G4:2/5 C4:1/1');
  });

  it('opens the hand beside the finger used last', () => {
    expect(told(type(fresh(), "3'45"))).toBe('E4:1/3 G4:1/4 A4:1/5');
    const left = type(fresh(), "L5'''1512");
    expect(told(left, 2)).toBe('C3:1/5 C4:1/1 C3:1/5 C4:1/1 | B3:1/2');
  });

  it('opens the hand beside its outer finger at the low end before anything was entered', () => {
    expect(told(type(fresh(), "'12"))).toBe('C4:1/1 E4:1/2');
    expect(told(type(fresh(), "L'52"), 2)).toBe('C3:1/5 G3:1/2');
  });

  it('moves the hand by letters, to a named position, or finger to finger', () => {
    expect(told(type(fresh(), '5^5'))).toBe('G4:1/5 A4:1/5');
    const toG = after(fresh(), { kind: 'move' }, { kind: 'seat-letter', letter: 'G' }, commandOf('1'));
    expect(told(toG.session)).toBe('G4:1/1');
    const oneWhereFourWas = after(type(fresh(), '4'), { kind: 'move' }, commandOf('1'), commandOf('4'), commandOf('1'));
    expect(told(oneWhereFourWas.session)).toBe('F4:1/4 F4:1/1');
  });

  it('three in the time of two, then plain again', () => {
    expect(told(type(fresh(), 'k1234'))).toBe('C4:0.67/1 D4:0.67/2 E4:0.67/3 F4:1/4');
  });

  it('dots what was just entered, and goes back to the bar if it is no longer full', () => {
    const dotted = type(fresh(), 'q.');
    expect(told(dotted)).toBe('C4:3/1');
    expect(told(type(dotted, '1'))).toBe('C4:3/1 C4:1/1');
    expect(type(fresh(), 'qw..').typing.caret.bar).toBe(1);
    expect(told(type(fresh(), 'qw...2'))).toBe('C4:2/1 D4:2/2 | D4:1/2');
  });

  it('rests: a beat, two beats, the whole bar', () => {
    expect(told(type(fresh(), '6y1 0 1'))).toBe('R:1 R:2 C4:1/1 | R:4 | C4:1/1');
  });

  it('enters the same once more, and repeats a bar', () => {
    expect(told(type(fresh(), '1p3,,,'))).toBe('C4:1/1 +E4:1/3 C4:1/1 +E4:1/3 C4:1/1 +E4:1/3 C4:1/1 +E4:1/3');
    expect(told(type(fresh(), '1234/5'))).toBe('C4:1/1 D4:1/2 E4:1/3 F4:1/4 | C4:1/1 D4:1/2 E4:1/3 F4:1/4 | G4:1/5');
  });

  it('in three-four the third row is the whole bar, in six-eight the first is an eighth', () => {
    const waltz = newScore({
      title: '',
      key: { tonic: { step: 0, alter: 0 }, mode: 'major' },
      meter: { beats: 3, beatType: 4 },
      pickupBeats: 1,
    });
    expect(told(type(beginSession(waltz, 'P1'), '1aq2'))).toBe('C4:1/1 | C4:3/1 | C4:2/1 D4:1/2');
    const jig = newScore({
      title: '',
      key: { tonic: { step: 0, alter: 0 }, mode: 'major' },
      meter: { beats: 6, beatType: 8 },
      pickupBeats: 0,
    });
    expect(told(type(beginSession(jig, 'P1'), '1qd'))).toBe('C4:0.5/1 C4:1/1 E4:1.5/3');
  });
});

describe('the caret', () => {
  it('types over what is there and leaves the rest as it is', () => {
    expect(told(type(fresh(), '1234 <<2'))).toBe('C4:1/1 D4:1/2 D4:1/2 F4:1/4');
    expect(told(type(fresh(), '1234 <w'))).toBe('C4:1/1 D4:1/2 E4:1/3 D4:2/2');
  });

  it('changes hands at the same beat', () => {
    const session = type(type(fresh(), '1234'), 'L');
    expect(session.typing.caret).toMatchObject({ hand: 'left', bar: 1, index: 0 });
    expect(type(type(fresh(), 'L5432'), '<<L').typing.caret).toMatchObject({ hand: 'right', bar: 0, index: 0 });
  });

  it('sits where the fingers entered there say', () => {
    expect(told(type(fresh(), '1^^1 <<2'))).toBe('D4:1/2 E4:1/1');
  });

  it('is heard: what stands at it, and what was entered', () => {
    expect(after(fresh(), commandOf('1')).sounds).toEqual([60]);
    expect(after(type(fresh(), '1p35'), commandOf('<'), commandOf('<')).sounds).toEqual([60, 64]);
  });
});

describe('changing what is there', () => {
  const line = (): Session => opened(musicXml({ right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5', left: 'C3w | C3w' }));

  it('another length, pitch, finger; the rest of the bar stays', () => {
    const at = type(line(), '>');
    expect(told(after(at, { kind: 'set-length', quarters: 2 }).session)).toBe('C4:1/1 D4:2/2 E4:1/3 F4:1/4 | G4:4/5');
    expect(told(after(at, { kind: 'step', letters: 2 }).session)).toBe('C4:1/1 F4:1/2 E4:1/3 F4:1/4 | G4:4/5');
    expect(told(after(at, { kind: 'half-step', by: 1 }).session)).toBe('C4:1/1 D#4:1/2 E4:1/3 F4:1/4 | G4:4/5');
    expect(told(after(at, { kind: 'set-finger', finger: 4 }).session)).toBe('C4:1/1 D4:1/4 E4:1/3 F4:1/4 | G4:4/5');
    expect(told(after(at, { kind: 'set-finger', finger: null }).session)).toBe('C4:1/1 D4:1 E4:1/3 F4:1/4 | G4:4/5');
  });

  it('draws signs anew by the bar rule, in the next bar too', () => {
    const sharp = after(type(line(), '>>>'), { kind: 'half-step', by: 1 }).session;
    const signs = notesOf(sharp.edited.score.parts[0] as Score['parts'][number]).flatMap(({ id, accidental }) =>
      accidental ? [`${id} ${accidental.sign}`] : [],
    );
    expect(signs).toEqual(['n4 sharp']);
    const two = type(sharp, '>4');
    expect(
      notesOf(two.edited.score.parts[0] as Score['parts'][number]).flatMap(({ accidental }) =>
        accidental ? [`${accidental.sign}${accidental.courtesy ? '?' : ''}`] : [],
      ),
    ).toEqual(['sharp', 'natural?']);
  });

  it('copies, cuts and pastes a passage within a piece and into another', () => {
    const chosen = after(line(), commandOf('>'), { kind: 'extend', by: 1 }, { kind: 'extend', by: 1 });
    const cut = after(chosen.session, { kind: 'cut' });
    expect(told(cut.session)).toBe('C4:1/1 F4:1/4 | G4:4/5');
    const back = after(cut.session, { kind: 'paste', clip: cut.clip ?? null });
    expect(told(back.session)).toBe('C4:1/1 D4:1/2 E4:1/3 F4:1/4 | G4:4/5');
    expect(told(after(fresh(), { kind: 'paste', clip: cut.clip ?? null }).session)).toBe('D4:1/2 E4:1/3');
    expect(after(fresh(), { kind: 'paste', clip: null }).notice).toEqual({ code: 'nothing-copied' });
  });

  it('copies bars with both hands, and takes bars out', () => {
    const copied = after(line(), { kind: 'copy-bars' });
    const twice = after(copied.session, { kind: 'paste', clip: copied.clip ?? null }).session;
    expect(told(twice)).toBe('C4:1/1 D4:1/2 E4:1/3 F4:1/4 | C4:1/1 D4:1/2 E4:1/3 F4:1/4 | G4:4/5');
    expect(told(twice, 2)).toBe('C3:4 | C3:4 | C3:4');
    expect((twice.edited.score.parts[0] as Score['parts'][number]).measures.map(({ number }) => number)).toEqual([
      '1',
      '2',
      '3',
    ]);
    const less = after(line(), { kind: 'remove-bars' }).session;
    expect(told(less)).toBe('G4:4/5');
    expect(writeMusicXml(less.edited.score)).toContain('<sign>G</sign>');
    expect(after(less, { kind: 'remove-bars' }).notice).toEqual({ code: 'last-bar' });
  });

  it('moves a passage along the scale and keeps what was altered', () => {
    const altered = type(fresh(), '=4321');
    expect(told(after(altered, { kind: 'select', what: 'bar' }, { kind: 'move-passage', letters: 1 }).session)).toBe(
      'G#4:1/4 F4:1/3 E4:1/2 D4:1/1',
    );
    expect(told(after(altered, { kind: 'select', what: 'bar' }, { kind: 'move-passage', letters: -7 }).session)).toBe(
      'F#3:1/4 E3:1/3 D3:1/2 C3:1/1',
    );
  });

  it('gives a passage to the other hand: as its own where that is silent, else as one more voice', () => {
    const right = after(type(fresh(), '1234'), { kind: 'select', what: 'bar' }, { kind: 'give-to-other-hand' }).session;
    expect([told(right), told(right, 2)]).toEqual(['', 'C4:1/1 D4:1/2 E4:1/3 F4:1/4']);
    const joined = after(line(), { kind: 'select', what: 'bar' }, { kind: 'give-to-other-hand' }).session;
    expect(told(joined, 2)).toBe('C3:4 C4:1/1 D4:1/2 E4:1/3 F4:1/4 | C3:4');
  });

  it('another meter or signature holds from a bar on, and notes stay in their bars', () => {
    const session = type(line(), '>>>>');
    const waltz = after(session, { kind: 'meter', meter: { beats: 3, beatType: 4 } }).session;
    expect((waltz.edited.score.parts[0] as Score['parts'][number]).measures.map(({ meter }) => meter.beats)).toEqual([
      4, 3,
    ]);
    expect(told(waltz)).toBe(told(session));
    const inG = after(opened(musicXml({ right: 'F4w | F4w' })), commandOf('>'), {
      kind: 'signature',
      fifths: 1,
      mode: 'major',
    }).session;
    const signs = notesOf(inG.edited.score.parts[0] as Score['parts'][number]).map(
      ({ accidental }) => accidental?.sign ?? '-',
    );
    expect([told(inG), signs.join(' ')]).toEqual(['F4:4 | F4:4', '- natural']);
  });

  it('a pick-up is bar 0, and full again it is bar 1', () => {
    const pickup = after(line(), { kind: 'pick-up', quarters: 1 }).session;
    const numbers = (session: Session): readonly string[] =>
      (session.edited.score.parts[0] as Score['parts'][number]).measures.map(({ number }) => number);
    expect(numbers(pickup)).toEqual(['0', '1']);
    expect(numbers(after(pickup, { kind: 'pick-up', quarters: 0 }).session)).toEqual(['1', '2']);
    expect(numbers(after(pickup, { kind: 'undo' }).session)).toEqual(['1', '2']);
  });

  it('slurs begin and end where the key is pressed', () => {
    const xml = writeMusicXml(type(fresh(), '1u234u').edited.score);
    expect([...xml.matchAll(/<slur type="(\w+)"/g)].map(([, kind]) => kind)).toEqual(['start', 'stop']);
    expect(writeMusicXml(type(fresh(), '1uu').edited.score)).not.toContain('<slur');
  });

  it('a slur goes on to the neighbour of a note that is taken out', () => {
    const xml = writeMusicXml(type(fresh(), '1u23u!').edited.score);
    expect([...xml.matchAll(/<slur type="(\w+)"/g)].map(([, kind]) => kind)).toEqual(['start', 'stop']);
  });

  it('marks are set and taken away, and the list of steps says which', () => {
    const set = after(type(fresh(), '1'), { kind: 'sign', sign: 'staccato' });
    expect(writeMusicXml(set.session.edited.score)).toContain('<staccato/>');
    const gone = after(set.session, { kind: 'sign', sign: 'staccato' });
    expect(writeMusicXml(gone.session.edited.score)).not.toContain('articulations');
    expect(gone.session.edited.history.done.slice(1).map(({ label }) => label)).toMatchObject([
      { code: 'sign', is: 'on' },
      { code: 'sign', is: 'off' },
    ]);
  });

  it('enters between notes where that is asked for', () => {
    expect(told(after(type(fresh(), '1234<<<'), { kind: 'mode', mode: 'between' }, commandOf('5')).session)).toBe(
      'C4:1/1 G4:1/5 D4:1/2 E4:1/3 F4:1/4',
    );
  });

  it('a second voice of a hand goes beside the first, from the beginning of the bar', () => {
    const second = type(
      after(type(fresh(), 'qw'), { kind: 'walk', by: -1, to: 'end' }, { kind: 'voice' }).session,
      's',
    );
    expect(told(second)).toBe('C4:2/1 D4:2/2 D4:4/2');
    expect(writeMusicXml(second.edited.score)).toContain('<backup>');
    expect(after(second, { kind: 'voice' }).session.typing.caret.voice).toBe('1');
  });

  it('goes to the note that is pressed, and to the end of a bar that is named', () => {
    const both = type(type(fresh(), '1234'), 'LH53');
    expect(after(both, { kind: 'go-to', noteId: 'e3' }).session.typing.caret).toMatchObject({
      hand: 'right',
      bar: 0,
      index: 2,
    });
    expect(after(both, { kind: 'go-to', noteId: 'e5' }).session.typing.caret).toMatchObject({ hand: 'left', index: 0 });
    expect(after(both, { kind: 'go-to-bar', bar: 0, hand: 'left' }).session.typing.caret).toMatchObject({
      hand: 'left',
      index: 2,
    });
    expect(after(both, { kind: 'go-to', noteId: 'nobody' }).notice).toEqual({ code: 'nothing-to-change' });
  });

  it('takes one note out of a chord, and the last one leaves a rest', () => {
    const chord = type(fresh(), '1p3p5');
    expect(told(after(chord, { kind: 'remove-note', noteId: 'e1' }).session)).toBe('E4:1/3 +G4:1/5');
    const alone = after(type(fresh(), '1'), { kind: 'remove-note', noteId: 'e1' });
    expect(told(alone.session)).toBe('R:1');
  });

  it('both thumbs go to middle C', () => {
    const session = after(fresh(), { kind: 'thumbs-together' }).session;
    expect([told(type(session, '1')), told(type(session, 'L1'), 2)]).toEqual(['C4:1/1', 'C4:1/1']);
  });

  it('loses no tie’s other end', () => {
    expect(told(type(fresh(), 'ao1!'))).toBe('C4:4/1 | ');
  });

  it('the bar line that ends a piece stays at its end when bars are added', () => {
    const ended = opened(
      musicXml({ right: 'C4w/1', left: 'C3w/5' }).replace(
        '</measure></part>',
        '<barline location="right"><bar-style>light-heavy</bar-style></barline></measure></part>',
      ),
    );
    const xml = writeMusicXml(type(after(ended, { kind: 'walk', by: 1, to: 'end' }).session, '12').edited.score);
    expect(xml.match(/light-heavy/g)).toHaveLength(1);
    expect(xml.indexOf('light-heavy')).toBeGreaterThan(xml.indexOf('number="2"'));
  });

  it('the last bar may be as much shorter as the pick-up is long', () => {
    const waltz = newScore({
      title: '',
      key: { tonic: { step: 0, alter: 0 }, mode: 'major' },
      meter: { beats: 3, beatType: 4 },
      pickupBeats: 1,
    });
    const troubles = (session: Session) =>
      barMiscounts(session.edited.score.parts[0] as Score['parts'][number], session.edited.score.ticksPerQuarter).map(
        ({ bar, found }) => [bar, found / 48],
      );
    expect(troubles(type(beginSession(waltz, 'P1'), '1aq'))).toEqual([]);
    expect(troubles(type(beginSession(waltz, 'P1'), '1a2'))).toEqual([[2, 1]]);
  });

  it('every refusal says why', () => {
    expect(after(fresh(), { kind: 'dot' }).notice).toEqual({ code: 'nothing-to-change' });
    expect(after(fresh(), { kind: 'undo' }).notice).toEqual({ code: 'nothing-to-undo' });
    expect(after(fresh(), { kind: 'repeat-bar' }).notice).toEqual({ code: 'no-bar-before' });
    expect(after(fresh(), { kind: 'keys', midis: [120] }).notice).toEqual({ code: 'off-keyboard' });
  });
});

describe('entering by letter and by key', () => {
  it('takes the nearest key of that letter', () => {
    const letters = (text: string): Session =>
      after(fresh(), ...[...text].map((letter): Command => ({ kind: 'letter', letter: letter as 'C' }))).session;
    expect(told(letters('CGEC'))).toBe('C4:1 G3:1 E3:1 C3:1');
    expect(told(letters('EFGA'))).toBe('E4:1 F4:1 G4:1 A4:1');
  });

  it('spells keys by the signature', () => {
    const flat = newScore({
      title: '',
      key: { tonic: { step: 3, alter: 0 }, mode: 'major' },
      meter: { beats: 4, beatType: 4 },
      pickupBeats: 0,
    });
    expect(
      told(after(beginSession(flat, 'P1'), { kind: 'keys', midis: [70] }, { kind: 'keys', midis: [65, 69] }).session),
    ).toBe('Bb4:1 F4:1 +A4:1');
  });
});

describe('music from elsewhere', () => {
  it('comes in bar for bar in place of what the hand has there, from a score of any grid', () => {
    const tune = new TextEncoder().encode('X:1\nM:4/4\nL:1/4\nK:C\nC/D/ (3E/F/G/ A2 | c4');
    const abc = unwrap(readPiece(tune, 'abc')).score;
    expect(told(after(type(fresh(), '1234 5432 <<<<<<<<'), { kind: 'take-in', from: 'abc', music: abc }).session)).toBe(
      'C4:0.5 D4:0.5 E4:0.33 F4:0.33 G4:0.33 A4:2 | C5:4',
    );
  });
});

describe('readOpening', () => {
  it.each([
    ['', 'C', 'major', 4, 4, 0],
    ['g31', 'G', 'major', 3, 4, 1],
    ['g 3/4 1', 'G', 'major', 3, 4, 1],
    ['34', 'C', 'major', 3, 4, 0],
    ['68', 'C', 'major', 6, 8, 0],
    ['Bb', 'Bb', 'major', 4, 4, 0],
    ['am', 'A', 'minor', 4, 4, 0],
    ['f# minor 2/2', 'F#', 'minor', 2, 2, 0],
  ])('%p', (text, tonic, mode, beats, beatType, pickupBeats) => {
    expect(readOpening(text)).toEqual({ tonic, mode, meter: { beats, beatType }, pickupBeats });
  });

  it.each(['h', '3/5', 'g 3/4 1 1', 'x'])('refuses %p', (text) => expect(readOpening(text)).toBeNull());
});
