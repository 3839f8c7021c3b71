import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { newScore, readyToEdit } from '../edit';
import { beginSession, press, type Command, type Session } from '../entry';
import { readDraft } from '../read';
import { unwrap } from '../base';
import { entryView, pressedView } from './entry-view';
import { SAYS } from '../../../tests/support/usual-words';

const PAGE = { columns: 20, prefix: 'x-' };
const key = (step: 0 | 1 | 3 | 4, alter = 0, mode: 'major' | 'minor' = 'major') => ({ tonic: { step, alter }, mode });
const begun = (opening: Partial<Parameters<typeof newScore>[0]> = {}): Session =>
  beginSession(
    newScore({ title: '', key: key(0), meter: { beats: 4, beatType: 4 }, pickupBeats: 0, ...opening }),
    'P1',
  );
const opened = (text: string): Session => beginSession(readyToEdit(unwrap(readDraft(text)).score), 'P1');
const after = (session: Session, ...commands: readonly Command[]): Session =>
  commands.reduce((at, command, i) => press(at, command, i).session, session);
const finger = (digit: number, row: 'beat' | 'longer' | 'bar' | 'shorter' = 'beat'): Command => ({
  kind: 'finger',
  finger: digit as 1,
  row,
});
const view = (session: Session) => entryView(SAYS, session, PAGE);

describe('entryView', () => {
  it('tells where both hands begin, by their lowest keys and the keys under the fingers', () => {
    const { hands } = view(begun({ key: key(1) }));
    expect(hands.right).toMatchObject({ name: 'D4', keys: [62, 64, 66, 67, 69], onBlack: [3], openBy: 0 });
    expect(hands.left).toMatchObject({ name: 'D3', keys: [57, 55, 54, 52, 50], onBlack: [3] });
    expect(view(begun({ key: key(3) })).hands.left.name).toBe('F2');
    expect(view(begun({ key: key(3, 1, 'major') })).hands.right).toMatchObject({ name: 'F♯4', onBlack: [1, 2, 3, 5] });
  });

  it('tells the caret by the notes around it, and the beat by the meter', () => {
    const two = after(begun(), finger(1), finger(2, 'shorter'));
    expect(view(two).caret).toMatchObject({ bar: 0, number: '1', beat: 2.5, at: null, behind: 'e2', hand: 'right' });
    expect(view(after(two, { kind: 'walk', by: -1, to: 'entry' })).caret).toMatchObject({
      beat: 2,
      at: 'e2',
      behind: 'e1',
    });
    expect(view(begun({ meter: { beats: 3, beatType: 4 }, pickupBeats: 1 })).caret).toMatchObject({
      number: '0',
      beat: 3,
    });
  });

  it('says what changes are for: what was just entered, else what is at the caret', () => {
    const three = after(begun(), finger(1), finger(2), finger(3));
    expect(view(three)).toMatchObject({ current: ['e3'], words: 'E4 finger 3, quarter, bar 1' });
    expect(view(after(three, { kind: 'walk', by: -1, to: 'bar' })).current).toEqual(['e1']);
    expect(view(begun())).toMatchObject({ current: [], words: 'nothing entered yet' });
  });

  it('names the bars that do not add up, but not the one that is being filled', () => {
    const long = after(begun(), finger(1, 'longer'), finger(2), finger(3, 'longer'), finger(1));
    expect(view(long).miscounts.map(({ words }) => words)).toEqual(['Bar 1, right hand: 5 beats, 4 wanted']);
    const left = after(long, { kind: 'other-hand', at: 'where-it-stops' }, finger(5, 'bar'));
    expect(view(left).miscounts.map(({ bar, hand }) => `${bar} ${hand}`)).toEqual(['0 right', '1 right']);
  });

  it('lists what was done and what was taken back', () => {
    const session = after(begun(), finger(1), finger(2), { kind: 'undo' });
    expect(view(session)).toMatchObject({
      done: ['C4 with 1, right hand, bar 1'],
      undone: ['D4 with 2, right hand, bar 1'],
    });
  });

  it('says which notes are selected, over the bar line too', () => {
    const session = after(
      begun(),
      finger(1, 'bar'),
      finger(2),
      finger(3),
      { kind: 'extend', by: -1 },
      { kind: 'extend', by: -1 },
      { kind: 'extend', by: -1 },
    );
    expect(view(session).selected).toEqual(['e1', 'e2', 'e3']);
    expect(view(after(session, { kind: 'select', what: 'none' })).selected).toEqual([]);
  });

  it('lights what sounds in both hands where the caret is', () => {
    const piece = opened(musicXml({ right: 'C4q/1 E4q/3 G4h/5', left: 'C3w/5' }));
    const { moment } = view(after(piece, { kind: 'walk', by: 1, to: 'entry' }));
    expect(moment.keys.map(({ midi, isStruck }) => [midi, isStruck])).toEqual([
      [64, true],
      [48, false],
    ]);
  });

  it('tells signature, meter and pick-up where the caret is', () => {
    const piece = opened(
      musicXml({
        right: 'C4w | F#4w',
        extra: { 2: '<attributes><key><fifths>1</fifths><mode>major</mode></key></attributes>' },
      }),
    );
    expect(view(piece).inForce).toMatchObject({ fifths: 0, key: 'C major', pickupQuarters: 0 });
    expect(view(after(piece, { kind: 'walk', by: 1, to: 'bar' })).inForce).toMatchObject({ fifths: 1, key: 'G major' });
    expect(view(begun({ meter: { beats: 6, beatType: 8 }, pickupBeats: 2 })).inForce.pickupQuarters).toBe(1);
  });
});

