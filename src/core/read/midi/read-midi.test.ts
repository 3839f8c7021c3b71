import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { writeMidi, type MidiEvent } from 'midi-file';
import { pitchText } from '../../pitch';
import { openPiece, type OpenedPiece } from '../../piece';
import { unwrap } from '../../base';
import { notesOf } from '../../score';

interface Played {
  readonly key: number;
  readonly at: number;
  readonly length: number;
}

const TICKS = 480;

/** A MIDI file with the notes of each track; times in quarters. `head` are events of the first track at 0. */
function midi(tracks: readonly (readonly Played[])[], head: readonly object[] = [], channel = 0): Uint8Array {
  const events = tracks.map((notes, i) => {
    const timed = notes.flatMap(({ key, at, length }) => [
      { at: Math.round(at * TICKS), event: { type: 'noteOn', channel, noteNumber: key, velocity: 80 } },
      { at: Math.round((at + length) * TICKS), event: { type: 'noteOff', channel, noteNumber: key, velocity: 0 } },
    ]);
    let before = 0;
    const inOrder = timed
      .sort((a, b) => a.at - b.at || (a.event.type === 'noteOff' ? -1 : 1))
      .map(({ at, event }) => {
        const deltaTime = at - before;
        before = at;
        return { ...event, deltaTime };
      });
    return [
      ...(i === 0 ? head.map((event) => ({ deltaTime: 0, ...event })) : []),
      ...inOrder,
      { deltaTime: 0, type: 'endOfTrack', meta: true },
    ];
  });
  return Uint8Array.from(
    writeMidi({
      header: { format: 1, numTracks: events.length, ticksPerBeat: TICKS },
      tracks: events as unknown as MidiEvent[][],
    }),
  );
}

const open = (bytes: Uint8Array): OpenedPiece => unwrap(openPiece(bytes, { format: null, key: null, part: null }));
const line = (keys: readonly number[], length = 1): readonly Played[] =>
  keys.map((key, i) => ({ key, at: i * length, length }));
const told = (piece: OpenedPiece): string =>
  piece.notes
    .map(
      ({ hand, pitch, onset, duration }) =>
        `${hand[0]}${pitchText(pitch)}@${onset / piece.score.ticksPerQuarter}+${duration / piece.score.ticksPerQuarter}`,
    )
    .join(' ');

