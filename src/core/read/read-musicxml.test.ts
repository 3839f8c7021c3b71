import { describe, expect, it } from '@jest/globals';
import { strToU8 } from 'fflate';
import { unwrap, type FileFormat } from '../base';
import { notesOf, type NoteItem } from '../score';
import { pitchText } from '../pitch';
import { bytesOf, musicXml } from '../../../tests/support/build-piece';
import { demoFile } from '../../../tests/support/demo-pieces';
import { readPiece } from './read-piece';
import { recogniseFormat } from './recognise';

const read = (text: string) => readPiece(bytesOf(text), null);
const faultOf = (text: string) => {
  const result = read(text);
  if (result.ok) throw new Error('this should have been refused');
  return result.error;
};
const bar = (inside: string): string =>
  `<score-partwise version="4.0"><part-list/><part id="P1">\n<measure number="1">${inside}</measure></part></score-partwise>`;
const NOTE = '<note><pitch><step>C</step><octave>4</octave></pitch><duration>4</duration></note>';
const places = (notes: readonly NoteItem[]): readonly string[] =>
  notes.map((note) => `${note.pitch ? pitchText(note.pitch) : 'rest'}@${note.onset}+${note.duration}`);

describe('reading a piece', () => {
  it('places both hands in time, chords together', () => {
    const { score } = unwrap(read(musicXml({ right: 'C4q D4q E4h', left: 'C3+E3+G3w' })));
    const [part] = score.parts;
    expect(part && places(notesOf(part))).toEqual(['C4@0+2', 'D4@2+2', 'E4@4+4', 'C3@0+8', 'E3@0+8', 'G3@0+8']);
  });

  it('finds ticks that hold triplets and eighths of different divisions', () => {
    const triplet = '<note><pitch><step>D</step><octave>4</octave></pitch><duration>1</duration></note>'.repeat(3);
    const text = bar(
      `<attributes><divisions>2</divisions></attributes>${NOTE.replace('<duration>4', '<duration>1')}<attributes><divisions>3</divisions></attributes>${triplet}`,
    );
    const { score } = unwrap(read(text));
    expect(score.ticksPerQuarter).toBe(6);
    expect(score.parts[0] && notesOf(score.parts[0]).map(({ onset }) => onset)).toEqual([0, 3, 5, 7]);
  });

  it('reads printed fingers, one a note of a chord, but no alternative ones', () => {
    const alternate =
      '<notations><technical><fingering>2</fingering><fingering alternate="yes">3</fingering></technical></notations>';
    const { score } = unwrap(read(bar(NOTE.replace('</note>', `${alternate}</note>`))));
    expect(score.parts[0] && notesOf(score.parts[0])[0]?.fingers).toEqual([2]);
    const chord = unwrap(read(musicXml({ right: 'C4+E4+G4w/1/3/5' })));
    expect(chord.score.parts[0] && notesOf(chord.score.parts[0]).map(({ fingers }) => fingers[0])).toEqual([1, 3, 5]);
  });

  it('knows a pick-up by its short first bar, and says so of no bar that adds up', () => {
    const { score, remarks } = unwrap(read(demoFile('slow-ferris')));
    const [pickUp, first] = score.parts[0]?.measures ?? [];
    expect(pickUp && pickUp.lead / score.ticksPerQuarter).toBe(2);
    expect(first?.lead).toBe(0);
    expect(remarks).toEqual([]);
  });

  it('keeps a bar that does not add up and says which', () => {
    const { remarks } = unwrap(read(musicXml({ right: 'C4w | C4h | C4w' })));
    expect(remarks).toEqual([{ code: 'bar-length', bar: '2', part: 'Piano', expected: '4', found: '2' }]);
  });

  it('tells of elements that it does not know, once a name, and carries them', () => {
    const { remarks } = unwrap(read(musicXml({ right: 'C4w | C4w', extra: { 1: '<x-studio/>', 2: '<x-studio/>' } })));
    expect(remarks).toEqual([{ code: 'carried-element', element: 'x-studio', bar: '1', count: 2 }]);
  });

  it('gives notes without ids the same ids each time, and keeps those they have', () => {
    const ids = (): readonly string[] =>
      unwrap(read(musicXml({ right: 'C4q D4q E4h' }))).score.parts.flatMap((part) => notesOf(part).map(({ id }) => id));
    expect(ids()).toEqual(['n1', 'n2', 'n3']);
    expect(ids()).toEqual(ids());
    const twice = bar(`${NOTE.replace('<note>', '<note id="n1">')}${NOTE}${NOTE.replace('<note>', '<note id="n1">')}`);
    const { score, remarks } = unwrap(read(twice));
    expect(score.parts[0] && notesOf(score.parts[0]).map(({ id }) => id)).toEqual(['n1', 'n2', 'n3']);
    expect(remarks).toContainEqual({ code: 'duplicate-id', bar: '1', id: 'n1' });
  });

  it('reads time-wise scores like part-wise ones', () => {
    const timewise =
      '<score-timewise version="4.0"><part-list><score-part id="P1"><part-name>Piano</part-name></score-part></part-list>' +
      `<measure number="1"><part id="P1">${NOTE}</part></measure><measure number="2"><part id="P1">${NOTE}</part></measure></score-timewise>`;
    const { score } = unwrap(read(timewise));
    expect(score.parts[0]?.measures.map(({ number }) => number)).toEqual(['1', '2']);
  });

  it.each([
    [
      'UTF-16 with a mark',
      (text: string) =>
        Uint8Array.from([0xff, 0xfe, ...[...text].flatMap((c) => [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8])]),
    ],
    ['UTF-8 with a mark', (text: string) => Uint8Array.from([0xef, 0xbb, 0xbf, ...strToU8(text)])],
    ['Latin-1 as declared', (text: string) => strToU8(`<?xml version="1.0" encoding="ISO-8859-1"?>${text}`, true)],
  ])('reads a title in %s', (_name, encode) => {
    const text = musicXml({ right: 'C4w', title: 'Größe' }).replace(/<\?xml[^>]*\?>\n/, '');
    expect(unwrap(readPiece(encode(text), null)).score.title).toBe('Größe');
  });
});

