import { describe, expect, it } from '@jest/globals';
import toneMidi from '@tonejs/midi';
import { musicXml } from '../../../tests/support/build-piece';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { moved, open } from '../../../tests/support/open';
import { writeMidiFile } from './midi/write-midi';

/** What a reader that is not ours finds in our files. Source: @tonejs/midi 2.0. */
function heard(text: string, to?: string) {
  const piece = open(text);
  const version = to ? moved(piece, to) : moved(piece, 'C');
  return new toneMidi.Midi(writeMidiFile(version.score, version.key));
}
const line = (text: string, track = 0): string =>
  heard(text)
    .tracks.filter(({ notes }) => notes.length > 0)
    [track]?.notes.map(({ name, ticks, durationTicks }) => `${name}@${ticks / 960}+${durationTicks / 960}`)
    .join(' ') ?? '';

describe('writeMidiFile', () => {
  it('plays each hand on a track of its own', () => {
    const midi = heard(musicXml({ right: 'C5q D5q E5h', left: 'C3w' }));
    expect(midi.tracks.filter(({ notes }) => notes.length > 0).map(({ name }) => name)).toEqual([
      'right hand',
      'left hand',
    ]);
    expect(line(musicXml({ right: 'C5q D5q E5h', left: 'C3w' }))).toBe('C5@0+1 D5@1+1 E5@2+2');
  });

  it('strikes a tied note once', () => {
    expect(line(musicXml({ right: 'C4w~ | C4h D4h' }))).toBe('C4@0+6 D4@6+2');
  });

  it('plays repeats and endings out', () => {
    const ending = (number: number, back: string): string =>
      `<barline location="left"><ending number="${number}" type="start"/></barline><barline location="right"><ending number="${number}" type="stop"/>${back}</barline>`;
    const text = musicXml({
      right: 'C4w | D4w | E4w',
      extra: { 2: ending(1, '<repeat direction="backward"/>'), 3: ending(2, '') },
    });
    expect(line(text)).toBe('C4@0+4 D4@4+4 C4@8+4 E4@12+4');
  });

  it('plays a section as often as it says, but not for ever', () => {
    const repeat = (times: string): string =>
      musicXml({
        right: 'C4w',
        extra: { 1: `<barline location="right"><repeat direction="backward" times="${times}"/></barline>` },
      });
    expect(heard(repeat('3')).tracks.at(-1)?.notes).toHaveLength(3);
    expect(heard(repeat('1000000')).tracks.at(-1)?.notes).toHaveLength(12);
  });

  it('leaves grace notes in, before their note', () => {
    const grace =
      '<note><grace/><pitch><step>B</step><octave>3</octave></pitch><voice>1</voice><staff>1</staff></note>';
    const text = musicXml({ right: 'C4h D4h' }).replace(/(<note>(?:(?!<note>).)*<step>D)/, `${grace}$1`);
    expect(line(text)).toBe('C4@0+2 B3@1.875+0.125 D4@2+2');
  });

  it('sets tempo, time and key, and the key of the moved piece', () => {
    const midi = heard(demoFile('slow-ferris'), 'Bb');
    expect(Math.round(midi.header.tempos[0]?.bpm ?? 0)).toBe(108);
    expect(midi.header.timeSignatures.map(({ timeSignature }) => timeSignature)).toEqual([
      [1, 4],
      [3, 4],
    ]);
    expect(midi.header.keySignatures[0]).toMatchObject({ key: 'Bb', scale: 'major' });
  });

  it('slows down in a ritardando, holds a fermata, and takes the tempo up again', () => {
    const words = (text: string): string =>
      `<direction><direction-type><words>${text}</words></direction-type></direction>`;
    const text = musicXml({
      right: 'C4w | C4q D4q E4q F4q | C4w | D4w',
      extra: { 2: words('rit.'), 3: words('a tempo') },
    }).replace(
      /(<step>D<\/step><octave>4<\/octave><\/pitch><duration>8.*?<staff>1<\/staff>)/,
      '$1<notations><fermata/></notations>',
    );
    const tempos = heard(text).header.tempos.map(({ ticks, bpm }) => [ticks / 960, Math.round(bpm)]);
    const slowing = tempos.filter(([at]) => (at as number) >= 4 && (at as number) < 8).map(([, bpm]) => bpm as number);
    expect(slowing).toEqual([...slowing].sort((a, b) => b - a));
    expect(slowing.at(-1)).toBe(64);
    expect(tempos).toContainEqual([8, 92]);
    expect(tempos.at(-1)).toEqual([12, 53]);
  });

  it('plays louder marks louder', () => {
    const mark = (name: string): string =>
      `<direction><direction-type><dynamics><${name}/></dynamics></direction-type><staff>1</staff></direction>`;
    const notes =
      heard(musicXml({ right: 'C4w | C4w | C4w', extra: { 1: mark('p'), 2: mark('mf'), 3: mark('ff') } })).tracks.at(-1)
        ?.notes ?? [];
    const [soft, middle, loud] = notes.map(({ velocity }) => velocity) as [number, number, number];
    expect(soft < middle && middle < loud).toBe(true);
  });

  it.each(DEMO_FILES.map(({ id, text }) => [id, text] as const))(
    'sounds every struck note of %s, moved, at its pitch',
    (_id, text) => {
      const version = moved(open(text), 'E');
      const struck = version.notes
        .filter((note) => !note.tieStop)
        .map(({ midi }) => midi)
        .sort((a, b) => a - b);
      const midi = new toneMidi.Midi(writeMidiFile(version.score, version.key));
      expect(midi.tracks.flatMap(({ notes }) => notes.map((note) => note.midi)).sort((a, b) => a - b)).toEqual(struck);
    },
  );
});
