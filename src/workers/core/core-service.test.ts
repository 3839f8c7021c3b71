import { USUAL_PLAYER } from '@/core/fingering';
import { describe, expect, it } from '@jest/globals';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { bytesOf } from '../../../tests/support/build-piece';
import { USUAL_BENCH as USUAL } from '../../../tests/support/bench-options';
import { open } from '../../../tests/support/open';
import { createCoreService } from './core-service';
import type { BenchPageOptions } from '@/contract/core-questions';
import { ID_PREFIXES } from '@/core/paper';
import type { Answer } from '@/contract/answer';
import { USUAL_WORDING } from '@/core/explain';

const PAGE: BenchPageOptions = { view: 'both', columns: 30, labels: [], marks: [], tracks: 'shown' };
const source = (id: string, ownKey: string | null = null) => ({ musicXml: demoFile(id), ownKey, part: null });

function valueOf<T>(answer: Answer<T>): T {
  if (!answer.ok) throw new Error(answer.trouble.message);
  return answer.value;
}

describe('the core behind the worker’s door', () => {
  const service = createCoreService();

  it('brings in a piece and refuses what is none, in words and with the line', async () => {
    expect(
      valueOf(await service.bringIn(bytesOf(demoFile('echo-well')), USUAL_WORDING)).map(
        (piece) => valueOf(piece).title,
      ),
    ).toEqual(['Echo Well']);
    const [refused] = valueOf(await service.bringIn(bytesOf(demoFile('echo-well').slice(0, 2500)), USUAL_WORDING));
    expect(refused).toMatchObject({ ok: false, trouble: { code: 'read.cut-off', line: expect.any(Number) } });
  });

  it('brings in every tune of an ABC file, with what was doubtful', async () => {
    const file = 'X:1\nT:One\nL:1/4\nK:C\nC4 q|\n\nX:2\nT:Two\nL:1/4\nK:G\nG4|\n\nX:3\nT:Silence\nK:C\nz4|\n';
    const [one, two, silence] = valueOf(await service.bringIn(bytesOf(file), USUAL_WORDING));
    expect([one, two].map((piece) => piece?.ok && piece.value.title)).toEqual(['One', 'Two']);
    expect(one?.ok && one.value.remarks.map(({ message }) => message)).toEqual([expect.stringContaining('Line 5')]);
    expect(silence).toMatchObject({ ok: false, trouble: { code: 'read.no-notes' } });
  });

  it('answers with values that survive the way between workers', async () => {
    for (const { id } of DEMO_FILES) {
      const view = valueOf(await service.bench(source(id), { ...USUAL, to: 'Eb' }, PAGE));
      expect(structuredClone(view)).toEqual(view);
    }
  });

  it('keeps a piece in its own key where no key is asked for', async () => {
    const view = valueOf(await service.bench(source('fog-over-the-sluice'), USUAL, PAGE));
    expect([view.from, view.to, view.toText]).toEqual(['A minor', 'A minor', 'A-minor']);
  });

  it('pairs the moments of both versions one to one', async () => {
    for (const { id } of DEMO_FILES) {
      const { momentsBefore, momentsAfter } = valueOf(await service.bench(source(id), { ...USUAL, to: 'F#' }, PAGE));
      expect(
        momentsAfter.map(({ bar, beat, keys }) => [bar, beat, keys.map(({ noteId }) => noteId).toSorted()]),
      ).toEqual(momentsBefore.map(({ bar, beat, keys }) => [bar, beat, keys.map(({ noteId }) => noteId).toSorted()]));
    }
  });

  it('points its hand notes at notes of the engraved page', async () => {
    const view = valueOf(await service.bench(source('mill-wheel'), { ...USUAL, to: 'Eb' }, PAGE));
    expect(view.handNotes.length).toBeGreaterThan(0);
    for (const id of view.handNotes.flatMap(({ noteIds }) => noteIds)) {
      expect(view.page.musicXml).toContain(`id="${ID_PREFIXES.before}${id}"`);
      expect(view.page.musicXml).toContain(`id="${ID_PREFIXES.after}${id}"`);
    }
  });

  it('shows the new version alone when asked', async () => {
    const view = valueOf(
      await service.bench(source('lantern-walk'), { ...USUAL, to: 'D' }, { ...PAGE, view: 'after' }),
    );
    expect(view.page.musicXml).not.toContain(`id="${ID_PREFIXES.before}n1"`);
  });

  it('saves what it shows', async () => {
    const file = valueOf(await service.save(source('lantern-walk'), { ...USUAL, to: 'F' }, 'musicxml', {}, []));
    expect(file.name).toBe('lantern-walk-in-F.musicxml');
    expect(open(String(file.content)).key.key.tonic).toEqual({ step: 3, alter: 0 });
  });

  it('puts the teacher’s decisions into a piece file, and gives them back from it with whatever else is there', async () => {
    const beside = { part: 'P1', pupils: [{ name: 'Ilse' }] };
    const file = valueOf(await service.save(source('lantern-walk'), { ...USUAL, to: 'F' }, 'newthumb', beside, []));
    const [again] = valueOf(await service.bringIn(bytesOf(String(file.content)), USUAL_WORDING));
    expect(again?.ok && again.value).toMatchObject({ title: 'Lantern Walk', format: 'newthumb', beside });
  });

  it('reads the piece anew where the teacher overrules its key', async () => {
    expect(valueOf(await service.ladder(source('lantern-walk', 'A-minor'), USUAL, 'ease', null)).from).toMatchObject({
      tonic: 'A',
      mode: 'minor',
    });
    expect(valueOf(await service.ladder(source('lantern-walk'), USUAL, 'ease', null)).from).toMatchObject({
      tonic: 'C',
      mode: 'major',
    });
  });

  it('tells a card whether the hands stay put and what stands in the way', async () => {
    const card = valueOf(await service.shelf(source('cat-on-the-landing'), 'card-', USUAL_WORDING));
    expect(card).toMatchObject({
      title: 'Cat on the Landing',
      key: 'C major',
      meter: '4/4',
      bars: 8,
      blackFingers: { right: [4], left: [] },
    });
    expect(card.handNotes.map(({ title }) => title)).toContain('Finger 4 serves F♯ and F');
    expect(card.opening.musicXml.match(/<measure /g)).toHaveLength(3);
  });

  it.each<readonly [string, () => Promise<unknown>]>([
    ['an octave too far', () => service.bench(source('lantern-walk'), { ...USUAL, octaveRight: 9 }, PAGE)],
    ['a mode that is none', () => service.ladder(source('lantern-walk'), USUAL, 'ease', 'blue' as 'major')],
    ['an order that is none', () => service.ladder(source('lantern-walk'), USUAL, 'size' as 'ease', null)],
    ['a format that is none', () => service.save(source('lantern-walk'), USUAL, 'docx' as 'abc', {}, [])],
    ['no object beside the music', () => service.save(source('lantern-walk'), USUAL, 'abc', null as never, [])],
    ['a note without a name', () => service.choices(source('lantern-walk'), USUAL, '')],
    ['a school that is none', () => service.atlasCard('C-major', 'best' as 'interval', USUAL_PLAYER)],
    ['a piece that is none', () => service.shelf({ musicXml: 7 } as never, 'card-', USUAL_WORDING)],
    ['no bytes', () => service.bringIn('score' as never, USUAL_WORDING)],
  ])('answers a question that no screen of ours asks with a refusal, never by throwing: %s', async (_, ask) => {
    expect(await ask()).toMatchObject({
      ok: false,
      trouble: { code: 'worker.question', hint: expect.stringContaining('Reload') },
    });
  });

  it('tells how far the keys are, answers other questions between them, and stops when asked', async () => {
    const service = createCoreService();
    const told: number[] = [];
    const whole = service.ladder(source('lantern-walk'), USUAL, 'ease', null, 'one', (done) => told.push(done));
    expect(valueOf(await service.bench(source('lantern-walk'), { ...USUAL, to: 'D-major' }, PAGE)).to).toBe('D major');
    expect(valueOf(await whole).keys).toHaveLength(15);
    expect(told).toEqual(Array.from({ length: 15 }, (_, i) => i + 1));

    const seen: number[] = [];
    const stopped = await service.ladder(source('lantern-walk'), USUAL, 'ease', null, 'two', (done) => {
      seen.push(done);
      if (done === 3) service.stop('two');
    });
    expect([seen, stopped]).toMatchObject([[1, 2, 3], { ok: false, trouble: { code: 'job.stopped' } }]);
  });
});