describe('lines', () => {
  const bars = (count: number): Session => after(begun(), ...Array.from({ length: count }, () => finger(1, 'bar')));

  it('fill one after the other: what is added moves nothing before it', () => {
    const [few, more] = [view(bars(9)), view(bars(10))];
    expect(few.systems.map(({ from, to }) => [from, to])).toEqual([
      [0, 5],
      [5, 9],
    ]);
    expect(more.systems[0]?.page.musicXml).toBe(few.systems[0]?.page.musicXml);
    expect(more.systems.map(({ from, to }) => [from, to])).toEqual([
      [0, 5],
      [5, 10],
    ]);
  });

  it('begin with the clefs and the signature that hold there, and hold their own bars alone', () => {
    const session = after(
      bars(7),
      { kind: 'walk', by: -1, to: 'end' },
      { kind: 'signature', fifths: 2, mode: 'major' },
    );
    const line = view(session).systems[1]?.page.musicXml ?? '';
    expect(line).toContain('<fifths>2</fifths>');
    expect(line).toContain('<sign>F</sign>');
    expect(line).not.toContain('<time>');
    expect(line.match(/<measure /g)).toHaveLength(2);
  });

  it('the same line of the same piece is the same object', () => {
    const session = bars(9);
    expect(view(session).systems[0]?.page).toBe(view(session).systems[0]?.page);
  });
});

describe('what was just entered', () => {
  it('is told by its place on the staff, in either clef', () => {
    expect(view(after(begun(), finger(1))).entered).toMatchObject({
      staff: 1,
      head: 'filled',
      notes: [{ id: 'e1', place: -2, finger: 1 }],
      behind: null,
    });
    expect(view(after(begun(), { kind: 'other-hand', at: 'same-beat' }, finger(5, 'longer'))).entered).toMatchObject({
      staff: 2,
      head: 'open',
      notes: [{ place: 3, finger: 5 }],
    });
  });

  it('stands under the other hand, and as far from its neighbour as those before', () => {
    const right = after(begun(), finger(1), finger(2), finger(3));
    expect(view(right).entered).toMatchObject({ behind: 'e2', apart: ['e1', 'e2'] });
    expect(view(after(right, { kind: 'other-hand', at: 'where-it-stops' }, finger(5))).entered?.under).toBe('e1');
  });

  it('is nothing for a rest, or once the caret has gone elsewhere', () => {
    expect(view(after(begun(), { kind: 'rest', row: 'beat' })).entered).toBeNull();
    expect(view(after(begun(), finger(1), { kind: 'walk', by: -1, to: 'entry' })).entered).toBeNull();
  });
});

describe('pressedView', () => {
  it('says in words why nothing happened', () => {
    expect(pressedView(SAYS, press(begun(), { kind: 'repeat-bar' }, 0), PAGE).notice).toBe(
      'There is nothing in the bar before that could be repeated.',
    );
  });
});
