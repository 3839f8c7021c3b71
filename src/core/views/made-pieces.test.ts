import { beforeAll, describe, expect, it } from '@jest/globals';
import { DRILL_KINDS } from '../practice';
import { fifteenKeys, parseKey, pitchText, type Key, type Pitch } from '../pitch';
import { createVerovio, pitchesOf } from '../../../tests/support/verovio';
import { open } from '../../../tests/support/open';
import { drillView, linePiece, notesPage } from './made-pieces';
import { SAYS } from '../../../tests/support/usual-words';

const key = (name: string): Key => parseKey(name, 'major') as Key;
const pitch = (step: Pitch['step'], octave: number, alter = 0): Pitch => ({ step, alter, octave });
let verovio: Awaited<ReturnType<typeof createVerovio>>;
beforeAll(async () => {
  verovio = await createVerovio();
});

/** The keys that Verovio reads, lowest first. */
const heardBy = (musicXml: string): readonly number[] =>
  pitchesOf(verovio, musicXml, {})
    .map(({ midi }) => midi)
    .toSorted((a, b) => a - b);

describe('a made line', () => {
  const line = linePiece('Line', {
    key: key('D'),
    hand: 'left',
    chords: [
      { pitches: [pitch(1, 3)], fingers: [5] },
      { pitches: [pitch(1, 3), pitch(3, 3, 1), pitch(5, 3)], fingers: [5, 3, 1] },
    ],
  });

  it('is one bar in its key and its hand’s clef, without a meter to be seen', () => {
    expect(line.musicXml).toContain('<fifths>2</fifths>');
    expect(line.musicXml).toContain('<sign>F</sign>');
    expect(line.musicXml).toMatch(/<time print-object="no">/);
    expect(open(line.musicXml).part.measures).toHaveLength(1);
  });

  it('has its pitches and fingers, for the core and for Verovio', () => {
    expect(open(line.musicXml).notes.map(({ pitch: own, finger, hand }) => [pitchText(own), finger, hand])).toEqual([
      ['D3', 5, 'left'],
      ['D3', 5, 'left'],
      ['F#3', 3, 'left'],
      ['A3', 1, 'left'],
    ]);
    expect(heardBy(line.musicXml)).toEqual([50, 50, 54, 57]);
  });
});

describe('notes to look at', () => {
  it('each stands where it needs fewer ledger lines, and rests are not printed', () => {
    const { musicXml } = notesPage(key('C'), [pitch(0, 4), pitch(3, 3), pitch(4, 4)]);
    expect(
      open(musicXml).notes.map(({ pitch: own, hand, ledgerLines }) => [pitchText(own), hand, ledgerLines]),
    ).toEqual([
      ['C4', 'right', 1],
      ['F3', 'left', 0],
      ['G4', 'right', 0],
    ]);
    const rests = [...musicXml.matchAll(/<note([^>]*)>\s*<rest/g)].map(([, attributes]) => attributes);
    expect(rests.length).toBeGreaterThan(0);
    expect(rests.every((attributes) => attributes?.includes('print-object="no"'))).toBe(true);
  });

  it('a signature alone has no note at all', () => {
    const { musicXml } = notesPage(key('Ab'), []);
    expect(musicXml).toContain('<fifths>-4</fifths>');
    expect(musicXml).not.toContain('<pitch>');
  });
});

describe('a drill on the page', () => {
  it.each(DRILL_KINDS)('%s needs no more than two ledger lines in any of thirty keys', (kind) => {
    for (const one of [...fifteenKeys('major'), ...fifteenKeys('minor')]) {
      const { notes } = open(drillView(SAYS, { kind, keys: [one], rhythm: 'quarters', hands: 'both' }, 60).musicXml);
      expect(Math.max(...notes.map(({ ledgerLines }) => ledgerLines))).toBeLessThanOrEqual(2);
    }
  });

  it('reads the same to Verovio, in two keys with their signatures', () => {
    const { musicXml } = drillView(
      SAYS,
      { kind: 'chord-changes', keys: [key('Eb'), key('A-minor')], rhythm: 'halves', hands: 'both' },
      60,
    );
    expect(heardBy(musicXml)).toEqual(
      open(musicXml)
        .notes.map(({ midi }) => midi)
        .toSorted((a, b) => a - b),
    );
  });

  it('is broken into lines that hold it', () => {
    const narrow = drillView(
      SAYS,
      { kind: 'five-fingers', keys: fifteenKeys('major').slice(0, 6), rhythm: 'quarters', hands: 'both' },
      30,
    );
    const wide = drillView(
      SAYS,
      { kind: 'five-fingers', keys: fifteenKeys('major').slice(0, 6), rhythm: 'quarters', hands: 'both' },
      400,
    );
    const lines = (text: string): number => (text.match(/new-page="yes"|new-system="yes"/g) ?? []).length + 1;
    expect(lines(narrow.page.musicXml)).toBe(3);
    expect(lines(wide.page.musicXml)).toBe(1);
  });
});
