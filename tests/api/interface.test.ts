/** The scripting interface as it was promised to other programs, through the route handlers themselves. */
import { describe, expect, it } from '@jest/globals';
import { ladder, report, transpose } from '../support/handlers';
import { GET as health } from '@/app/api/health/route';
import type { LadderAnswer as Ladder } from '@/api/ladder';
import type { Report } from '@/api/report';
import { bytesOf, musicXml } from '../support/build-piece';
import { demoFile } from '../support/demo-pieces';
import { pitchText } from '@/core/pitch';
import { open } from '../support/open';

type Handler = (request: Request) => Promise<Response>;

const send = (handler: Handler, query: string, body: BodyInit): Promise<Response> =>
  handler(new Request(`http://localhost/api/x?${query}`, { method: 'POST', body, duplex: 'half' } as RequestInit));
const reportOn = async (query: string, body: string): Promise<Report> =>
  (await send(report, query, body)).json() as Promise<Report>;
const LANTERN = demoFile('lantern-walk');

describe('POST /api/transpose', () => {
  it('sends the piece as MusicXML under its name', async () => {
    const response = await send(transpose, 'to=Bb', LANTERN);
    expect(response.status).toBe(200);
    expect(response.headers.get('content-type')).toContain('application/vnd.recordare.musicxml+xml');
    expect(response.headers.get('content-disposition')).toBe('attachment; filename="lantern-walk-in-Bb.musicxml"');
    expect(open(await response.text()).key.key.tonic).toEqual({ step: 6, alter: -1 });
  });

  it('moves into another mode degree by degree, with the sixth and seventh that are asked for', async () => {
    const scale = musicXml({ right: 'C4q D4q E4q F4q | G4q A4q B4q C5q', mode: 'major' });
    const pitches = async (query: string): Promise<string> =>
      open(await (await send(transpose, query, scale)).text())
        .notes.map(({ pitch }) => pitchText(pitch))
        .join(' ');
    expect(await pitches('to=C-minor')).toBe('C4 D4 Eb4 F4 G4 Ab4 B4 C5');
    expect(await pitches('to=C-minor&seventh=natural')).toBe('C4 D4 Eb4 F4 G4 Ab4 Bb4 C5');
    expect(await pitches('to=C-minor&sixth=raised')).toBe('C4 D4 Eb4 F4 G4 A4 B4 C5');
    expect(await pitches('to=D-dorian')).toBe('D4 E4 F4 G4 A4 B4 C5 D5');
  });

  it.each([
    ['mxl', 'application/vnd.recordare.musicxml', 'mxl'],
    ['abc', 'text/vnd.abc', 'abc'],
    ['newthumb', 'application/vnd.new-thumb+json', 'newthumb'],
  ])('sends %s, which it reads again', async (format, mediaType, ending) => {
    const response = await send(transpose, `to=D&format=${format}`, LANTERN);
    expect([response.headers.get('content-type'), response.headers.get('content-disposition')]).toEqual([
      mediaType,
      `attachment; filename="lantern-walk-in-D.${ending}"`,
    ]);
    const again = await reportOn('to=C', new Uint8Array(await response.arrayBuffer()) as unknown as string);
    expect(again.from).toMatchObject({ tonic: 'D', mode: 'major' });
  });

  it('sends MIDI where that is asked for', async () => {
    const response = await send(transpose, 'to=F%23&format=midi', LANTERN);
    expect(response.headers.get('content-type')).toBe('audio/midi');
    expect(response.headers.get('content-disposition')).toContain('lantern-walk-in-Fsharp.mid');
    expect(new TextDecoder().decode((await response.arrayBuffer()).slice(0, 4))).toBe('MThd');
  });

  it.each(['Fsharp', 'F%23', 'F%E2%99%AF', 'Fsharp-major', 'F%23-major'])('understands the key %s', async (to) => {
    expect((await send(transpose, `to=${to}`, LANTERN)).headers.get('content-disposition')).toContain('-in-Fsharp.');
  });

  it('carries fingers over as printed under plan and keep, and leaves them out under none', async () => {
    const count = async (fingering: string): Promise<number> =>
      ((await (await send(transpose, `to=D&fingering=${fingering}`, LANTERN)).text()).match(/<fingering/g) ?? [])
        .length;
    expect(await count('none')).toBe(0);
    expect(await count('keep')).toBe(await count('plan'));
    expect(await count('keep')).toBeGreaterThan(30);
  });
});

