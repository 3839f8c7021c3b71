/** Rote sheets as they were promised to other programs, through the route handlers themselves. */
import { describe, expect, it } from '@jest/globals';
import { report, rote, transpose } from '../support/handlers';
import { bytesOf } from '../support/build-piece';
import { demoFile, DEMO_FILES } from '../support/demo-pieces';

type Handler = (request: Request) => Promise<Response>;

const send = (handler: Handler, query: string, body: string): Promise<Response> =>
  handler(new Request(`http://localhost/api/x?${query}`, { method: 'POST', body: bytesOf(body) as BodyInit }));
const text = async (handler: Handler, query: string, body: string): Promise<string> =>
  (await send(handler, query, body)).text();

interface ReportNotes {
  readonly notes: readonly {
    readonly hand: string;
    readonly bar: string;
    readonly beat: number;
    readonly to: string;
  }[];
  readonly to: unknown;
}
const notesOf = async (query: string, body: string): Promise<readonly string[]> => {
  const answer = (await (await send(report, query, body)).json()) as ReportNotes;
  return answer.notes.map(({ hand, bar, beat, to }) => `${bar}/${beat} ${hand} ${to}`).toSorted();
};

describe('POST /api/rote', () => {
  it('answers in plain words, in the piece’s own key where none is named', async () => {
    const answer = await send(rote, '', demoFile('lantern-walk'));
    expect(answer.headers.get('Content-Type')).toBe('text/plain; charset=utf-8');
    const words = await answer.text();
    expect(words).toMatch(/^Lantern Walk\nThe key is C major\. Count 4 in each bar\./);
  });

  it('speaks as it is asked to: to a child, in crotchets, by syllables or without names', async () => {
    const sheet = (query: string): Promise<string> => text(rote, `to=D&${query}`, demoFile('lantern-walk'));
    expect(await sheet('voice=child')).toContain('Finger 2 on E, big step up, one count.');
    expect(await sheet('rhythm=crotchet&bar=measure')).toContain('Count 4 in each measure. A beat is one crotchet.');
    expect(await sheet('names=do-minor')).toContain('Keys are called by syllables, D is do.');
    expect(await sheet('names=none')).toContain('Then 3 on the lowest of the three black keys.');
  });

  it('tells one stage of a piece', async () => {
    const words = await text(rote, 'to=D&stage=left-alone', demoFile('lantern-walk'));
    expect(words).not.toContain('Right hand:');
    expect(words).toContain('Left hand: 5 on D, one beat.');
  });

  it('refuses a stage that the piece does not have', async () => {
    const answer = await send(rote, 'stage=landing-9', demoFile('lantern-walk'));
    expect(answer.status).toBe(400);
  });
});

describe('from=rote', () => {
  it.each(DEMO_FILES.map(({ id }) => id))('has %s reported as the file itself is', async (id) => {
    const words = await text(rote, 'fingering=keep', demoFile(id));
    expect(await notesOf('to=E&from=rote&fingering=keep', words)).toEqual(
      await notesOf('to=E&fingering=keep', demoFile(id)),
    );
  });

  it('makes a file of the words', async () => {
    const words = await text(rote, '', demoFile('lantern-walk'));
    const answer = await send(transpose, 'to=G&from=rote&format=abc', words);
    expect(answer.headers.get('Content-Disposition')).toBe('attachment; filename="lantern-walk-in-G.abc"');
    expect(await answer.text()).toContain('K:G');
  });

  it('says which sentence it cannot read', async () => {
    const words = (await text(rote, '', demoFile('lantern-walk'))).replace('2 on D, whole', '2 on the moon, whole');
    const answer = await send(transpose, 'to=G&from=rote', words);
    expect(answer.status).toBe(422);
    expect(await answer.json()).toMatchObject({ error: { code: 'read.rote', line: 9 } });
  });

  it('knows a file that is no rote sheet', async () => {
    const answer = await send(transpose, 'to=G&from=rote', demoFile('lantern-walk'));
    expect(answer.status).toBe(422);
    expect(await answer.json()).toMatchObject({ error: { code: 'read.rote' } });
  });
});
