import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { demoFile } from '../../../tests/support/demo-pieces';
import { pitchText } from '../pitch';
import { readDraft } from '../read';
import { unwrap } from '../base';
import { notesOf, type Measure, type Part, type Score } from '../score';
import { writeMusicXml } from '../write';
import { applyEdit, editsBetween } from './score-edit';
import { changeVoice, voiceAt } from './change-voice';
import { copyBars, copyRegion, paste, removeRegion, rescale, toOtherHand } from './region';
import { freshIds, makeEntry, withLyric } from './make-entry';
import { openBar, withEntries, closeBar } from './open-bar';
import { readyToEdit } from './fine-grid';
import { withComposer, withMeter, withTempo, withTitle } from './frame-edits';
import { withNewBars, withoutBars } from './bar-edits';

const plain = (text: string): Score => unwrap(readDraft(text)).score;
const ready = (text: string): Score => readyToEdit(plain(text));
const partOf = (score: Score): Part => score.parts[0] as Part;
const barOf = (score: Score, index: number): Measure => partOf(score).measures[index] as Measure;
const RIGHT = { partId: 'P1', staff: 1, voice: '1' };
/** The builder's pieces call the left hand's voice 2, the demo pieces 5. */
const LEFT = { partId: 'P1', staff: 2, voice: '2' };
const DEMO_LEFT = { ...LEFT, voice: '5' };

/** Pitches and quarters of a voice, bars parted; `_` is silence without a rest. */
const told = (score: Score, voice: Omit<typeof RIGHT, 'partId'> = RIGHT): string =>
  partOf(score)
    .measures.map((_, bar) =>
      voiceAt(partOf(score), { ...voice, bar })
        .entries.map(
          ({ notes, duration }) =>
            `${notes.length === 0 ? '_' : notes.map(({ pitch }) => (pitch ? pitchText(pitch) : 'R')).join('+')}:${duration / score.ticksPerQuarter}`,
        )
        .join(' '),
    )
    .join(' | ');

