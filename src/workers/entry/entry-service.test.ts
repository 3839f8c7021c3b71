import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import type { KeptChange } from '@/core/edit';
import type { EntryService, EntryToKeep, Pressed, ScreenCommand } from '@/contract/entry-questions';
import { createEntryService } from './entry-service';
import type { Asked } from '@/crossing/guarded';
import type { Answer } from '@/contract/answer';
import { USUAL_WORDING } from '@/core/explain';

const PAGE = { columns: 24, prefix: 'after-', wording: USUAL_WORDING };
const OWN = musicXml({ title: 'Own', right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5', left: 'C3w/5 | C3w/5' });

type Service = Asked<EntryService>;

function valueOf<T>(answer: Answer<T>): T {
  if (!answer.ok) throw new Error(answer.trouble.message);
  return answer.value;
}

async function opened(musicXmlText = OWN, kept: readonly KeptChange[] = []): Promise<Service> {
  const service = createEntryService();
  valueOf(await service.open({ musicXml: musicXmlText, part: null }, kept, PAGE, null));
  return service;
}

const pressing = async (service: Service, command: ScreenCommand, atMs = 0): Promise<Pressed> =>
  valueOf(await service.press(command, atMs));

const finger = (digit: number): ScreenCommand => ({ kind: 'finger', finger: digit as 1, row: 'beat' });

/** What a browser would have kept after these. */
async function keeping(
  service: Service,
  commands: readonly ScreenCommand[],
): Promise<{ readonly musicXml: string; readonly state: string | null; readonly steps: readonly KeptChange[] }> {
  const steps = new Map<number, KeptChange>();
  let last: EntryToKeep | null = null;
  for (const [i, command] of commands.entries()) {
    const { keep } = await pressing(service, command, 1000 + i);
    keep?.changed.forEach(({ number, state, change }) => steps.set(number, { number, state, change }));
    last = keep ?? last;
  }
  const { musicXml: text, state, count } = last as unknown as EntryToKeep;
  return { musicXml: text, state, steps: [...steps.values()].filter(({ number }) => number < count) };
}

describe('createEntryService', () => {
  it('makes a new piece of a few letters, or says what they should be', async () => {
    const service = createEntryService();
    expect(await service.create({ title: 'Rain & Sun', opening: 'bb 3/4', wording: USUAL_WORDING })).toMatchObject({
      ok: true,
      value: expect.stringContaining('Rain &amp; Sun'),
    });
    expect(await service.create({ title: '', opening: 'h', wording: USUAL_WORDING })).toMatchObject({
      ok: false,
      trouble: { message: '“h” is not a key and a time.' },
    });
  });

  it('gives with every key press what is to be kept: the piece, and the one step', async () => {
    const { keep, sounds, view } = await pressing(await opened(), finger(3), 5);
    expect(keep).toMatchObject({
      count: 1,
      state: '1/5',
      changed: [{ number: 0, state: 'done', words: 'E4 with 3, right hand, bar 1' }],
    });
    expect(keep?.musicXml).toContain('<work-title>Own</work-title>');
    expect(sounds).toEqual([64]);
    expect(view.done).toEqual(['E4 with 3, right hand, bar 1']);
  });

  it('has nothing to keep where nothing changed', async () => {
    const service = await opened();
    expect((await pressing(service, { kind: 'walk', by: 1, to: 'entry' })).keep).toBeNull();
    expect(await pressing(service, { kind: 'undo' })).toMatchObject({
      keep: null,
      notice: 'Everything done to this piece is taken back already.',
    });
  });

  it('goes on with the history that was kept: undone to the first, redone to the last', async () => {
    const kept = await keeping(await opened(), [finger(3), finger(4), { kind: 'undo' }]);
    expect(kept.steps.map(({ state }) => state)).toEqual(['done', 'undone']);
    const again = await opened(kept.musicXml, kept.steps);
    expect((await pressing(again, { kind: 'redo' })).view.done).toHaveLength(2);
    await pressing(again, { kind: 'undo' });
    const first = await pressing(again, { kind: 'undo' });
    expect(first.keep?.state).toBeNull();
    expect(first.view.done).toEqual([]);
    expect(first.keep?.musicXml.replace(/ id="[^"]*"/g, '')).toContain('<step>D</step>');
  });

  it('begins a history of its own where the kept one is damaged', async () => {
    const kept = await keeping(await opened(), [finger(3)]);
    const damaged = kept.steps.map((step) => ({ ...step, change: step.change.slice(0, 40) }));
    expect((await pressing(await opened(kept.musicXml, damaged), { kind: 'undo' })).notice).not.toBeNull();
  });

  it('turns the last step of a piece that is not open, and leaves the open one alone', async () => {
    const kept = await keeping(await opened(), [finger(3), finger(4)]);
    const service = await opened(OWN.replace('Own', 'Other'));
    const back = valueOf(
      await service.undoOrRedoKept({ musicXml: kept.musicXml, part: null }, kept.steps, 'undo', USUAL_WORDING),
    );
    expect(back).toMatchObject({
      state: '1/1000',
      count: 2,
      changed: [{ number: 1, state: 'undone', words: expect.stringContaining('bar 1') }],
    });
    const steps = kept.steps
      .map((step) => back?.changed.find(({ number }) => number === step.number) ?? step)
      .map(({ number, state, change }) => ({ number, state, change }));
    const forth = valueOf(
      await service.undoOrRedoKept({ musicXml: back?.musicXml ?? '', part: null }, steps, 'redo', USUAL_WORDING),
    );
    expect(forth).toMatchObject({ state: kept.state, musicXml: kept.musicXml });
    expect((await pressing(service, finger(1))).view.title).toBe('Other');
    expect(valueOf(await service.undoOrRedoKept({ musicXml: OWN, part: null }, [], 'undo', USUAL_WORDING))).toBeNull();
  });

  it('takes what was copied along into another piece', async () => {
    const service = await opened();
    await pressing(service, { kind: 'select', what: 'bar' });
    await pressing(service, { kind: 'copy' });
    await service.open({ musicXml: OWN.replace('Own', 'Other'), part: null }, [], PAGE, null);
    await pressing(service, { kind: 'walk', by: 1, to: 'end' });
    expect((await pressing(service, { kind: 'paste' })).view).toMatchObject({ title: 'Other', bars: 3, notes: 11 });
  });

  it('reads ABC as it is written, each time in place of what it brought in before', async () => {
    const service = await opened();
    expect(valueOf(await service.abc('G A', 0))).toMatchObject({
      trouble: null,
      pressed: { view: { done: ['ABC from bar 1'] } },
    });
    const wrong = valueOf(await service.abc('G A\nB q c', 1));
    expect(wrong.trouble).toMatchObject({ line: 2, message: expect.stringContaining('Line 2, place 3') });
    expect(wrong.pressed.view.done).toEqual(['ABC from bar 1']);
    expect(valueOf(await service.abc('', 2)).pressed.view.done).toEqual([]);
  });

  it('sets a line out anew only when something in it changed', async () => {
    const long = musicXml({
      right: Array.from({ length: 12 }, () => 'C4q/1 D4q/2 E4q/3 F4q/4').join(' | '),
      left: Array.from({ length: 12 }, () => 'C3w/5').join(' | '),
    });
    const service = await opened(long);
    const before = valueOf(await service.setOut(PAGE)).systems.map(({ page }) => page.musicXml);
    const after = (await pressing(service, finger(5))).view.systems.map(({ page }) => page.musicXml);
    expect(before.length).toBeGreaterThan(2);
    expect(after[0]).not.toBe(before[0]);
    expect(after.slice(1)).toEqual(before.slice(1));
  });

  it('answers with a refusal what no screen of ours sends, and a key press without a piece', async () => {
    const service = await opened();
    expect(
      await service.press({ kind: 'finger', finger: 9, row: 'beat' } as unknown as ScreenCommand, 0),
    ).toMatchObject({ ok: false, trouble: { code: 'worker.question' } });
    expect(await service.press({ kind: 'explode' } as unknown as ScreenCommand, 0)).toMatchObject({
      ok: false,
      trouble: { code: 'worker.question' },
    });
    expect(await createEntryService().press(finger(1), 0)).toMatchObject({
      ok: false,
      trouble: { code: 'entry.closed' },
    });
  });
});
