import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { unwrap } from '../base';
import { notesOf, type Score } from '../score';
import { pitchText, type Pitch } from '../pitch';
import { serialiseXml } from '../xml';
import { readDocument } from '../read/read-musicxml';
import { composeMusicXml } from './compose-musicxml';
import { noteValue, splitLength } from '../time';
import { PLAIN_BAR, PLAIN_EVENT, PLAIN_TICKS, type PlainEvent, type PlainPiece } from './plain-piece';

const Q = PLAIN_TICKS;
const pitch = (step: number, octave = 4): Pitch => ({ step: step as Pitch['step'], alter: 0, octave });
const note = (onset: number, duration: number, step = 0, more: Partial<PlainEvent> = {}): PlainEvent => ({
  ...PLAIN_EVENT,
  onset: onset * Q,
  duration: duration * Q,
  notes: [{ pitch: pitch(step), finger: null, tiesOn: false }],
  ...more,
});

function piece(events: readonly (readonly PlainEvent[])[], bars: number, beats = 4, beatType = 4): PlainPiece {
  const length = (beats * 4 * Q) / beatType;
  return {
    title: 'Test',
    composer: '',
    tempos: [],
    staves: [{ clef: 'G', voices: events }],
    bars: Array.from({ length: bars }, (_, i) => ({
      ...PLAIN_BAR,
      start: i * length,
      length,
      meter: i === 0 ? { beats, beatType } : null,
      key: i === 0 ? { fifths: 0, mode: 'major' as const } : null,
    })),
  };
}

const xmlOf = (plain: PlainPiece): string => serialiseXml(composeMusicXml(plain));
const read = (plain: PlainPiece) => unwrap(readDocument(composeMusicXml(plain)));
const told = (score: Score): readonly string[] =>
  notesOf(score.parts[0] as Score['parts'][number]).map(
    (item) =>
      `${item.pitch ? pitchText(item.pitch) : 'rest'}:${item.duration / score.ticksPerQuarter}${item.tieStart ? '~' : ''}`,
  );

describe('composeMusicXml', () => {
  it('fills what nobody plays with rests', () => {
    expect(told(read(piece([[note(1, 1)]], 1)).score)).toEqual(['rest:1', 'C4:1', 'rest:2']);
  });

  it('cuts a note at the bar line and ties it', () => {
    expect(told(read(piece([[note(3, 3)]], 2)).score)).toEqual(['rest:3', 'C4:1~', 'C4:2', 'rest:2']);
  });

  it('writes a length that no value holds as several, tied', () => {
    expect(told(read(piece([[note(0, 2.5), note(2.5, 1.5, 1)]], 1)).score)).toEqual(['C4:2~', 'C4:0.5', 'D4:1.5']);
  });

  it('writes an empty bar as one rest of its length', () => {
    expect(xmlOf(piece([[note(4, 4)]], 2))).toContain('<rest measure="yes"/>');
  });

  it('leaves a second voice out of bars in which it is silent', () => {
    const text = xmlOf(piece([[note(0, 4), note(4, 4)], [note(4, 4, 2)]], 2));
    expect(text.match(/<backup>/g)).toHaveLength(1);
  });

  it('beams eighths within each beat, three together in 6/8', () => {
    const eighths = (count: number): readonly PlainEvent[] =>
      Array.from({ length: count }, (_, i) => note(i / 2, 0.5, i % 7));
    const beams = (text: string): string =>
      [...text.matchAll(/<beam number="1">(\w)/g)].map(([, letter]) => letter).join('');
    expect(beams(xmlOf(piece([eighths(8)], 1)))).toBe('bebebebe');
    expect(beams(xmlOf(piece([eighths(6)], 1, 6, 8)))).toBe('bcebce');
  });

  it('adds every bar up, whatever is played', () => {
    const lengths = fc.array(fc.tuple(fc.constantFrom(0.25, 0.5, 0.75, 1, 1.25, 1.5, 2, 2.5, 3, 3.5), fc.boolean()), {
      minLength: 1,
      maxLength: 30,
    });
    fc.assert(
      fc.property(lengths, fc.constantFrom([4, 4], [3, 4], [6, 8], [5, 4]), (parts, [beats, beatType]) => {
        let at = 0;
        const events = parts.flatMap(([length, isRest]) => {
          const event = isRest ? [] : [note(at, length)];
          at += length;
          return event;
        });
        const bars = Math.max(1, Math.ceil(at / ((beats * 4) / beatType)));
        const { score, remarks } = unwrap(
          readDocument(composeMusicXml(piece([events.length > 0 ? events : [note(0, 1)]], bars, beats, beatType))),
        );
        expect(remarks).toEqual([]);
        const sounding = notesOf(score.parts[0] as Score['parts'][number])
          .filter((item) => item.pitch)
          .reduce((sum, { duration }) => sum + duration / score.ticksPerQuarter, 0);
        const meant = events.length > 0 ? events.reduce((sum, { duration }) => sum + duration / Q, 0) : 1;
        expect(sounding).toBeCloseTo(meant);
      }),
      { numRuns: 80 },
    );
  });
});

describe('splitLength', () => {
  it('cuts any length of sixteenths into values that add up to it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 64 }), fc.integer({ min: 0, max: 15 }), (sixteenths, place) => {
        const values = splitLength((sixteenths * Q) / 4, (place * Q) / 4, Q, Q);
        expect(values.reduce((sum, { ticks }) => sum + ticks, 0)).toBe((sixteenths * Q) / 4);
      }),
    );
  });

  it('takes one value where one is enough', () => {
    expect(noteValue(3 * Q, Q)).toMatchObject({ type: 'half', dots: 1 });
    expect(splitLength(3 * Q, Q, Q, Q)).toHaveLength(1);
  });
});
