import { describe, expect, it } from '@jest/globals';
import { USUAL_PLAYER } from '@/core/fingering';
import { ladderOf } from '@/core/views';
import { demoFile } from '../../../tests/support/demo-pieces';
import { USUAL_BENCH as USUAL } from '../../../tests/support/bench-options';
import { open, USUAL as CORE_USUAL } from '../../../tests/support/open';
import { createCoreService } from './core-service';
import { createFitService } from '../fit/fit-service';
import type { SurveyKey } from '@/contract/core-questions';
import type { Answer } from '@/contract/answer';
import { SAYS } from '../../../tests/support/usual-words';
import { USUAL_WORDING } from '@/core/explain';

const source = (id: string) => ({ musicXml: demoFile(id), ownKey: null, part: null });

function valueOf<T>(answer: Answer<T>): T {
  if (!answer.ok) throw new Error(answer.trouble.message);
  return answer.value;
}

describe('the survey behind the worker’s door', () => {
  const service = createCoreService();
  const survey = async (id: string, modes: Parameters<typeof service.survey>[2]): Promise<readonly SurveyKey[]> => {
    const keys: SurveyKey[] = [];
    valueOf(
      await service.survey(
        source(id),
        USUAL,
        modes,
        `t${Math.max(0, keys.length)}`,
        (key) => void keys.push(key as SurveyKey),
      ),
    );
    return keys;
  };

  it('tells the piece’s own key first, then its neighbours, and says the same as the ladder', async () => {
    const keys = await survey('slow-ferris', ['own']);
    expect(keys.slice(0, 4).map(({ name, isOwn }) => [name, isOwn])).toEqual([
      ['G-major', true],
      ['D-major', false],
      ['C-major', false],
      ['A-major', false],
    ]);
    const ladder = ladderOf(
      SAYS,
      open(demoFile('slow-ferris')),
      { ...CORE_USUAL, fingering: 'plan' },
      { order: 'ease' },
    ).keys;
    for (const key of keys)
      expect(ladder.find(({ tonic }) => tonic === key.tonic)).toMatchObject({
        effort: key.effort,
        why: key.why,
        flags: key.flags,
        reading: key.reading,
      });
    expect(structuredClone(keys)).toEqual(keys);
  });

  it('has the parallel mode and church modes on request', async () => {
    const keys = await survey('lantern-walk', ['own', 'parallel', 'dorian']);
    expect(keys.map(({ mode }) => mode).filter((mode, i, all) => mode !== all[i - 1])).toEqual([
      'major',
      'minor',
      'dorian',
    ]);
    expect(keys).toHaveLength(45);
    expect(keys.find(({ name }) => name === 'C-minor')).toMatchObject({ words: 'C minor', reading: { signs: -3 } });
  });

  it('ends early where it is stopped', async () => {
    const keys: SurveyKey[] = [];
    const answer = await service.survey(source('lantern-walk'), USUAL, ['own'], 'stop me', (key) => {
      keys.push(key as SurveyKey);
      if (keys.length === 3) void service.stop('stop me');
    });
    expect(answer).toMatchObject({ ok: false, trouble: { code: 'job.stopped' } });
    expect(keys).toHaveLength(3);
  });

  it('puts keys side by side, makes cards, drills and notes to look at', async () => {
    expect(
      valueOf(await service.sideBySide(source('lantern-walk'), USUAL, ['C-major', 'D-major']))[0]?.cells,
    ).toHaveLength(2);
    expect(valueOf(await service.atlasCard('Eb-major', 'interval', USUAL_PLAYER)).lines).toHaveLength(12);
    expect(
      valueOf(
        await service.drill(
          { kind: 'skips', keys: ['D-major'], rhythm: 'eighths', hands: 'left', wording: USUAL_WORDING },
          60,
        ),
      ).title,
    ).toBe('Skips in D major');
    const notes = valueOf(
      await service.notes('C-major', [
        { step: 0, alter: 0, octave: 4 },
        { step: 3, alter: 0, octave: 3 },
      ]),
    ).page.musicXml;
    expect(notes.match(/<pitch>/g)).toHaveLength(2);
    expect(notes).toMatch(/<note[^>]*print-object="no"[^>]*>\s*<rest/);
    expect(valueOf(await service.notes('Eb-major', [])).page.musicXml).toContain('<fifths>-3</fifths>');
  });

  it.each([
    ['no key', () => service.sideBySide(source('lantern-walk'), USUAL, [])],
    ['a key that is none', () => service.atlasCard('H-major', 'interval', USUAL_PLAYER)],
    [
      'a drill of no kind',
      () =>
        service.drill(
          { kind: 'chess' as 'skips', keys: ['D-major'], rhythm: 'eighths', hands: 'left', wording: USUAL_WORDING },
          60,
        ),
    ],
    [
      'a mode that is none',
      () =>
        service.partner(
          source('lantern-walk'),
          { voice: 'right', comfortable: { low: 60, high: 72 }, partner: 'concert' },
          'blue' as 'major',
        ),
    ],
  ])('does not let in %s', async (_, ask) => {
    expect(await ask()).toMatchObject({ ok: false });
  });

  it('remembers nothing of work that is over, so that a ticket may be used again', async () => {
    await service.stop('again');
    expect(await survey('two-boats', ['own'])).toHaveLength(15);
    expect(await service.survey(source('two-boats'), USUAL, ['own'], 'again', () => undefined)).toMatchObject({
      ok: true,
    });
  });
});

describe('a worker of the pool', () => {
  it('answers for a piece in fifteen keys, and in words where it is none', async () => {
    const service = createFitService();
    const fit = valueOf(await service.fit('a', source('two-boats'), USUAL_PLAYER));
    expect([fit.piece, fit.title, fit.keys.length]).toEqual(['a', 'Two Boats, One Mooring', 15]);
    expect(
      await service.fit('b', { musicXml: '<score-partwise>', ownKey: null, part: null }, USUAL_PLAYER),
    ).toMatchObject({ ok: false, trouble: { message: expect.any(String), hint: expect.any(String) } });
  });
});
