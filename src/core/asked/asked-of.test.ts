import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { demoFile } from '../../../tests/support/demo-pieces';
import { moved, open } from '../../../tests/support/open';
import { asWritten, askedIn } from '../piece';
import { pitchText } from '../pitch';
import type { AskedMusic, AskedPart } from './index';

const ALL: AskedPart = { hand: 'both', bars: null };
const askedOfText = (text: string, part: AskedPart = ALL): AskedMusic => {
  const piece = open(text);
  return askedIn(piece, asWritten(piece), part);
};
const said = ({ notes }: AskedMusic): readonly string[] =>
  notes.map(({ pitch, at, length }) => `${pitchText(pitch)}@${at}:${length}`);

describe('what a player is asked to play', () => {
  it('has tied notes as the one that is struck, and where the first of them ended', () => {
    const music = askedOfText(musicXml({ right: 'C4h D4h~ | D4q E4q F4h' }));
    expect(said(music)).toEqual(['C4@0:2', 'D4@2:3', 'E4@5:1', 'F4@6:2']);
    expect(music.notes.map(({ tiedFrom }) => tiedFrom)).toEqual([null, 4, null, null]);
  });

  it('has both hands in one order of time, and what is struck together as one moment', () => {
    const music = askedOfText(musicXml({ right: 'C4q E4q G4h', left: 'C3h E3h' }));
    expect(music.moments.map(({ at, notes, place }) => [at, notes.length, place])).toEqual([
      [0, 2, 'bar'],
      [1, 1, 'beat'],
      [2, 2, 'beat'],
    ]);
    const [first] = music.moments;
    expect(first?.notes.map((note) => music.notes[note]?.hand)).toEqual(['left', 'right']);
  });

  it('knows which chords are to be rolled, and which notes have ornaments', () => {
    const plain = musicXml({ right: 'C4h E4h' });
    const marked = (mark: string) =>
      askedOfText(plain.replace('</note>', `<notations>${mark}</notations></note>`)).notes.map(
        ({ isRolled, hasOrnament }) => [isRolled, hasOrnament],
      );
    expect(marked('<arpeggiate/>')[0]).toEqual([true, false]);
    expect(marked('<ornaments><trill-mark/></ornaments>')[0]).toEqual([false, true]);
    expect(marked('<slur type="start"/>')[0]).toEqual([false, false]);
  });

  it('has no more at one moment than two hands strike', () => {
    const crowd = Array.from({ length: 15 }, (_, i) => `${'CDEFGAB'[i % 7]}${3 + Math.floor(i / 7)}`).join('+');
    const music = askedOfText(musicXml({ right: `${crowd}w`, left: 'C2w' }));
    expect(music.moments.map(({ at, notes }) => [at, notes.length])).toEqual([
      [0, 12],
      [0, 4],
    ]);
  });

  it('is a hand alone where one is asked for; what the other would play stands beside', () => {
    const music = askedOfText(musicXml({ right: 'C4q E4q G4h', left: 'C3h E3h' }), { hand: 'left', bars: null });
    expect(said(music)).toEqual(['C3@0:2', 'E3@2:2']);
    expect(music.others).toHaveLength(3);
  });

  it('is some bars, counted from the first of them', () => {
    const music = askedOfText(musicXml({ right: 'C4w | D4h E4h | F4w' }), { hand: 'both', bars: { from: 1, to: 2 } });
    expect(said(music)).toEqual(['D4@0:2', 'E4@2:2', 'F4@4:4']);
    expect(music.bars.map(({ number, at }) => [number, at])).toEqual([
      ['2', 0],
      ['3', 4],
    ]);
  });

  it('has repeats played out, with the same ids each time', () => {
    const text = musicXml({ right: 'C4w | D4w' }).replace(
      '</measure></part>',
      '<barline location="right"><repeat direction="backward"/></barline></measure></part>',
    );
    const music = askedOfText(text);
    expect(said(music)).toEqual(['C4@0:4', 'D4@4:4', 'C4@8:4', 'D4@12:4']);
    expect(music.notes[0]?.id).toBe(music.notes[2]?.id);
  });

  it('knows of each note what the signature does to its letter, in every key', () => {
    const piece = open(demoFile('lantern-walk'));
    const { notes } = askedIn(piece, moved(piece, 'Eb', { fingering: 'plan' }), ALL);
    const signs = new Map(notes.map(({ pitch, signatureAlter }) => [pitch.step, signatureAlter]));
    expect(signs.get(2)).toBe(-1);
    expect(signs.get(4)).toBe(0);
  });

  it('has the hand’s frame at each note: the next one where the hand moves', () => {
    const piece = open(demoFile('bridge-to-the-other-bank'));
    const music = askedIn(piece, asWritten(piece), ALL);
    const right = music.notes.filter(({ hand }) => hand === 'right');
    expect(new Set(right.map(({ frame }) => frame))).toEqual(new Set([0, 1]));
    for (const { frame, finger, midi } of right)
      expect(music.frames.right[frame ?? -1]?.keys[(finger ?? 0) - 1]).toBe(midi);
  });
});
