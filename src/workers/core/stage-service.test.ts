import { describe, expect, it } from '@jest/globals';
import { USUAL_BENCH as USUAL } from '../../../tests/support/bench-options';
import { demoFile } from '../../../tests/support/demo-pieces';
import { open } from '../../../tests/support/open';
import { USUAL_LANGUAGE } from '@/core/explain';
import { NO_HABIT, NO_SET, type OwnStage } from '@/core/stages';
import type { StagesKept } from '@/core/views';
import { createCoreService } from './core-service';
import type { BenchPageOptions, StageRowView } from '@/contract/core-questions';
import type { PieceSource } from '@/contract/piece-asked';
import type { Answer } from '@/contract/answer';

const PAGE: BenchPageOptions = { view: 'both', columns: 30, labels: [], marks: [], tracks: 'shown' };
const KEPT: StagesKept = { set: NO_SET, habit: NO_HABIT, own: [], fingers: [] };
const service = createCoreService();
const source = (id: string, stage: PieceSource['stage'] = null): PieceSource => ({
  musicXml: demoFile(id),
  ownKey: null,
  part: null,
  stage,
});
const named = (id: string) => ({ id, own: null, fingers: [] });

function valueOf<T>(answer: Answer<T>): T {
  if (!answer.ok) throw new Error(answer.trouble.message);
  return answer.value;
}

describe('a stage behind the worker’s door', () => {
  it('is shown where the piece stands and in the other key, bar under bar', async () => {
    const view = valueOf(await service.bench(source('mill-wheel', named('beats')), { ...USUAL, to: 'D' }, PAGE));
    expect([view.from, view.to]).toEqual(['F major', 'D major']);
    expect(view.momentsAfter.map(({ keys }) => keys.map(({ finger }) => finger).join())).toEqual(
      view.momentsAfter.map(() => '5'),
    );
    expect(view.momentsBefore).toHaveLength(view.momentsAfter.length);
  });

  it('that the piece has not in this key is the whole piece', async () => {
    const whole = valueOf(await service.bench(source('lantern-walk'), USUAL, PAGE));
    expect(valueOf(await service.bench(source('lantern-walk', named('blocked')), USUAL, PAGE)).page).toEqual(
      whole.page,
    );
  });

  it('has the fingers that were put into it, in the keys for which they were', async () => {
    const first = open(demoFile('mill-wheel')).notes.find(({ hand }) => hand === 'right')?.id ?? '';
    const fingered = { ...named('right-alone'), fingers: [{ key: 'D-major', note: first, finger: 5 as const }] };
    const fingerIn = async (to: string) =>
      valueOf(await service.bench(source('mill-wheel', fingered), { ...USUAL, to }, PAGE)).momentsAfter[0]?.keys[0]
        ?.finger;
    expect([await fingerIn('D'), await fingerIn('G')]).toEqual([5, 3]);
  });

  it('tapped on the lid has nothing that hands must know about keys', async () => {
    const view = valueOf(await service.bench(source('mill-wheel', named('tapping')), { ...USUAL, to: 'Db' }, PAGE));
    expect([view.handNotes, view.positions, view.summary]).toEqual([[], [], USUAL_LANGUAGE.tappingWords()]);
  });

  it('shows what is left out without its fingers', async () => {
    const { notes } = open(demoFile('mill-wheel'));
    const faint = notes.filter(({ hand }) => hand === 'left').map(({ id }) => id);
    const page = async (of: BenchPageOptions) =>
      valueOf(await service.bench(source('mill-wheel'), USUAL, of)).page.musicXml;
    const count = (xml: string): number => xml.match(/<fingering/g)?.length ?? 0;
    const fingered = notes.filter(({ finger, hand }) => finger !== null && hand === 'left').length;
    expect(count(await page(PAGE)) - count(await page({ ...PAGE, faint }))).toBe(2 * fingered);
  });

  it('is saved under its name, and as a piece of its own under a title', async () => {
    const saved = valueOf(
      await service.save(source('mill-wheel', named('blocked')), { ...USUAL, to: 'D' }, 'abc', {}, []),
    );
    expect(saved.name).toBe('mill-wheel-blocked-in-D.abc');
    const piece = open(
      valueOf(await service.stageAsPiece(source('mill-wheel', named('blocked')), USUAL, 'Mill Wheel: struck')),
    );
    expect(piece.score.title).toBe('Mill Wheel: struck');
  });

  it('of the teacher’s own is looked for by its bars; bars that are none are refused in words', async () => {
    const bars = await service.namedBars(source('mill-wheel'), USUAL, '2-3, 7');
    expect(valueOf(bars)?.map(({ bar }) => bar)).toEqual(['2', '3', '7']);
    expect(valueOf(await service.namedBars(source('mill-wheel'), USUAL, ''))).toBeNull();
    const refused = await service.namedBars(source('mill-wheel'), USUAL, '7-30');
    expect(refused).toMatchObject({ ok: false, trouble: { hint: expect.stringContaining('1 to 8') as unknown } });
  });
});

describe('the table of stages and keys', () => {
  const OWN: OwnStage = { id: 'mine', title: 'The wall', words: '', hand: 'left', bars: null, easings: ['roots'] };
  const asked = async (ticket: string, onRow: (row: StageRowView) => void) =>
    service.stageTable(
      source('market-chords'),
      { ...USUAL, to: 'D-major' },
      { ...KEPT, own: [OWN] },
      { known: ['C-major'] },
      ticket,
      onRow,
    );

  it('comes stage by stage, the teacher’s own too, and ends with the way', async () => {
    const rows: StageRowView[] = [];
    const { own, keys, way } = valueOf(await asked('a', (row) => rows.push(row)));
    expect(rows.map(({ title }) => title)).toContain('The wall');
    expect(rows.every((row) => row.keys.map(({ key }) => key).join() === keys.join())).toBe(true);
    expect([own, keys.length]).toEqual(['C-major', 15]);
    expect(way?.at(-1)).toMatchObject({ stage: 'whole', key: 'D-major', keyWords: 'D major' });
  });

  it('can be stopped between two stages', async () => {
    const rows: StageRowView[] = [];
    const answer = asked('b', (row) => {
      rows.push(row);
      void service.stop('b');
    });
    expect(await answer).toMatchObject({ ok: false, trouble: { code: 'job.stopped' } });
    expect(rows).toHaveLength(1);
  });
});