describe('reading MIDI', () => {
  it('sets a played rhythm to the grid and says how many notes moved', () => {
    const played = [
      { key: 60, at: 0.03, length: 0.9 },
      { key: 62, at: 0.96, length: 0.55 },
      { key: 64, at: 1.52, length: 0.45 },
      { key: 65, at: 2.04, length: 1.9 },
    ];
    const piece = open(midi([played]));
    expect(told(piece)).toBe('rC4@0+1 rD4@1+0.5 rE4@1.5+0.5 rF4@2+2');
    expect(piece.remarks).toContainEqual({ code: 'midi-grid', grid: 2, moved: 4 });
  });

  it('takes the grid that the teacher gives', () => {
    const played = [
      { key: 60, at: 0, length: 0.55 },
      { key: 62, at: 0.55, length: 0.45 },
      { key: 64, at: 1, length: 1 },
    ];
    const withGrid = (grid: 1 | 2 | 4): string =>
      told(unwrap(openPiece(midi([played]), { format: null, key: null, part: null, grid })));
    expect(withGrid(2)).toBe('rC4@0+0.5 rD4@0.5+0.5 rE4@1+1');
    expect(withGrid(1)).toContain('rE4@1+1');
  });

  it('finds triplets beside eighths', () => {
    const third = 1 / 3;
    const played = [
      ...line([60, 62, 64], third),
      { key: 65, at: 1, length: 0.5 },
      { key: 67, at: 1.5, length: 0.5 },
      { key: 69, at: 2, length: 2 },
    ];
    const piece = open(midi([played]));
    expect(piece.notes.map(({ duration }) => Math.round((duration / piece.score.ticksPerQuarter) * 12))).toEqual([
      4, 4, 4, 6, 6, 24,
    ]);
    expect(piece.remarks.map(({ code }) => code)).not.toContain('bar-length');
  });

  it('moves no note of a file that stands on the grid, whatever its values', () => {
    const value = fc.constantFrom(0.25, 0.5, 1, 2);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 60, max: 84 }), value), { minLength: 1, maxLength: 24 }),
        (notes) => {
          let at = 0;
          const played = notes.map(([key, length]) => {
            const note = { key, at, length };
            at += length;
            return note;
          });
          const piece = open(midi([played]));
          const struck = piece.notes
            .filter(({ tieStop }) => !tieStop)
            .map(({ midi: key, onset }) => `${key}@${onset / piece.score.ticksPerQuarter}`);
          expect(struck).toEqual(played.map((note) => `${note.key}@${note.at}`));
          expect(piece.remarks.filter(({ code }) => code === 'bar-length')).toEqual([]);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('tells the hands by their tracks, or else by where they can reach', () => {
    const right = line([72, 74, 76, 77]);
    const left = line([48, 50, 52, 53]);
    expect(open(midi([right, left])).remarks).toContainEqual({ code: 'midi-hands', by: 'tracks' });
    const both = open(midi([[...right, ...left]]));
    expect(both.remarks).toContainEqual({ code: 'midi-hands', by: 'pitch' });
    expect(both.notes.filter(({ hand }) => hand === 'left').map(({ midi: key }) => key)).toEqual([48, 50, 52, 53]);
  });

  it('lets the boundary follow the hands: a left hand that climbs stays the left', () => {
    const left = line([48, 52, 55, 59, 60, 59, 55, 52]);
    const right = line([72, 74, 76, 77, 79, 77, 76, 74]);
    expect(
      open(midi([[...left, ...right]]))
        .notes.filter(({ hand }) => hand === 'left')
        .map(({ midi: key }) => key),
    ).toEqual([48, 52, 55, 59, 60, 59, 55, 52]);
  });

  it('gives a single line one staff, in the clef of its place', () => {
    expect(open(midi([line([60, 62, 64])])).hands).toEqual(['right']);
    expect(open(midi([line([40, 43, 45])])).hands).toEqual(['left']);
  });

  it('spells in the key of the file, and finds one where there is none', () => {
    const scale = [63, 65, 67, 68, 70, 72, 74, 75];
    const named = open(midi([line(scale)], [{ type: 'keySignature', key: -3, scale: 0, meta: true }]));
    expect(named.notes.map(({ pitch }) => pitchText(pitch)).join(' ')).toBe('Eb4 F4 G4 Ab4 Bb4 C5 D5 Eb5');
    expect(open(midi([line(scale)])).remarks).toContainEqual({ code: 'midi-key', key: 'Eb-major', by: 'notes' });
  });

  it('holds notes under moving ones in a voice of their own', () => {
    const piece = open(midi([[{ key: 60, at: 0, length: 4 }, ...line([64, 65, 67, 65])]]));
    expect(
      new Set(
        notesOf(piece.part)
          .filter(({ pitch }) => pitch)
          .map(({ voice }) => voice),
      ).size,
    ).toBe(2);
    expect(told(piece)).toContain('rC4@0+4');
  });

  it('leaves drums out and says so; drums alone are no piece', () => {
    expect(openPiece(midi([line([36, 38])], [], 9), { format: null, key: null, part: null })).toMatchObject({
      ok: false,
      error: { code: 'read.no-notes' },
    });
  });

  it('refuses a file cut off, in words', () => {
    expect(openPiece(midi([line([60, 62])]).slice(0, 30), { format: null, key: null, part: null })).toMatchObject({
      ok: false,
      error: { code: 'read.midi-damaged' },
    });
  });
});
