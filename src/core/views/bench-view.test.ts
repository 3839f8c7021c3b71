import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { moved, open } from '../../../tests/support/open';
import { benchView, type BenchView } from './bench-view';
import { momentsOf } from './moments';
import { asWritten } from '../piece/open-piece';
import { stagePiece } from '../stages';
import { SAYS } from '../../../tests/support/usual-words';
import { PLAIN_PAGE } from '../../../tests/support/plain-page';

const view = (text: string, to: string): BenchView => {
  const piece = open(text);
  return benchView(SAYS, piece, { before: asWritten(piece), after: moved(piece, to) }, PLAIN_PAGE);
};

describe('moments', () => {
  it('are the times at which something is struck, with the keys that are down', () => {
    const moments = momentsOf(SAYS, asWritten(open(musicXml({ right: 'C4q/1 D4q/2 E4h/3', left: 'C3w/5' }))));
    expect(moments.map(({ bar, beat }) => `${bar}/${beat}`)).toEqual(['1/1', '1/2', '1/3']);
    expect(moments[1]?.keys.map(({ midi, isStruck, finger }) => `${midi} ${isStruck} ${finger}`)).toEqual([
      '48 false 5',
      '62 true 2',
    ]);
  });

  it('know where a hand will sit before it plays', () => {
    const [first] = momentsOf(SAYS, asWritten(open(musicXml({ right: 'Rh C4q/1 G4q/5', left: 'C3w/5' }))));
    expect(first?.keysUnderFingers.right).toEqual([60, 62, 64, 65, 67]);
  });

  it('are as many before as after, in every piece', () => {
    for (const { text } of DEMO_FILES) {
      const { momentsBefore, momentsAfter } = view(text, 'F#');
      expect(momentsAfter).toHaveLength(momentsBefore.length);
    }
  });

  it('offer the other letter of a key, where it has one with a single sign', () => {
    const [moment] = view(musicXml({ right: 'C4w', mode: 'major' }), 'F#').momentsAfter;
    expect(moment?.keys.map(({ name, otherName }) => [name, otherName])).toEqual([['F♯4', 'G♭4']]);
  });
});

describe('the Bench’s view', () => {
  it('knows which notes the signature alters, those with a sign of their own left out', () => {
    const { bySignature } = view(musicXml({ right: 'C4q D4q E4q F4q | D#4h D4h', mode: 'major' }), 'D');
    expect(bySignature).toEqual(['n3']);
  });

  it('tells how the key is called for eyes and for machines', () => {
    expect(view(demoFile('slow-ferris'), 'Bb')).toMatchObject({
      from: 'G major',
      to: 'B♭ major',
      toText: 'Bb-major',
      bars: 9,
    });
  });

  it('names each position with its move, and the bars it lasts', () => {
    const { positions } = view(demoFile('echo-well'), 'G');
    expect(
      positions.filter(({ hand }) => hand === 'right').map(({ words, bars }) => `${words} ${bars.join('–')}`),
    ).toEqual([
      'G position 1–2',
      'G position · the same place an octave higher, in the rest 3–4',
      'G position · the same place an octave lower, in the rest · sits at G from bar 5 because of G in bar 6 5–6',
      'G position · the same place an octave higher, in the rest · sits at G from bar 7 because of G in bar 8 7–8',
    ]);
  });

  it('tells of tapping on the closed lid nothing of keys, and which finger taps', () => {
    const whole = open(demoFile('mill-wheel'));
    const piece = stagePiece(whole, asWritten(whole), [{ kind: 'tapping' }], 'bar');
    const before = asWritten(piece);
    const tapped = benchView(SAYS, piece, { before, after: before }, PLAIN_PAGE);
    expect([tapped.handNotes, tapped.positions, tapped.positionsBefore]).toEqual([[], [], []]);
    expect(tapped.summary).toEqual([
      'Each finger taps the rhythm on the closed lid.',
      'The keyboard shows where it will play.',
    ]);
    expect(view(demoFile('mill-wheel'), 'F').handNotes).not.toEqual([]);
  });

  it('offers the half step between black groups and white keys only to tunes that lie there', () => {
    expect(view(musicXml({ right: 'G4q/2 A4q/3 B4h/4', fifths: 1, mode: 'major' }), 'G').group).toEqual({
      onto: 'black',
      key: 'F#-major',
      keyWords: 'F♯ major',
      direction: 'down',
    });
    expect(view(demoFile('lantern-walk'), 'D').group).toBeNull();
  });
});
