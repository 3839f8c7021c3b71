import { describe, expect, it } from '@jest/globals';
import { demoFile, DEMO_FILES } from '../../../tests/support/demo-pieces';
import { musicXml, type PieceText } from '../../../tests/support/build-piece';
import { moved, open } from '../../../tests/support/open';
import { performanceOf, type Performance } from './performance';

const QUARTER_S = 60 / 92;

function performed(text: PieceText, change: (xml: string) => string = (xml) => xml): Performance {
  const piece = open(change(musicXml(text)));
  return performanceOf(piece.score, piece.part.id);
}

/** Notes as `60@0` to the quarter, at the usual tempo. */
function line({ notes }: Performance): string {
  return notes.map(({ midi, startS }) => `${midi}@${Math.round((startS / QUARTER_S) * 100) / 100}`).join(' ');
}

describe('performanceOf', () => {
  it('strikes tied notes once and gives each hand its own', () => {
    const performance = performed({ right: 'C4q~ C4q D4h', left: 'C3w' });
    expect(line(performance)).toBe('48@0 60@0 62@2');
    expect(performance.notes.map(({ hand }) => hand)).toEqual(['left', 'right', 'right']);
  });

  it('plays repeats out', () => {
    const repeat = '<barline location="right"><repeat direction="backward"/></barline>';
    const performance = performed({ right: 'C4w | D4w' }, (xml) =>
      xml.replace(/(<measure number="1">[\s\S]*?)(<\/measure>)/, `$1${repeat}$2`),
    );
    expect(line(performance)).toBe('60@0 60@4 62@8');
    expect(performance.bars.map(({ number }) => number)).toEqual(['1', '1', '2']);
  });

  it('lets a staccato note ring for half its length, and others almost up to the next', () => {
    const [short, long] = performed({ right: "C4q' D4q E4h" }).notes.map(
      ({ startS, endS }) => (endS - startS) / QUARTER_S,
    );
    expect(short).toBeCloseTo(0.5);
    expect(long).toBeCloseTo(0.97);
  });

  it('hears dynamics: louder marks are louder, in both hands', () => {
    const mark = (name: string): string =>
      `<direction><direction-type><dynamics><${name}/></dynamics></direction-type><staff>1</staff></direction>`;
    const performance = performed({ right: 'C4w | D4w', left: 'C3w | D3w' }, (xml) =>
      xml
        .replace('<measure number="1">', `<measure number="1">${mark('p')}`)
        .replace('<measure number="2">', `<measure number="2">${mark('f')}`),
    );
    const velocities = performance.notes.map(({ velocity }) => velocity);
    expect(velocities[2]).toBeGreaterThan(velocities[0] as number);
    expect(velocities[0]).toBe(velocities[1]);
  });

  it('slows down at a ritardando and waits at a fermata', () => {
    const words = '<direction><direction-type><words>rit.</words></direction-type></direction>';
    const slowing = performed({ right: 'C4w | D4q E4q F4q G4q' }, (xml) =>
      xml.replace('<measure number="2">', `<measure number="2">${words}`),
    );
    const starts = slowing.notes.slice(1).map(({ startS }) => startS);
    const gaps = starts.slice(1).map((start, i) => start - (starts[i] as number));
    expect(gaps.every((gap, i) => i === 0 || gap > (gaps[i - 1] as number))).toBe(true);
    const held = performed({ right: 'C4h D4h | E4w' }, (xml) =>
      xml.replace('</note>', '<notations><fermata/></notations></note>'),
    );
    expect(held.notes[1]?.startS).toBeGreaterThan(2 * QUARTER_S * 1.5);
  });

  it('sounds the same in every key, but for the keys', () => {
    for (const { id } of DEMO_FILES) {
      const piece = open(demoFile(id));
      const [before, after] = [
        performanceOf(piece.score, piece.part.id),
        performanceOf(moved(piece, 'Eb').score, piece.part.id),
      ];
      const times = ({ notes }: Performance): readonly string[] =>
        notes.map((note) => `${note.id} ${note.startS} ${note.endS} ${note.velocity}`).sort();
      expect(times(after)).toEqual(times(before));
    }
  });

  it('has the beats of every bar, those of a pick-up counted to the bar line', () => {
    const { bars, lengthS } = performed({ right: 'C4q D4q E4q F4q | G4w' });
    expect(bars.map(({ beatsS }) => beatsS.length)).toEqual([4, 4]);
    expect(lengthS).toBeCloseTo(8 * QUARTER_S);
  });
});