describe('what is refused', () => {
  it.each([
    ['unpitched percussion', bar('<note><unpitched/><duration>4</duration></note>'), 'read.unpitched'],
    ['a quarter tone', bar(NOTE.replace('</step>', '</step><alter>0.5</alter>')), 'read.quarter-tone'],
    [
      'a signature by key-step',
      bar('<attributes><key><key-step>F</key-step><key-alter>1</key-alter></key></attributes>'),
      'read.key-steps',
    ],
    ['a step that is no letter', bar(NOTE.replace('>C<', '>H<')), 'read.bad-value'],
    ['a note without a duration', bar('<note><pitch><step>C</step><octave>4</octave></pitch></note>'), 'read.missing'],
    ['a file cut off', musicXml({ right: 'C4q D4q E4h' }).slice(0, 700), 'read.cut-off'],
    ['crossed tags', '<score-partwise><part></measure></part></score-partwise>', 'read.malformed'],
    ['no notes at all', bar('<note><rest/><duration>4</duration></note>'), 'read.no-notes'],
    ['another XML file', '<opus version="4.0"></opus>', 'read.not-a-score'],
    ['entities that could explode', '<!DOCTYPE x [<!ENTITY a "b">]><score-partwise/>', 'read.entity'],
    ['an abbreviation nobody defined', bar('<direction>&nbsp;</direction>'), 'read.entity'],
    ['elements nested without end', `<score-partwise>${'<a>'.repeat(200)}`, 'read.malformed'],
    ['noise', '\u0001\u0002 noise', 'read.unknown-format'],
    ['a web page', '<!DOCTYPE html><html></html>', 'read.unknown-format'],
    ['nothing', '', 'read.empty'],
  ])('%s', (_name, text, code) => {
    expect(faultOf(text).code).toBe(code);
  });

  it('says in which bar and line', () => {
    expect(faultOf(bar('\n<note><unpitched/><duration>4</duration></note>'))).toMatchObject({
      bar: '1',
      at: { line: 3 },
    });
  });

  it('a character set that nobody here reads', () => {
    expect(faultOf('<?xml version="1.0" encoding="EBCDIC"?><score-partwise/>')).toEqual({
      code: 'read.encoding',
      encoding: 'ebcdic',
    });
  });

  it('more than ten megabytes', () => {
    expect(readPiece(new Uint8Array(10 * 1024 * 1024 + 1), null)).toMatchObject({
      ok: false,
      error: { code: 'read.too-large', limitMb: 10 },
    });
  });
});

describe('recogniseFormat', () => {
  it.each<readonly [string, Uint8Array, FileFormat | null]>([
    ['MusicXML', bytesOf('<?xml version="1.0"?><score-partwise/>'), 'musicxml'],
    ['a MIDI file', bytesOf('MThd\0\0'), 'midi'],
    ['ABC', bytesOf('X:1\nT:Tune\nK:C\nCDEF|'), 'abc'],
    ['a compressed score', bytesOf('PK\u0003\u0004......META-INF/container.xml'), 'mxl'],
    ['another archive', bytesOf('PK\u0003\u0004......holiday.jpg'), null],
    ['a picture', Uint8Array.from([0x89, 0x50, 0x4e, 0x47]), null],
    ['a letter', bytesOf('Dear teacher,'), null],
  ])('tells %s from its bytes', (_name, bytes, format) => {
    expect(recogniseFormat(bytes)).toBe(format);
  });
});