describe('POST /api/report', () => {
  it('tells from where to where, and by which interval', async () => {
    const said = await reportOn('to=D', LANTERN);
    expect(said.piece).toEqual({ title: 'Lantern Walk', bars: 8, hands: ['right', 'left'] });
    expect([said.from, said.to]).toEqual([
      { tonic: 'C', mode: 'major', fifths: 0 },
      { tonic: 'D', mode: 'major', fifths: 2 },
    ]);
    expect(said.interval).toEqual({ name: 'M2', steps: 1, semitones: 2, octaves: { right: 0, left: 0 } });
    expect(said.playable).toEqual({ right: true, left: true });
  });

  it('has every pitched note with its fingers, sign and key', async () => {
    const { notes } = await reportOn('to=D', musicXml({ right: 'C4q/1 E4q/3 F#4h/4~ | F#4w', mode: 'major' }));
    expect(notes[1]).toEqual({
      id: 'n2',
      hand: 'right',
      bar: '1',
      beat: 2,
      from: 'E4',
      to: 'F#4',
      fingerFrom: 3,
      fingerTo: 3,
      accidental: null,
      courtesy: false,
      blackKey: true,
    });
    expect(notes[2]).toMatchObject({ to: 'G#4', accidental: 'sharp', beat: 3 });
    expect(notes.map(({ bar }) => bar)).toEqual(['1', '1', '1', '2']);
  });

  it('names positions and the keys under fingers 1 to 5', async () => {
    const { positions } = await reportOn('to=D', LANTERN);
    expect(positions.find(({ hand }) => hand === 'left')).toEqual({
      hand: 'left',
      from: { bar: '1', beat: 1 },
      to: { bar: '8', beat: 1 },
      name: 'D',
      kind: 'closed',
      keys: ['A3', 'G3', 'F#3', 'E3', 'D3'],
      fingersFrom: 'as printed',
    });
  });

  it('gives flags with severity, place, cause, words and notes', async () => {
    const { flags, notes } = await reportOn('to=Eb', LANTERN);
    expect(flags.map(({ kind }) => kind)).toContain('thumb-on-black');
    for (const flag of flags) {
      expect(Object.keys(flag)).toEqual([
        'kind',
        'severity',
        'hand',
        'bar',
        'beat',
        'notes',
        'byBlackKey',
        'message',
        'suggestion',
      ]);
      expect(flag.notes.every((id) => notes.some((note) => note.id === id))).toBe(true);
    }
  });

  it('gives the continuation of a tie the finger of its first note', async () => {
    const tied = musicXml({ right: 'C4q/1 D4q/2 G4h/5~ | G4h/4 E4h/3', mode: 'major' });
    const { notes } = await reportOn('to=D', tied);
    expect(notes.map(({ fingerFrom, fingerTo }) => [fingerFrom, fingerTo])).toEqual([
      [1, 1],
      [2, 2],
      [5, 5],
      [5, 5],
      [3, 3],
    ]);
    const file = await (await send(transpose, 'to=D', tied)).text();
    expect([...file.matchAll(/<fingering>(\d)/g)].map(([, finger]) => finger).join('')).toBe('12553');
  });

  it('plans fingers: carried over, completed, or given to a piece that has none', async () => {
    const bare = musicXml({ right: 'C4q D4q E4q F4q | G4w', left: 'C3w | G3w', mode: 'major' });
    const planned = await reportOn('to=D', bare);
    expect(planned.notes.map(({ fingerFrom }) => fingerFrom)).toEqual([null, null, null, null, null, null, null]);
    expect(planned.notes.filter(({ hand }) => hand === 'right').map(({ fingerTo }) => fingerTo)).toEqual([
      1, 2, 3, 4, 5,
    ]);
    expect((await reportOn('to=D&fingering=keep', bare)).notes.every(({ fingerTo }) => fingerTo === null)).toBe(true);
    expect((await reportOn('to=D&fingering=none', LANTERN)).notes.every(({ fingerTo }) => fingerTo === null)).toBe(
      true,
    );
    expect((await reportOn('to=D', LANTERN)).remarks).toEqual([]);
  });

  it('says what cannot be played at a level or reach, why, and what would help', async () => {
    const six = musicXml({ right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4q/5 A4q/5 G4q/4 E4q/2', mode: 'major' });
    const first = await reportOn('to=C&level=1', six);
    expect(first.playable).toEqual({ right: false, left: true });
    expect(first.remarks).toMatchObject([{ code: 'not-playable', bar: '2' }]);
    expect(first.remarks[0]?.message).toContain('at level 2 it can');
    expect((await reportOn('to=C&level=4', six)).playable.right).toBe(true);
    const octave = musicXml({ right: 'C4+C5w/1/5', mode: 'major' });
    const small = await reportOn('to=C&span=150', octave);
    expect(small.flags).toMatchObject([{ kind: 'out-of-reach', severity: 'must', notes: ['n1', 'n2'] }]);
    expect(small.remarks[0]?.message).toContain('a hand of 165 mm can');
    expect((await reportOn('to=C&span=180', octave)).playable.right).toBe(true);
  });

  it('takes the schools: fingers off black keys, the finger beside 5, repeated keys', async () => {
    const chord = musicXml({ right: 'C5w', left: 'C3+E3+G3+C4w', mode: 'major' });
    const left = async (query: string): Promise<readonly (number | null)[]> =>
      (await reportOn(query, chord)).notes.filter(({ hand }) => hand === 'left').map(({ fingerTo }) => fingerTo);
    expect(await left('to=D')).toEqual([5, 4, 2, 1]);
    expect(await left('to=D&inner=black')).toEqual([5, 3, 2, 1]);
    const repeated = musicXml({ right: 'G4q G4q G4q G4q', mode: 'major' });
    const fingers = async (query: string): Promise<readonly (number | null)[]> =>
      (await reportOn(query, repeated)).notes.map(({ fingerTo }) => fingerTo);
    expect(new Set(await fingers('to=C')).size).toBe(1);
    const changing = await fingers('to=C&repeat=change&level=3');
    expect(changing.slice(1).every((finger, i) => finger !== changing[i])).toBe(true);
  });

  it('takes the schools of the tonic hand, and of the fifth before a sixth', async () => {
    const left = async (notes: string, query: string): Promise<string> =>
      (await reportOn(query, musicXml({ right: 'G4w | G4w', left: notes, mode: 'major' }))).notes
        .filter(({ hand }) => hand === 'left')
        .map(({ fingerTo }) => fingerTo)
        .join('');
    expect(await left('C3q D3q E3q D3q | C3w', 'to=D')).toBe('54345');
    expect(await left('C3q D3q E3q D3q | C3w', 'to=D&tonic=nearest')).toBe('32123');
    expect(await left('C3q G3q C3q A3q | C3q G3q C3q A3q', 'to=G')).toBe('52515251');
    expect(await left('C3q G3q C3q A3q | C3q G3q C3q A3q', 'to=G&fifth-sixth=move')).toBe('51515151');
  });

  it('says from which bar a key is respelled', async () => {
    const { remarks } = await reportOn('to=C%23&fingering=keep', demoFile('bridge-to-the-other-bank'));
    expect(remarks).toMatchObject([{ code: 'respelled-key', bar: '9' }]);
  });

  it('moves each hand by its own octaves, one overriding both', async () => {
    const { interval } = await reportOn('to=D&octaves=1&octaves.left=-1', LANTERN);
    expect(interval.octaves).toEqual({ right: 1, left: -1 });
  });

  it('takes the teacher’s word for the key, and the part', async () => {
    expect((await reportOn('to=D&key=A-minor', LANTERN)).from).toMatchObject({ tonic: 'A', mode: 'minor' });
    expect((await reportOn('to=D&part=P1', LANTERN)).piece.bars).toBe(8);
  });

  it('is the same for the same file', async () => {
    expect(await reportOn('to=Ab', LANTERN)).toEqual(await reportOn('to=Ab', LANTERN));
  });

  it('says its sentences as the caller calls things, and leaves its data as they were promised', async () => {
    const usual = await reportOn('to=Eb', LANTERN);
    const said = await reportOn('to=Eb&bar=measure&names=fixed-do&fingers=names', LANTERN);
    expect(usual.flags[0]?.message).toMatch(/\bbars? /);
    for (const { message, suggestion } of said.flags) {
      expect(message).not.toMatch(/\bbars?\b|\b[A-G][♯♭]?\d|finger \d/);
      expect(suggestion).not.toMatch(/\bbars?\b/);
    }
    expect(said.flags.map(({ message }) => message).join(' ')).toMatch(/measures? \d.*|mi♭/);
    const data = ({ flags, ...rest }: Report) => ({ ...rest, flags: flags.map(({ kind, bar }) => ({ kind, bar })) });
    expect(JSON.stringify(data(said)).replace(/"fingersFrom":"[^"]*"/g, '')).toBe(
      JSON.stringify(data(usual)).replace(/"fingersFrom":"[^"]*"/g, ''),
    );
  });

  it('refuses words that it does not have', async () => {
    const response = await send(report, 'to=D&names=numbers', LANTERN);
    expect(response.status).toBe(400);
    expect(await response.json()).toMatchObject({ error: { hint: expect.stringContaining('fixed-do') } });
  });
});

describe('POST /api/ladder', () => {
  it('ranks the fifteen keys of the piece’s mode with the facts there are', async () => {
    const { keys, from } = (await (await send(ladder, '', LANTERN)).json()) as Ladder;
    expect(from).toEqual({ tonic: 'C', mode: 'major', fifths: 0 });
    expect(keys).toHaveLength(15);
    expect(keys[2]).toMatchObject({
      tonic: 'D',
      rank: 3,
      positionChanges: 0,
      forcedChanges: 0,
      blackFingers: { right: [3], left: [3] },
      flags: { must: 0, should: 0, watch: 0 },
      leaveOut: null,
    });
  });

  it('goes by fifths from the piece’s own key', async () => {
    const { keys } = (await (await send(ladder, 'order=fifths', LANTERN)).json()) as Ladder;
    expect(keys.slice(0, 5).map(({ fifths }) => fifths)).toEqual([0, 1, -1, 2, -2]);
  });
});

describe('POST /api/ladder, beyond the promise', () => {
  it('says why, and what is read and reached, as the Survey does', async () => {
    const { keys } = (await (await send(ladder, '', LANTERN)).json()) as Ladder;
    expect(keys.find(({ tonic }) => tonic === 'F')).toMatchObject({
      why: [expect.stringContaining('right 4 and left 2 on B♭'), expect.any(String), 'reads one flat'],
      reading: { signs: -1 },
      positions: { right: ['F'], left: ['F'] },
    });
  });

  it('has the keys of another mode, degree by degree', async () => {
    const { keys, from } = (await (await send(ladder, 'mode=minor', LANTERN)).json()) as Ladder;
    expect([from.mode, new Set(keys.map(({ mode }) => mode))]).toEqual(['major', new Set(['minor'])]);
    expect(keys).toHaveLength(15);
  });

  it('leaves out what the school avoids, with the reason: E♭ under outer=avoid (common practice)', async () => {
    const { keys } = (await (await send(ladder, 'outer=avoid', LANTERN)).json()) as Ladder;
    const flat = keys.find(({ tonic }) => tonic === 'Eb');
    expect(flat?.leaveOut).toContain('E♭');
    expect(keys.findIndex(({ leaveOut }) => leaveOut !== null)).toBeLessThanOrEqual(flat?.rank ?? 0);
  });
});

describe('GET /api/health', () => {
  it('says that it is up, and which version', async () => {
    expect(await health().json()).toEqual({ ok: true, version: expect.stringMatching(/^\d+\.\d+\.\d+$/) });
  });
});

describe('refusals', () => {
  const cases: readonly (readonly [string, string, BodyInit, number, string])[] = [
    ['no key', '', LANTERN, 400, 'query.missing'],
    ['a key that is none', 'to=H', LANTERN, 400, 'query.value'],
    ['a bare sharp, which ends the query', 'to=', LANTERN, 400, 'query.missing'],
    ['a level beyond four', 'to=D&level=5', LANTERN, 400, 'query.value'],
    ['a span of a giant', 'to=D&span=400', LANTERN, 400, 'query.value'],
    ['half an octave', 'to=D&octaves=0.5', LANTERN, 400, 'query.value'],
    ['a direction of its own', 'to=D&direction=sideways', LANTERN, 400, 'query.value'],
    ['a part that is not there', 'to=D&part=P9', LANTERN, 400, 'query.part'],
    ['a mode that is none', 'to=D&mode=blue', LANTERN, 400, 'query.value'],
    ['a format that is none', 'to=D&format=pdf', LANTERN, 400, 'query.value'],
    ['an empty body', 'to=D', '', 400, 'read.empty'],
    ['a picture', 'to=D', new Uint8Array([0x89, 0x50, 0x4e, 0x47]), 415, 'read.unknown-format'],
    ['a web page', 'to=D', '<!doctype html><html></html>', 415, 'read.unknown-format'],
    ['a MIDI file cut off', 'to=D', bytesOf('MThd\0\0\0\u0006') as BodyInit, 422, 'read.midi-damaged'],
    [
      'an archive without a score',
      'to=D',
      bytesOf('PK\u0003\u0004 META-INF/container.xml') as BodyInit,
      422,
      'read.archive',
    ],
    ['a file cut off', 'to=D', LANTERN.slice(0, 3000), 422, 'read.cut-off'],
    ['unpitched percussion', 'to=D', LANTERN.replace(/<pitch>.*?<\/pitch>/, '<unpitched/>'), 422, 'read.unpitched'],
    ['a quarter tone', 'to=D', LANTERN.replace('</step>', '</step><alter>0.5</alter>'), 422, 'read.quarter-tone'],
    [
      'an octave that is not written',
      'to=D&octaves=4&direction=up',
      musicXml({ right: 'C8w' }),
      422,
      'move.out-of-range',
    ],
  ];

  it.each(cases)('%s', async (_name, query, body, status, code) => {
    const response = await send(transpose, query, body);
    const { error } = (await response.json()) as {
      readonly error: { readonly code: string; readonly message: string; readonly hint: string };
    };
    expect([response.status, error.code]).toEqual([status, code]);
    expect(error.message.length).toBeGreaterThan(10);
    expect(error.hint.length).toBeGreaterThan(10);
  });

  it('say the line and column where they are known', async () => {
    const response = await send(report, 'to=D', LANTERN.slice(0, 3000));
    expect(((await response.json()) as { readonly error: unknown }).error).toMatchObject({
      line: expect.any(Number),
      column: expect.any(Number),
    });
  });

  it('a body over ten megabytes, also one that does not say how long it is', async () => {
    const block = new Uint8Array(1024 * 1024).fill(32);
    const stream = new ReadableStream({
      pull(controller) {
        controller.enqueue(block);
      },
    });
    const response = await send(transpose, 'to=D', stream);
    expect([
      response.status,
      ((await response.json()) as { readonly error: { readonly code: string } }).error.code,
    ]).toEqual([413, 'read.too-large']);
  });

  it('whatever stands in title and query, no header, answer or remark is longer than it should be', async () => {
    const title = 'Lantern '.repeat(6_250);
    const long = LANTERN.replace(/<work-title>[^<]*/, `<work-title>${title}`);
    for (const format of ['musicxml', 'mxl', 'abc', 'midi', 'newthumb']) {
      const response = await send(transpose, `to=F%23&format=${format}`, long);
      const name = /filename="([^"]*)"/.exec(response.headers.get('content-disposition') ?? '')?.[1] ?? '';
      expect([response.status, /^lantern-lantern.*-in-Fsharp\.\w+$/.test(name), name.length <= 100]).toEqual([
        200,
        true,
        true,
      ]);
    }
    // The piece itself keeps its title to the last letter.
    expect(open(await (await send(transpose, 'to=D', long)).text()).score.title).toBe(title.trim());
    expect((await reportOn('to=D', long)).piece.title).toHaveLength(200);
    const nonsense = 'x'.repeat(50_000);
    for (const query of [
      `to=${nonsense}`,
      `to=D&key=${nonsense}`,
      `to=D&part=${nonsense}`,
      `to=D&format=${nonsense}`,
    ]) {
      const refusal = await send(transpose, query, LANTERN);
      expect([refusal.status, (await refusal.text()).length < 1_000]).toEqual([400, true]);
    }
    const badValue = LANTERN.replace(/<step>[A-G]/, `<step>${nonsense}`);
    expect((await (await send(report, 'to=D', badValue)).text()).length).toBeLessThan(1_000);
  });

  it('an ABC key that is none is told, and what the piece is taken to be in', async () => {
    const { remarks, from } = await reportOn('to=D', 'X:1\nT:a\nL:1/4\nK:Hxx\nG A B G|A B c2|\n');
    expect(remarks.map(({ message }) => message)).toContain(
      'Line 4: Hxx is no key; the piece is taken to be in C major.',
    );
    expect(from).toMatchObject({ tonic: 'C', mode: 'major' });
    const later = await reportOn('to=D', 'X:1\nT:a\nL:1/4\nK:G\nG A B G|\nK:Qq foo\nA B c2|\n');
    expect(later.remarks.map(({ message }) => message)).toContain(
      'Line 6: Qq is no key; from there on the piece is taken to be in C major.',
    );
    const mode = await reportOn('to=D', 'X:1\nT:a\nL:1/4\nK:G foo\nG A B G|\n');
    expect(mode.remarks.map(({ message }) => message)).toContain(
      'Line 4, column 3: “foo” is not known here. It was left out.',
    );
  });

  it('too much at once, with the time to come again, and room again after that', async () => {
    let release = (): void => undefined;
    const held = new Promise<void>((resolve) => {
      release = resolve;
    });
    const most = new Uint8Array(9 * 1024 * 1024).fill(32);
    // The room holds seven of these; they are there, and do not end.
    const endless = (): ReadableStream =>
      new ReadableStream({
        start: (controller) => controller.enqueue(most),
        pull: async (controller) => {
          await held;
          controller.close();
        },
      });
    const waiting = Array.from({ length: 7 }, () => send(transpose, 'to=D', endless()));
    const refused = await send(transpose, 'to=D', most);
    expect([refused.status, refused.headers.get('retry-after')]).toEqual([503, '1']);
    release();
    expect((await Promise.all(waiting)).map(({ status }) => status)).toEqual(Array(7).fill(415));
    expect((await send(transpose, 'to=D', LANTERN)).status).toBe(200);
  });
});
