/** Files that are broken, odd or made with ill will: each is read or refused in words. How long that takes is printed by
 * `npm run bench`. */
import { describe, expect, it } from '@jest/globals';
import { zipSync, strToU8 } from 'fflate';

import { asWritten, openPiece, saveAs, type Fingering } from '@/core/piece';
import { ladderOf } from '@/core/views';
import { unwrap, FILE_FORMATS } from '@/core/base';
import { bytesOf, musicXml } from '../support/build-piece';
import { generatedPiece, mutilatedFiles } from '../support/odd-files';
import { open, USUAL } from '../support/open';
import { rounds } from '../support/rounds';
import { SAYS } from '../support/usual-words';

/** Opens a file and does everything with it that a teacher may; whatever happens, it happens in words. */
function useAll(bytes: Uint8Array, fingering: Fingering): void {
  const opened = openPiece(bytes, { format: null, key: null, part: null });
  if (!opened.ok) {
    const { message, hint } = SAYS.faultWords(opened.error);
    expect(message.length + hint.length).toBeGreaterThan(20);
  }
  if (!opened.ok) return;
  for (const remark of opened.value.remarks) expect(SAYS.remarkWords(remark).length).toBeGreaterThan(8);
  ladderOf(SAYS, opened.value, { ...USUAL, fingering }, { order: 'ease' });
  for (const format of FILE_FORMATS) saveAs(opened.value, asWritten(opened.value), format);
}

/** Planning fingers for fifteen keys is most of the work: every fifth file has it. */
function fingeringOf(number: number): Fingering {
  return number % 5 === 0 ? 'plan' : 'none';
}

describe('100 mutilated files', () => {
  it.each(mutilatedFiles(100).map((bytes, i) => [i, bytes] as const))(
    'number %i is read or refused in words',
    (i, bytes) => useAll(bytes, fingeringOf(i)),
  );
});

describe('generated pieces', () => {
  it.each(Array.from({ length: rounds(24, 200) }, (_, seed) => seed))(
    'number %i is read, moved to every key and written in every format',
    (seed) => {
      const text = generatedPiece(seed);
      expect(openPiece(bytesOf(text), { format: null, key: null, part: null }).ok).toBe(true);
      useAll(bytesOf(text), fingeringOf(seed));
    },
  );
});

describe('files made with ill will', () => {
  it.each([
    [
      'an archive of zeros a hundred times its size',
      zipSync({ 'META-INF/container.xml': strToU8('<container/>'), 'a.xml': new Uint8Array(51 * 1024 * 1024) }),
      'read.archive',
    ],
    [
      'an archive whose score is called like a way out',
      zipSync({ '../../etc/score.xml': strToU8(musicXml({ right: 'C4w' })) }),
      null,
    ],
    ['an archive without a score', zipSync({ 'letter.txt': strToU8('META-INF/container.xml') }), 'read.unknown-format'],
    [
      'entities in entities',
      bytesOf('<!DOCTYPE a [<!ENTITY b "&c;&c;&c;"><!ENTITY c "ha">]><score-partwise>&b;</score-partwise>'),
      'read.entity',
    ],
    [
      'an entity from outside',
      bytesOf('<!DOCTYPE a [<!ENTITY b SYSTEM "file:///etc/passwd">]><score-partwise>&b;</score-partwise>'),
      'read.entity',
    ],
    [
      'a million bars',
      bytesOf(`<score-partwise><part id="P">${'<measure/>'.repeat(6000)}</part></score-partwise>`),
      'read.too-many-bars',
    ],
    ['a rest of ten million bars', bytesOf('X:1\nM:4/4\nL:1/4\nK:C\nC D Z9999999 E |]\n'), 'read.too-many-bars'],
    ['a note of a billion beats', bytesOf('X:1\nM:4/4\nL:1/4\nK:C\nC D E999999999 |]\n'), 'read.too-many-bars'],
    ['a note that is struck a year later', midiWith([], [0xff, 0xff, 0xff, 0x7f]), 'read.too-many-bars'],
    ['bars without beats', midiWith([0x00, 0xff, 0x58, 0x04, 0x00, 0x02, 0x18, 0x08], [0x83, 0x60]), null],
    ['beats without length', midiWith([0x00, 0xff, 0x58, 0x04, 0x04, 0xff, 0x18, 0x08], [0x83, 0x60]), null],
    [
      'a duration without end',
      bytesOf(musicXml({ right: 'C4w' }).replace('<duration>8', '<duration>99999999999999')),
      'read.bad-value',
    ],
  ])('%s', (_what, bytes, code) => {
    const opened = openPiece(bytes, { format: null, key: null, part: null });
    expect(opened.ok ? null : opened.error.code).toBe(code);
  });

  it('repeats of repeats are played out only so often', () => {
    const repeat = '<barline location="right"><repeat direction="backward" times="999999999"/></barline>';
    const piece = open(musicXml({ right: 'C4w | D4w', extra: { 1: repeat, 2: repeat } }));
    expect((saveAs(piece, asWritten(piece), 'midi').content as Uint8Array).length).toBeLessThan(2000);
  });

  it('a name that is not there is no part of ours', () => {
    expect(
      unwrap(openPiece(bytesOf(musicXml({ right: 'C4w' })), { format: 'musicxml', key: null, part: null })).part.id,
    ).toBe('P1');
  });
});

/** A MIDI file of one note, a whole quarter long: events in front of it, and how long after them it is struck, both as bytes. */
function midiWith(events: readonly number[], after: readonly number[]): Uint8Array {
  const track = [...events, ...after, 0x90, 60, 80, 0x83, 0x60, 0x80, 60, 0, 0x00, 0xff, 0x2f, 0x00];
  const header = [0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 0, 0, 1, 0x01, 0xe0];
  return Uint8Array.from([...header, 0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, track.length, ...track]);
}