const PIECE = musicXml({ right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5 | E4h C4h', left: 'C3w/5 | C3w/5 | G3w/1' });

describe('readyToEdit', () => {
  it('counts everything in finer ticks: notes, moves between voices, offsets', () => {
    const text = PIECE.replace(
      '<measure number="2">',
      '<measure number="2"><direction><direction-type><words>here</words></direction-type><offset>1</offset></direction>',
    );
    const score = ready(text);
    expect(score.ticksPerQuarter % 48).toBe(0);
    const written = writeMusicXml(score);
    expect(written).toContain(`<divisions>${score.ticksPerQuarter}</divisions>`);
    expect(written).toContain(`<offset>${score.ticksPerQuarter / 2}</offset>`);
    expect(written).toContain(`<backup><duration>${score.ticksPerQuarter * 4}</duration></backup>`);
    expect(told(score)).toBe(told(plain(text)));
  });

  it('gives every note its id in the file, the one it had before', () => {
    const score = plain(PIECE);
    const ids = notesOf(partOf(readyToEdit(score))).map(({ id, xml }) => [id, xml.attributes['id']]);
    expect(ids).toEqual(notesOf(partOf(score)).map(({ id }) => [id, id]));
  });

  it('leaves a score alone that is ready', () => {
    const score = ready(PIECE);
    expect(readyToEdit(score)).toBe(score);
    const again = plain(writeMusicXml(score));
    expect(readyToEdit(again)).toBe(again);
  });
});

describe('a bar taken apart and put together', () => {
  it.each(['lantern-walk', 'market-chords', 'slow-ferris', 'night-baker'])('%s reads the same as before', (id) => {
    const score = ready(demoFile(id));
    const parts = score.parts.map((part) => ({
      ...part,
      measures: part.measures.map((measure) => closeBar(measure, openBar(measure))),
    }));
    const again = plain(writeMusicXml({ ...score, parts }));
    expect(
      again.parts[0]?.measures.map(({ items, length }) => [length, items.filter(({ kind }) => kind === 'note').length]),
    ).toEqual(
      score.parts[0]?.measures.map(({ items, length }) => [length, items.filter(({ kind }) => kind === 'note').length]),
    );
    expect(told(again)).toBe(told(score));
    expect(told(again, DEMO_LEFT)).toBe(told(score, DEMO_LEFT));
    expect(told(again, DEMO_LEFT)).toMatch(/[A-G]\d/);
  });

  it('keeps what stands in front of a note with it, and what ends the bar at its end', () => {
    const text = PIECE.replace(
      '<measure number="2">',
      '<measure number="2"><direction><direction-type><words>softly</words></direction-type></direction>',
    ).replace(
      '</measure></part>',
      '<barline location="right"><bar-style>light-heavy</bar-style></barline></measure></part>',
    );
    const score = ready(text);
    const [right] = openBar(barOf(score, 1)).voices;
    expect(right?.entries[0]?.ahead).toHaveLength(1);
    expect(openBar(barOf(score, 2)).foot).toHaveLength(1);
    const longer = changeVoice(score, { ...RIGHT, bar: 2 }, (voice) => ({
      ...voice,
      entries: [...voice.entries, ...voice.entries.slice(0, 1)],
    }));
    expect(writeMusicXml(longer)).toMatch(/<\/note><barline location="right">/);
  });

  it('a voice that begins later in the bar has silence in front', () => {
    const text = PIECE.replace(
      '</note></measure><measure number="3">',
      '</note><backup><duration>4</duration></backup><note><pitch><step>E</step><octave>3</octave></pitch><duration>4</duration><voice>6</voice><type>half</type><staff>2</staff></note></measure><measure number="3">',
    );
    expect(
      voiceAt(partOf(ready(text)), { bar: 1, staff: 2, voice: '6' }).entries.map(({ notes, duration }) => [
        notes.length,
        duration / 48,
      ]),
    ).toEqual([
      [0, 2],
      [1, 2],
    ]);
  });
});

describe('beams and brackets', () => {
  const lengths = (ticks: readonly number[]): readonly string[] => {
    const score = ready(PIECE);
    const ids = freshIds(score, ticks.length);
    const entries = ticks.map((printed, i) =>
      makeEntry(
        [ids[i] as string],
        [{ pitch: { step: 0, alter: 0, octave: 4 }, finger: null }],
        { printed, tuplet: null },
        { ...RIGHT, ticksPerQuarter: 48 },
      ),
    );
    const changed = changeVoice(score, { ...RIGHT, bar: 0 }, (voice) => withEntries(voice, entries));
    return voiceAt(partOf(changed), { ...RIGHT, bar: 0 }).entries.map(({ notes }) =>
      (notes[0]?.xml.children ?? [])
        .flatMap((child) =>
          child.kind === 'element' && child.name === 'beam' && child.children[0]?.kind === 'text'
            ? [child.children[0].text]
            : [],
        )
        .join('+'),
    );
  };

  it.each([
    ['two eighths to a beat', [24, 24, 24, 24], ['begin', 'end', 'begin', 'end']],
    ['a dotted eighth and its sixteenth, with a hook', [36, 12], ['begin', 'end+backward hook']],
    ['the other way round', [12, 36], ['begin+forward hook', 'end']],
    [
      'four sixteenths with both beams',
      [12, 12, 12, 12],
      ['begin+begin', 'continue+continue', 'continue+continue', 'end+end'],
    ],
    ['none over the beat, none for one alone', [48, 24, 48], ['', '', '']],
  ])('%s', (_, ticks, beams) => expect(lengths(ticks)).toEqual(beams));
});

describe('steps', () => {
  it('say only the bars that changed, and turn into their own way back', () => {
    const score = ready(PIECE);
    const changed = changeVoice(score, { ...RIGHT, bar: 1 }, (voice) => withEntries(voice, []));
    const [step, ...others] = editsBetween(score, changed);
    expect(others).toEqual([]);
    expect(step).toMatchObject({ kind: 'replace-bars', at: 1, remove: 1 });
    const there = applyEdit(score, step as NonNullable<typeof step>);
    expect(writeMusicXml(there.score)).toBe(writeMusicXml(changed));
    expect(applyEdit(there.score, there.inverse).score).toEqual(score);
  });

  it('none leads to the same score', () => {
    const score = ready(PIECE);
    expect(editsBetween(score, { ...score })).toEqual([]);
  });

  it('one that is for another score is our own fault, and thrown', () => {
    const score = ready(PIECE);
    expect(() => applyEdit(score, { kind: 'replace-bars', at: 3, remove: 1, put: [] })).toThrow(RangeError);
    expect(() => applyEdit(score, { kind: 'replace-bars', at: 0, remove: 0, put: [[]] })).toThrow(RangeError);
  });

  it('bars keep the comments between them, wherever others go', () => {
    const score = ready(PIECE.replace('<measure number="2">', '<!-- turn the page --><measure number="2">'));
    const less = withoutBars(score, 1, 1);
    const steps = editsBetween(score, less);
    const there = steps.reduce((at, step) => applyEdit(at, step).score, score);
    expect(writeMusicXml(there)).toContain('<!-- turn the page -->');
    expect(told(there)).toBe('C4:1 D4:1 E4:1 F4:1 | E4:2 C4:2');
  });

  it('numbers go on in order where bars come in; numbers of another order are left', () => {
    const numbers = (score: Score): readonly string[] =>
      editsBetween(score, withNewBars(score, 1, 1))
        .reduce((at, step) => applyEdit(at, step).score, score)
        .parts[0]?.measures.map(({ number }) => number) ?? [];
    expect(numbers(ready(PIECE))).toEqual(['1', '2', '3', '4']);
    expect(numbers(ready(PIECE.replace('number="3"', 'number="12"')))).toEqual(['1', '2', '2', '12']);
  });
});

describe('bars', () => {
  it('what the piece begins with stays in its first bar', () => {
    const longer = withNewBars(ready(PIECE), 0, 1);
    expect(openBar(barOf(longer, 0)).head).toHaveLength(1);
    expect(openBar(barOf(longer, 1)).head).toHaveLength(0);
    expect(told(longer)).toBe(` | ${told(ready(PIECE))}`);
  });

  it('a signature in a bar that is taken out holds from the next one on', () => {
    const text = musicXml({
      right: 'C4w | F#4w | G4w',
      extra: { 2: '<attributes><key><fifths>1</fifths></key></attributes>' },
    });
    expect(writeMusicXml(withoutBars(ready(text), 1, 1))).toMatch(
      /<measure number="3"><attributes><key><fifths>1<\/fifths>/,
    );
  });
});

describe('passages', () => {
  const at = (bar: number, index: number, toBar: number, toIndex: number) => ({ ...RIGHT, bar, index, toBar, toIndex });

  it('are taken out with what is in them, and leave the rest', () => {
    expect(told(removeRegion(ready(PIECE), at(0, 2, 1, 0)))).toBe('C4:1 D4:1 |  | E4:2 C4:2');
  });

  it('go in at a place, and over the bar line where they did', () => {
    const score = ready(PIECE);
    const clip = copyRegion(score, partOf(score), at(0, 3, 1, 0));
    expect(told(paste(score, { ...RIGHT, bar: 2, index: 1 }, clip))).toBe(
      'C4:1 D4:1 E4:1 F4:1 | G4:4 | E4:2 F4:1 C4:2 | G4:4',
    );
  });

  it('are other notes there: no id is there twice', () => {
    const score = ready(PIECE);
    const twice = paste(score, { ...RIGHT, bar: 3, index: 0 }, copyBars(score, partOf(score), 0, 2));
    const ids = notesOf(partOf(twice)).map(({ id }) => id);
    expect(ids).toHaveLength(2 * notesOf(partOf(score)).length);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('are counted anew for a piece with other ticks; what has no whole length there is not taken', () => {
    const score = ready(PIECE);
    const clip = copyRegion(score, partOf(score), at(0, 0, 0, 3));
    expect(rescale(clip, 10_080)).toMatchObject({
      ticksPerQuarter: 10_080,
      bars: [[{ duration: 10_080 }, {}, {}, {}]],
    });
    expect(rescale(rescale(clip, 10_080) as NonNullable<ReturnType<typeof rescale>>, 48)).toMatchObject({
      bars: [[{ duration: 48 }, { duration: 48 }, { duration: 48 }, { duration: 48 }]],
    });
    const odd = { ...clip, ticksPerQuarter: 35 * 48 };
    expect(rescale(odd, 48)).toBeNull();
  });

  it('go to the other hand at the same beats', () => {
    const score = changeVoice(ready(PIECE), { ...LEFT, bar: 0 }, (voice) => withEntries(voice, []));
    const given = toOtherHand(score, partOf(score), at(0, 1, 0, 2));
    expect(told(given)).toBe('C4:1 _:1 _:1 F4:1 | G4:4 | E4:2 C4:2');
    expect(told(given, LEFT)).toBe('_:1 D4:1 E4:1 _:1 | C3:4 | G3:4');
  });
});

describe('what is around the notes', () => {
  it('a title is written where other programs look for it', () => {
    const named = withTitle(ready(PIECE), 'Rain & Sun');
    expect(writeMusicXml(named)).toContain('<work-title>Rain &amp; Sun</work-title>');
    const moved = withTitle(
      ready(PIECE.replace('<part-list>', '<movement-title>Old</movement-title><part-list>')),
      'New',
    );
    expect(writeMusicXml(moved)).toContain('<movement-title>New</movement-title>');
  });

  it('a composer comes, changes and goes; other creators stay', () => {
    const text = PIECE.replace(
      '<part-list>',
      '<identification><creator type="lyricist">Words</creator></identification><part-list>',
    );
    const named = withComposer(withComposer(ready(text), 'First'), 'Second');
    expect(
      [...writeMusicXml(named).matchAll(/<creator type="(\w+)">(\w+)/g)].map(([, type, name]) => `${type} ${name}`),
    ).toEqual(['composer Second', 'lyricist Words']);
    expect(writeMusicXml(withComposer(named, ''))).not.toContain('composer');
  });

  it('a tempo takes the place of the one before', () => {
    const xml = writeMusicXml(withTempo(withTempo(ready(PIECE), 80), 96));
    expect([...xml.matchAll(/<per-minute>(\d+)/g)].map(([, number]) => number)).toEqual(['96']);
    expect(xml).toContain('<sound tempo="96"/>');
  });

  it('a meter holds until the next one that is written', () => {
    const text = musicXml({
      right: 'C4w | C4w | C4w',
      extra: { 3: '<attributes><time><beats>4</beats><beat-type>4</beat-type></time></attributes>' },
    });
    const score = withMeter(ready(text), 1, { beats: 3, beatType: 4 });
    expect(partOf(score).measures.map(({ meter }) => meter.beats)).toEqual([4, 3, 4]);
    expect(plain(writeMusicXml(score)).parts[0]?.measures.map(({ meter }) => meter.beats)).toEqual([4, 3, 4]);
  });

  it('a syllable takes the place of the one before; other verses stay', () => {
    const note = notesOf(partOf(ready(PIECE.replace('<notations>', '<notations>'))))[0] as ReturnType<
      typeof notesOf
    >[number];
    const syllabic = (words: string) =>
      /"syllabic".*?"text":"(\w+)"/.exec(JSON.stringify(withLyric(note, words).xml))?.[1];
    expect([syllabic('rain-'), syllabic('sun')]).toEqual(['begin', 'single']);
    const sung = withLyric(withLyric(note, 'rain-'), 'sun');
    expect(JSON.stringify(sung.xml)).toContain('"sun"');
    expect(JSON.stringify(sung.xml)).not.toContain('"rain"');
    expect(JSON.stringify(withLyric(sung, '').xml)).not.toContain('lyric');
  });
});
