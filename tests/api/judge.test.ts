/** Judging as it was promised to other programs, through the route handler itself. */
import { describe, expect, it } from '@jest/globals';
import type { JudgeAnswer } from '@/api/judge';
import { judge } from '../support/handlers';
import { midiNumber, parsePitch, type Pitch } from '@/core/pitch';
import { PLAY_FAULT_KINDS } from '@/core/practice';
import { writePlayedFile } from '@/core/write';
import { bytesOf, musicXml } from '../support/build-piece';

const TUNE = musicXml({
  title: 'Gate and Garden',
  right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4q/5 F4q/4 E4q/3 D4q/2 | E4h/3 D4h/2 | C4w/1',
  left: 'C3w/5 | G3w/1 | C3h/5 G3h/1 | C3w/5',
  mode: 'major',
});

/** Keys as `D4@0`, in beats of 60 a minute. */
function played(text: string, firstBeat = 0): Uint8Array {
  return writePlayedFile(
    text.split(' ').map((word) => {
      const [name = '', at = '0'] = word.split('@');
      const downMs = (Number(at) + firstBeat) * 1000;
      return { midi: midiNumber(parsePitch(name) as Pitch), downMs, upMs: downMs + 800, velocity: 70 };
    }),
  );
}

const RIGHT_IN_D = 'D4@0 E4@1 F#4@2 G4@3 A4@4 G4@5 F#4@6 E4@7 F#4@8 E4@10 D4@12';

function sent(query: string, files: Readonly<Record<string, Uint8Array | string>>): Promise<Response> {
  const form = new FormData();
  for (const [name, content] of Object.entries(files))
    form.set(name, new File([content as BlobPart], name === 'piece' ? 'piece.musicxml' : 'played.mid'));
  return judge(new Request(`http://localhost/api/judge?${query}`, { method: 'POST', body: form }));
}

const answerOf = async (query: string, keys: string, firstBeat = 0): Promise<JudgeAnswer> =>
  (await sent(query, { piece: bytesOf(TUNE), played: played(keys, firstBeat) })).json() as Promise<JudgeAnswer>;

describe('POST /api/judge', () => {
  it('says that all was right, and how it was played', async () => {
    const answer = await answerOf('to=D&hand=right', RIGHT_IN_D);
    expect(answer).toMatchObject({ clean: true, written: 11, right: 11, faults: [], next: null });
    expect(answer.pulse).toEqual({ bpm: 60, steady: true, spreadMs: 0 });
    expect(answer.runs).toEqual([{ fromBar: '1', toBar: '4' }]);
    expect(answer.evenness).toEqual({ loudness: { right: 0, left: null }, balance: null });
  });

  it('names a fault as a teacher would, with its place, and what to do next', async () => {
    const answer = await answerOf('to=D&hand=right&bpm=60', RIGHT_IN_D.replaceAll('F#4', 'F4'));
    expect(answer.clean).toBe(false);
    expect(answer.faults).toEqual([
      {
        kind: 'forgot-signature',
        hand: 'right',
        bar: '1',
        beat: 3,
        note: answer.faults[0]?.note,
        notes: answer.faults[0]?.notes,
        written: 'F#4',
        played: 'F4',
        offMs: null,
        bars: '1',
        by: null,
        beats: null,
        message: 'Bar 1: F instead of F♯, three times: the signature has F♯.',
      },
    ]);
    expect(answer.faults[0]?.notes).toHaveLength(3);
    expect(answer.next).toEqual({
      bars: '1',
      hand: 'right',
      message: 'Bar 1, right hand alone, at 45: find F♯ with finger 3 before you start.',
    });
  });

  it('judges some bars, after a count, by their own number, as the caller calls things', async () => {
    const answer = await answerOf(
      'hand=right&bars=2-3&bpm=60&countIn=4&bar=measure',
      'G4@0 F4@1 E4@2 C4@3 E4@4 D4@6',
      4,
    );
    expect(answer.written).toBe(6);
    expect(answer.faults.map(({ kind, message }) => [kind, message])).toEqual([
      ['neighbour-key', 'Measure 2: C instead of D, the key beside it.'],
    ]);
    const late = await answerOf('hand=right&bars=2-3&bpm=60&countIn=4', 'G4@0 F4@1 E4@2 D4@3 E4@4 D4@6', 6);
    expect(late.faults.map(({ kind }) => kind)).toEqual(['late']);
  });

  it('tells of a left hand that was played though it was not asked for', async () => {
    const answer = await answerOf(
      'hand=right',
      'C4@0 C3@0.01 D4@1 E4@2 F4@3 G4@4 G3@4.01 F4@5 E4@6 D4@7 E4@8 C3@8.01 D4@10 G3@10.01 C4@12',
    );
    expect(answer.faults.map(({ kind, hand, message }) => [kind, hand, message])).toEqual([
      ['other-hand', 'left', 'The left hand was heard. It rests here.'],
    ]);
    expect(answer.next).toMatchObject({ hand: 'right', message: expect.stringContaining('right hand alone') });
    expect(answer.next?.message).toContain('let the other hand rest');
  });

  it('knows only the kinds that are promised', () => expect(PLAY_FAULT_KINDS).toHaveLength(21));

  it('tells a cause of a whole stretch once, with its bars and how far off it was', async () => {
    const octaveUp = RIGHT_IN_D.replaceAll(/[A-G]#?4/g, (name) => name.replace('4', '5'));
    const answer = await answerOf('to=D&hand=right', octaveUp);
    expect(answer).toMatchObject({ clean: false, written: 11, right: 11 });
    expect(answer.faults).toMatchObject([
      {
        ...{ kind: 'transposed', hand: 'right', bars: '1-4', by: 'P8', beats: null },
        message: 'From beginning to end, right hand: the right notes, an octave too high.',
      },
    ]);
    expect(answer.next?.message).toContain('find the first keys before you start');
  });

  it.each([
    ['hand=third', {}, 400, 'query.value'],
    ['bars=3-9', {}, 400, 'query.value'],
    ['bpm=fast', {}, 400, 'query.value'],
    ['strict=very', {}, 400, 'query.value'],
    ['', { played: undefined }, 400, 'query.file-missing'],
    ['', { piece: undefined }, 400, 'query.file-missing'],
    ['', { played: 'GIF89a' }, 415, 'read.unknown-format'],
    ['', { played: writePlayedFile([]) }, 422, 'read.no-notes'],
    ['', { played: played('C4@0').slice(0, 30) }, 422, 'read.midi-damaged'],
    ['', { piece: '<html/>' }, 415, 'read.unknown-format'],
  ] as const)('refuses %s %j', async (query, changed, status, code) => {
    const files = { piece: bytesOf(TUNE), played: played('C4@0'), ...changed };
    const there = Object.fromEntries(Object.entries(files).filter(([, content]) => content !== undefined));
    const response = await sent(query, there as Record<string, Uint8Array>);
    const { error } = (await response.json()) as { readonly error: { readonly code: string; readonly hint: string } };
    expect([response.status, error.code]).toEqual([status, code]);
    expect(error.hint).not.toBe('');
  });

  it('is not misled by a body that is no form', async () => {
    const response = await judge(new Request('http://localhost/api/judge', { method: 'POST', body: TUNE }));
    expect(response.status).toBe(400);
  });
});
