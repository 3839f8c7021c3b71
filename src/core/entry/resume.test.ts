import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { unwrap } from '../base';
import { readyToEdit } from '../edit';
import { readDraft } from '../read';
import type { Command } from './command';
import { press } from './press';
import { resumed, typingText } from './resume';
import { beginSession, type Session } from './session';

const FULL = musicXml({ right: 'C4q/1 D4q/2 E4h/3 | G4w/5', left: 'C3w/5 | C3w/5' });
const ONE_HAND = musicXml({ right: 'C4w/1' });
const opened = (text: string): Session => beginSession(readyToEdit(unwrap(readDraft(text)).score), 'P1');
const after = (session: Session, ...commands: readonly Command[]): Session =>
  commands.reduce((at, command, i) => press(at, command, i).session, session);
const END: Command = { kind: 'walk', by: 1, to: 'end' };

describe('resumed', () => {
  const elsewhere = after(
    opened(FULL),
    { kind: 'other-hand', at: 'where-it-stops' },
    { kind: 'seat-letter', letter: 'G' },
    { kind: 'length', quarters: 2 },
    { kind: 'way', method: 'letters' },
    { kind: 'mode', mode: 'between' },
  );

  it('goes on in the same music at the same place, with the same hands, lengths and way of entering', () => {
    const { typing } = resumed(opened(FULL), typingText(elsewhere), 'there');
    expect(typing).toEqual(elsewhere.typing);
  });

  it('of music that was changed since goes to the note at which it stood', () => {
    const atE = after(opened(FULL), { kind: 'walk', by: 1, to: 'entry' }, { kind: 'walk', by: 1, to: 'entry' });
    const shorter = after(opened(FULL), { kind: 'remove-here' });
    expect(resumed(shorter, typingText(atE), 'near').typing.caret).toMatchObject({ bar: 0, index: 1 });
  });

  it('never stands before what a full bar holds where it stood behind its end', () => {
    const behind = after(opened(musicXml({ right: 'C4q/1' })), END);
    expect(behind.typing.caret).toMatchObject({ bar: 0, index: 1 });
    expect(resumed(opened(FULL), typingText(behind), 'near').typing.caret).toMatchObject({ bar: 2, index: 0 });
  });

  it('finds a place in music that has no such hand and no such bar', () => {
    const { caret } = resumed(opened(ONE_HAND), typingText(after(elsewhere, END)), 'there').typing;
    expect(caret).toMatchObject({ hand: 'right', bar: 1, index: 0 });
  });

  it.each(['', 'null', '{}', '{"method":"fingers","caret":{"bar":"x"}}'])(
    'of text that is none begins as usual: %s',
    (text) => {
      const begun = opened(FULL);
      expect(resumed(begun, text, 'there')).toBe(begun);
    },
  );

  it.each([
    ['seats', { right: 900, left: 21 }],
    ['rows', { beat: 0, longer: 1, bar: 1, shorter: 1 }],
    ['openings', { right: { beside: 9, letters: 1 }, left: null }],
    ['mode', 'under'],
    ['ticksPerQuarter', -1],
  ])('does not believe %s that no hand of ours has', (name, value) => {
    const begun = opened(FULL);
    const text = JSON.stringify({ ...JSON.parse(typingText(elsewhere)), [name]: value });
    expect(resumed(begun, text, 'there')).toBe(begun);
  });
});
