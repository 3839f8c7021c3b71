import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { moved, open } from '../../../tests/support/open';
import { asWritten } from '../piece';
import { nameText, pitchText } from '../pitch';

/** Positions of one hand: `C` closed, `C+1` open by one, with the bars they last. */
function positions(text: string, hand: 'right' | 'left' = 'right'): string {
  return asWritten(open(text))
    .positions.filter(({ position }) => position.hand === hand)
    .map(
      ({ name, position, notes }) =>
        `${nameText(name)}${position.spread ? `+${position.spread}` : ''} ${notes[0]?.bar}-${notes.at(-1)?.bar}`,
    )
    .join(', ');
}

describe('where a hand sits', () => {
  it('is named by its lowest note: right thumb or left fifth on D is D position (common practice)', () => {
    expect(positions(musicXml({ right: 'D4q/1 E4q/2 F4h/3' }))).toBe('D 1-1');
    expect(positions(musicXml({ right: 'C5w', left: 'D3q/5 E3q/4 A3h/1' }), 'left')).toBe('D 1-1');
  });

  it('is told from any finger, not from the first note alone', () => {
    expect(positions(musicXml({ right: 'E4q/3 G4q/5 C4h/1' }))).toBe('C 1-1');
  });

  it('opens for a sixth letter when the fingers keep their order', () => {
    expect(positions(musicXml({ right: 'C4q/1 D4q/2 E4q/3 G4q/4 | A4w/5' }))).toBe('C+1 1-2');
  });

  it('has moved where a repeated key changes its finger', () => {
    expect(positions(musicXml({ right: 'C4q/1 D4q/2 E4q/3 F4q/4 | F4q/3 G4q/4 A4h/5' }))).toBe('C 1-1, D 2-2');
  });

  it('has moved by an octave, at a rest or not', () => {
    expect(positions(musicXml({ right: 'C4q/1 G4q/5 Rh | C5q/1 G5q/5 C5h/1' }))).toBe('C 1-1, C 2-2');
  });

  it('takes notes without a finger along where the closed hand has them', () => {
    expect(positions(musicXml({ right: 'C4q/1 D4q F4q G4q' }))).toBe('C 1-1');
  });

  it('is planned where no finger is printed', () => {
    expect(positions(musicXml({ right: 'C4q D4q E4q F4q | G4w' }))).toBe('C 1-2');
    expect(
      positions(musicXml({ right: 'C4q D4q E4q F4q | G4h R h | G4q A4q B4q C5q | D5w'.replace('R h', 'Rh') })),
    ).toBe('C 1-2, G 3-4');
  });

  it('is reached by a crossing in a scale, and says so', () => {
    const placed = asWritten(open(musicXml({ right: 'C4q D4q E4q F4q | G4q A4q B4q C5q', mode: 'major' }))).positions;
    expect(placed.map(({ kind, notes }) => `${kind} ${notes.length}`)).toEqual(['closed 3', 'crossed 5']);
    expect(placed[1]?.keys.every((key) => key !== null)).toBe(true);
  });

  it('has its home over the tonic where primary chords open it, in every key (handbook, close position)', () => {
    const chords = 'C3+E3+G3w | B2+F3+G3w | C3+F3+A3w | C3+E3+G3w';
    const piece = open(musicXml({ right: 'C5w | C5w | C5w | C5w', left: chords, mode: 'major' }));
    const homes = (to: string): readonly string[] =>
      moved(piece, to)
        .positions.filter(({ position }) => position.hand === 'left')
        .map(({ name }) => nameText(name));
    for (const to of ['C', 'Eb', 'F#']) expect(new Set(homes(to))).toEqual(new Set([to]));
  });

  it('of the demo pieces is what their pages say', () => {
    expect(positions(demoFile('harbour-stairs'), 'right')).toBe('G 1-8');
    expect(positions(demoFile('harbour-stairs'), 'left')).toBe('C 1-8');
    expect(positions(demoFile('two-boats'), 'left')).toBe('F 2-8');
    expect(positions(demoFile('echo-well'), 'right')).toBe('C 1-2, C 3-4, C 5-6, C 7-8');
    expect(positions(demoFile('market-chords'), 'left').split(', ')).toHaveLength(1);
  });

  it('keeps its shape in every key: as many positions, as open', () => {
    for (const { text } of DEMO_FILES) {
      const piece = open(text);
      const shapes = (to: string): readonly string[] =>
        moved(piece, to).positions.map(({ position, notes }) => `${position.hand} ${position.spread} ${notes[0]?.id}`);
      expect(shapes('Eb')).toEqual(shapes('C'));
    }
  });
});

describe('the keys under the fingers', () => {
  const frame = (tonic: string, hand: 'right' | 'left'): string => {
    const five = { right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5', left: 'C3q/5 D3q/4 E3q/3 F3q/2 | G3w/1' };
    const placed = moved(open(musicXml({ ...five, mode: 'major' })), tonic).positions.find(
      ({ position }) => position.hand === hand,
    );
    return (placed?.keys ?? []).map((key) => (key ? pitchText(key) : '-')).join(' ');
  };

  it('are listed from 1 to 5 in either hand', () => {
    expect(frame('D', 'right')).toBe('D4 E4 F#4 G4 A4');
    expect(frame('D', 'left')).toBe('A3 G3 F#3 E3 D3');
  });

  it('follow the signature for letters that are not played', () => {
    const placed = moved(open(musicXml({ right: 'C4h/1 G4h/5' })), 'D').positions[0];
    expect(placed?.keys.map((key) => key && pitchText(key))).toEqual(['D4', 'E4', 'F#4', 'G4', 'A4']);
  });

  it('are left open in an opened hand where a finger plays nothing', () => {
    const placed = asWritten(open(musicXml({ right: 'C4q/1 D4q/2 G4q/4 A4q/5' }))).positions[0];
    expect(placed?.keys.map((key) => key && pitchText(key))).toEqual(['C4', 'D4', null, 'G4', 'A4']);
  });
});
