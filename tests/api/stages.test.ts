/** Stages as they were promised to other programs, through the route handler itself. */
import { describe, expect, it } from '@jest/globals';
import { stages, transpose } from '../support/handlers';
import type { StagesAnswer } from '@/api/stages';
import { pitchText } from '@/core/pitch';
import { DEMO_FILES, demoFile } from '../support/demo-pieces';
import { bytesOf, musicXml } from '../support/build-piece';
import { open } from '../support/open';

type Handler = (request: Request) => Promise<Response>;

const send = (handler: Handler, query: string, body: string): Promise<Response> =>
  handler(new Request(`http://localhost/api/x?${query}`, { method: 'POST', body: bytesOf(body) as BodyInit }));
const stagesOf = async (query: string, body: string): Promise<StagesAnswer> =>
  (await send(stages, query, body)).json() as Promise<StagesAnswer>;
const fileOf = async (handler: Handler, query: string, body: string): Promise<string> =>
  (await send(handler, query, body)).text();
const said = (text: string): readonly string[] =>
  open(text).notes.map(
    ({ id, hand, pitch, bar, beat, duration, finger }) =>
      `${id} ${hand} ${bar}/${beat} ${pitchText(pitch)} ${duration} ${finger}`,
  );
const JUMPS = musicXml({
  title: 'Gate and Garden',
  right: 'C4q/1 D4q/2 E4q/3 F4q/4 | C5q/1 D5q/2 E5q/3 F5q/4 | E4h/3 D4h/2 | C4w/1',
  left: 'C2q/5 C3q/1 C2q/5 C3q/1 | G2q/5 G3q/1 G2q/5 G3q/1 | C2q/5 C3q/1 G2q/5 G3q/1 | C2q/5 C3q/1 C2h/5',
  mode: 'major',
});

describe('POST /api/stages', () => {
  it('tells which stages a piece has, in the order in which they are given, and why', async () => {
    const answer = await stagesOf('', demoFile('two-boats'));
    expect(answer.to).toBe('C-major');
    expect(answer.stages.map(({ id }) => id)).toEqual([
      'flagged',
      'different-fingers',
      'right-alone',
      'left-alone',
      'tapping',
      'line-2',
      'line-1',
      'whole',
    ]);
    expect(answer.stages[1]).toEqual({
      id: 'different-fingers',
      title: 'Different fingers at once',
      why: 'Bars 7 and 8: both hands have different fingers there.',
      bars: ['7', '8'],
      hands: ['right', 'left'],
    });
    expect(answer.stages[2]).toMatchObject({ bars: null, hands: ['right'] });
  });

  it('names stages and bars as the caller calls them', async () => {
    const [first] = (await stagesOf('bar=measure', demoFile('two-boats'))).stages.slice(1);
    expect(first?.why).toBe('Measures 7 and 8: both hands have different fingers there.');
  });

  it('sends one of them as a file under its name, with the ids of the notes that it has from the piece', async () => {
    const response = await send(stages, 'stage=beats&to=D', JUMPS);
    expect(response.headers.get('content-disposition')).toBe(
      'attachment; filename="gate-and-garden-beats-in-D.musicxml"',
    );
    const { notes } = open(await response.text());
    const whole = new Map(open(await fileOf(transpose, 'to=D', JUMPS)).notes.map((note) => [note.id, note]));
    expect(notes.map(({ hand, finger, beat }) => `${hand}${finger}${beat % 1}`)).toEqual(notes.map(() => 'left50'));
    expect(notes.map(({ pitch }) => pitchText(pitch)).slice(0, 4)).toEqual(['D2', 'D2', 'A2', 'A2']);
    for (const { id, midi } of notes) expect(whole.get(id)?.midi).toBe(midi);
  });

  it('keeps a tune that leaps an octave in one place, and splits broken octaves', async () => {
    const folded = open(await fileOf(stages, 'stage=one-place', JUMPS));
    const right = folded.notes.filter(({ hand }) => hand === 'right');
    expect(right.map(({ pitch }) => pitchText(pitch)).join(' ')).toBe('C4 D4 E4 F4 C4 D4 E4 F4 E4 D4 C4');
    const split = open(await fileOf(stages, 'stage=split-octave', JUMPS));
    expect(split.notes.map(({ hand, finger }) => `${hand}${finger}`).slice(0, 4)).toEqual([
      'left5',
      'left1',
      'left5',
      'left1',
    ]);
  });

  it.each(['musicxml', 'mxl', 'abc', 'midi', 'newthumb'])('sends %s', async (format) => {
    const response = await send(stages, `stage=left-alone&format=${format}`, JUMPS);
    expect(response.status).toBe(200);
    expect(response.headers.get('content-disposition')).toMatch(/gate-and-garden-left-alone-in-C\.\w+"$/);
  });

  it.each(DEMO_FILES.map(({ id, text }) => [id, text] as const))(
    '%s: piece first, key second: a stage moved to a key equals the moved piece staged',
    async (_id, text) => {
      for (const to of ['Eb', 'B']) {
        const moved = await fileOf(transpose, `to=${to}`, text);
        const { stages: all } = await stagesOf('', moved);
        const ids = new Set(all.map(({ id }) => id));
        // What differs from the fingers of its own key is known only of a piece that was moved.
        for (const { id } of (await stagesOf(`to=${to}`, text)).stages.filter((one) => one.id !== 'other-fingers')) {
          expect([to, id, ids.has(id)]).toEqual([to, id, true]);
          const first = said(await fileOf(stages, `to=${to}&stage=${id}`, text));
          expect([to, id, ...first]).toEqual([to, id, ...said(await fileOf(stages, `stage=${id}`, moved))]);
        }
      }
    },
  );

  it('refuses a stage that the piece has not, and says which it has', async () => {
    const response = await send(stages, 'stage=blocked', demoFile('lantern-walk'));
    expect(response.status).toBe(400);
    expect(await response.json()).toMatchObject({
      error: { code: 'query.value', hint: expect.stringContaining('right-alone, left-alone') as unknown },
    });
  });
});
