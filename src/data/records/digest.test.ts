import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { STEP_WAYS } from '@/core/homework';
import { PLAY_FAULT_KINDS } from '@/core/practice';
import { briefOf, type RunFact } from '@/core/teaching';
import { aFact } from '../../../tests/support/run-facts';
import { aRun, does, emptyStudio, newPiece, newPupil, turns } from '../../../tests/support/studio';
import type { StudioDatabase } from '../database';
import { briefsOf, factsOf, keepDigests } from '../reading';
import { briefIn, briefRecordOf, digestOf, factOf, factsIn } from './digest';

const anyFact: fc.Arbitrary<RunFact> = fc.record({
  id: fc.string(),
  atMs: fc.nat(),
  tookMs: fc.nat(),
  piece: fc.string(),
  title: fc.string(),
  key: fc.constantFrom('C-major', 'F#-minor'),
  music: fc.constantFrom('piece', 'warm-up'),
  stage: fc.option(fc.string()),
  reach: fc.constantFrom('whole', 'bars'),
  hand: fc.constantFrom('both', 'right', 'left'),
  way: fc.constantFrom(...STEP_WAYS),
  tempo: fc.integer({ min: 20, max: 200 }),
  outcome: fc.constantFrom('clean', 'unclean', 'ticked'),
  step: fc.option(fc.string()),
  faults: fc.array(
    fc.record({
      kind: fc.constantFrom(...PLAY_FAULT_KINDS),
      bar: fc.string(),
      hand: fc.constantFrom('right', 'left', null),
    }),
  ),
});

describe('runs in short', () => {
  it('come out of a digest as they went in, whatever they are', () => {
    fc.assert(
      fc.property(fc.array(anyFact), (facts) => {
        expect(factsIn(digestOf('ada', facts))).toEqual(facts);
        expect(briefIn(briefRecordOf('ada', facts))).toEqual(briefOf(facts));
      }),
    );
  });

  it('are read as they were written, whatever has been put into the lists of the core since', () => {
    const runs =
      '[["r",5,9000,"tune","Tune","D-major","piece",null,"bars","left","along",60,"unclean",null,[["missing","2",null],["finger-off","3","left"]]]]';
    expect(factsIn({ pupil: 'ada', form: 2, runs })).toEqual([
      aFact({
        ...{
          id: 'r',
          atMs: 5,
          tookMs: 9000,
          piece: 'tune',
          title: 'Tune',
          key: 'D-major',
          music: 'piece',
          stage: null,
        },
        ...{ reach: 'bars', hand: 'left', way: 'along', tempo: 60, outcome: 'unclean', step: null },
        faults: [
          { kind: 'missing', bar: '2', hand: null },
          { kind: 'finger-off', bar: '3', hand: 'left' },
        ],
      }),
    ]);
  });

  it('tell of a run what the lists and pictures show', () => {
    const run = { ...aRun('r', 'tune', 5), form: 5, pupil: 'ada', bars: { from: 0, to: 1 } };
    expect(factOf(run)).toMatchObject({
      ...{ id: 'r', piece: 'tune', key: 'D-major', reach: 'bars', outcome: 'unclean', tempo: 60 },
      faults: [{ kind: 'missing', bar: '2', hand: null }],
    });
    expect(factOf({ ...run, bars: null }).reach).toBe('whole');
  });

  const digest = digestOf('ada', [aFact()]);
  const brief = briefRecordOf('ada', [aFact()]);
  it.each([
    ['nothing', undefined, undefined],
    ['the form that had places in lists', { ...digest, form: 1 }, { ...brief, form: 1 }],
    ['another form', { ...digest, form: 99 }, { ...brief, form: 99 }],
    ['a text that was cut off', { ...digest, runs: digest.runs.slice(0, -3) }, { ...brief, brief: '{"rec' }],
    ['something else', { ...digest, runs: '{"a":1}' }, { ...brief, brief: '[1]' }],
    ['rows of another length', { ...digest, runs: '[["run",1,2]]' }, { ...brief, brief: '{"recorded":[]}' }],
  ])('are read anew from the record where the digest holds %s', (_, keptDigest, keptBrief) => {
    expect([factsIn(keptDigest), briefIn(keptBrief)]).toEqual([null, null]);
  });
});

describe('the digests of a studio', () => {
  let studio: StudioDatabase;
  beforeEach(async () => {
    studio = emptyStudio();
    await does(studio, { kind: 'piece.add', pieces: [newPiece('tune')] });
    for (const id of ['ada', 'ben']) {
      await does(studio, { kind: 'pupil.add', pupil: newPupil(id) });
      await plays(id, `${id}-1`);
    }
    await keepDigests(studio, ['ada', 'ben', 'nobody']);
  });
  afterEach(() => studio.delete());

  const plays = (pupil: string | null, id: string) =>
    does(studio, { kind: 'note.run', run: { ...aRun(id, 'tune', 9), pupil } });
  const runsIn = async (pupil: string): Promise<readonly string[]> =>
    (await factsOf(studio, [pupil])).byPupil.get(pupil)?.map(({ id }) => id) ?? [];
  const missing = async (...pupils: string[]): Promise<readonly (readonly string[])[]> => [
    (await factsOf(studio, pupils)).missing,
    (await briefsOf(studio, pupils)).missing,
  ];

  it('are kept for whoever played, and for nobody else', async () => {
    expect(await missing('ada', 'ben', 'nobody')).toEqual([['nobody'], ['nobody']]);
    expect(await runsIn('nobody')).toEqual([]);
  });

  it('know of a new run at once, without being made anew', async () => {
    await plays('ada', 'ada-2');
    expect(await missing('ada', 'ben')).toEqual([[], []]);
    expect(await runsIn('ada')).toEqual(['ada-1', 'ada-2']);
    const { byPupil } = await briefsOf(studio, ['ada']);
    expect(byPupil.get('ada')).toEqual(briefOf((await factsOf(studio, ['ada'])).byPupil.get('ada') ?? []));
  });

  it('of a pupil whose runs go are made anew, and those of others stay', async () => {
    await plays('ada', 'ada-2');
    await does(studio, { kind: 'run.remove', ids: ['ada-1'] });
    expect(await missing('ada', 'ben')).toEqual([['ada'], ['ada']]);
    expect(await runsIn('ada')).toEqual(['ada-2']);
    await keepDigests(studio, ['ada']);
    expect(await missing('ada')).toEqual([[], []]);
    await turns(studio, 'undo');
    expect((await runsIn('ada')).toSorted()).toEqual(['ada-1', 'ada-2']);
  });

  it('of a pupil who goes and comes back say what they said', async () => {
    await does(studio, { kind: 'pupil.remove', id: 'ada' });
    expect(await runsIn('ada')).toEqual([]);
    await turns(studio, 'undo');
    expect(await runsIn('ada')).toEqual(['ada-1']);
  });

  it('never hold a run of any hand, or of another pupil', async () => {
    await plays(null, 'any');
    await plays('ben', 'ben-2');
    expect([await runsIn('ada'), await runsIn('ben')]).toEqual([['ada-1'], ['ben-1', 'ben-2']]);
  });
});
