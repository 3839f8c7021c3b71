/** Exports open in readers that are not ours with the same notes: abcjs 6.7 (ABC), @tonejs/midi 2.0 (MIDI, in the core's
 * own tests), musicxml-io 0.9 and Verovio 6.3 (MusicXML); and in our own, with everything that the format can hold. */
import { beforeAll, describe, expect, it } from '@jest/globals';
import abcjs from 'abcjs';
import { getAllNotes, isValid, parse } from 'musicxml-io';
import { openPiece, saveAs, type OpenedPiece, type Version } from '@/core/piece';
import { pitchText } from '@/core/pitch';
import { unwrap, type FileFormat } from '@/core/base';
import { childElements, textOf } from '@/core/xml';
import { struckNotes } from '@/core/score';
import { DEMO_FILES } from '../support/demo-pieces';
import { moved, open } from '../support/open';
import { createVerovio, pitchesOf, type Engraver } from '../support/verovio';

let engraver: Engraver;
beforeAll(async () => {
  engraver = await createVerovio();
});

const KEYS = (version: { readonly mode: string }): readonly string[] =>
  version.mode === 'minor' ? ['A', 'Eb', 'G#'] : ['C', 'Eb', 'F#'];

function saved(
  piece: OpenedPiece,
  version: Version,
  format: FileFormat,
): { readonly text: string; readonly again: OpenedPiece } {
  const { content } = saveAs(piece, version, format);
  const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content;
  return {
    text: typeof content === 'string' ? content : '',
    again: unwrap(openPiece(bytes, { format: null, key: null, part: null })),
  };
}

/** Notes as struck: place, pitch, length in quarters, and what else is asked for. */
function told(
  notes: Version['notes'],
  ticksPerQuarter: number,
  more: 'fingers' | 'words' | 'sound',
): readonly string[] {
  return struckNotes(notes)
    .filter(({ isGrace }) => !isGrace)
    .map((note) => {
      const words = childElements(note.item.xml, 'lyric').flatMap((lyric) => childElements(lyric, 'text').map(textOf));
      const extra = { fingers: note.finger ?? '', words: words.join(), sound: '' }[more];
      return `${note.hand} ${note.bar}/${note.beat} ${pitchText(note.pitch)} ${note.duration / ticksPerQuarter} ${extra}`;
    })
    .sort();
}

describe.each(DEMO_FILES.map(({ id, text }) => [id, open(text)] as const))('%s', (_id, piece) => {
  it.each(KEYS(piece.key.key))('comes back from every format as it went in, in %s', (to) => {
    const version = moved(piece, to);
    const { ticksPerQuarter } = piece.score;
    for (const format of ['musicxml', 'mxl', 'newthumb', 'abc'] as const) {
      const { again } = saved(piece, version, format);
      for (const more of ['fingers', 'words'] as const) {
        expect([format, told(again.notes, again.score.ticksPerQuarter, more)]).toEqual([
          format,
          told(version.notes, ticksPerQuarter, more),
        ]);
      }
      expect([format, again.key.key]).toEqual([format, version.key]);
      expect(again.part.measures.map(({ number, lead }) => `${number} ${lead > 0}`)).toEqual(
        piece.part.measures.map(({ number, lead }) => `${number} ${lead > 0}`),
      );
    }
    const { again } = saved(piece, version, 'midi');
    expect(told(again.notes, again.score.ticksPerQuarter, 'sound')).toEqual(
      told(version.notes, ticksPerQuarter, 'sound'),
    );
  });

  it.each(KEYS(piece.key.key))('sounds the same to abcjs, in %s', (to) => {
    const version = moved(piece, to);
    const { text } = saved(piece, version, 'abc');
    const tune = (
      abcjs.parseOnly(text) as unknown as readonly {
        setUpAudio: (options: object) => {
          tracks: readonly (readonly { cmd: string; pitch: number; start: number }[])[];
        };
        warnings?: readonly string[];
      }[]
    )[0];
    expect(tune?.warnings).toBeUndefined();
    const heard = (tune?.setUpAudio({}).tracks ?? [])
      .flat()
      .filter(({ cmd }) => cmd === 'note')
      .map(({ pitch, start }) => `${pitch}@${Math.round(start * 96)}`);
    const meant = struckNotes(version.notes).map(
      ({ midi, onset }) => `${midi}@${Math.round((onset / piece.score.ticksPerQuarter) * 24)}`,
    );
    expect([...heard].sort()).toEqual([...meant].sort());
  });

  it.each(KEYS(piece.key.key))('reads the same to musicxml-io and Verovio, in %s', (to) => {
    const version = moved(piece, to);
    const { text } = saved(piece, version, 'musicxml');
    const score = parse(text);
    expect(isValid(score)).toBe(true);
    const read = getAllNotes(score).flatMap(({ note }) =>
      note.pitch ? [`${note.pitch.step}${note.pitch.alter ?? 0}/${note.pitch.octave}`] : [],
    );
    expect([...read].sort()).toEqual(
      version.notes.map(({ pitch }) => `${'CDEFGAB'.charAt(pitch.step)}${pitch.alter}/${pitch.octave}`).sort(),
    );
    expect(
      pitchesOf(engraver, text, {})
        .map(({ midi }) => midi)
        .sort(),
    ).toEqual(version.notes.map(({ midi }) => midi).sort());
  });
});
