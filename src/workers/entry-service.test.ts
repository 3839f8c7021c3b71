import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../tests/support/build-piece';
import type { KeptChange } from '@/core/edit';
import type { EntryService, EntryToKeep, ScreenCommand } from './entry-protocol';
import { createEntryService } from './entry-service';

const PAGE = { columns: 24, prefix: 'after-' };
const OWN = musicXml({ title: 'Own', right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5', left: 'C3w/5 | C3w/5' });

function opened(musicXmlText = OWN, kept: readonly KeptChange[] = [], edition: string | null = null): EntryService {
  const service = createEntryService();
  const answer = service.open({ musicXml: musicXmlText, part: null, edition }, kept, PAGE);
  if (!answer.ok) throw new Error(answer.trouble.message);
  return service;
}

const finger = (digit: number): ScreenCommand => ({ kind: 'finger', finger: digit as 1, row: 'beat' });

/** What a browser would have kept after these. */
function keeping(service: EntryService, commands: readonly ScreenCommand[]): { readonly musicXml: string; readonly edition: string; readonly steps: readonly KeptChange[] } {
  const steps = new Map<number, KeptChange>();
  let last: EntryToKeep | null = null;
  commands.forEach((command, i) => {
    const { keep } = service.press(command, 1000 + i);
    keep?.changed.forEach((change) => steps.set(change.number, change));
    last = keep ?? last;
  });
  const { musicXml: text, edition, count } = last as unknown as EntryToKeep;
  return { musicXml: text, edition, steps: [...steps.values()].filter(({ number }) => number < count) };
}

describe('createEntryService', () => {
  it('makes a new piece of a few letters, or says what they should be', () => {
    const service = createEntryService();
    expect(service.create({ title: 'Rain & Sun', opening: 'bb 3/4' })).toMatchObject({ ok: true, value: expect.stringContaining('Rain &amp; Sun') });
    expect(service.create({ title: '', opening: 'h' })).toMatchObject({ ok: false, trouble: { message: '“h” is not a key and a time.' } });
  });

  it('gives with every key press what is to be kept: the piece, and the one step', () => {
    const { keep, sounds, view } = opened().press(finger(3), 5);
    expect(keep).toMatchObject({ count: 1, edition: '1/5', changed: [{ number: 0, state: 'done' }] });
    expect(keep?.musicXml).toContain('<work-title>Own</work-title>');
    expect(sounds).toEqual([64]);
    expect(view.done).toEqual(['E4 with 3, right hand, bar 1']);
  });

  it('has nothing to keep where nothing changed', () => {
    const service = opened();
    expect(service.press({ kind: 'walk', by: 1, to: 'entry' }, 0).keep).toBeNull();
    expect(service.press({ kind: 'undo' }, 0)).toMatchObject({ keep: null, notice: 'Everything done to this piece is taken back already.' });
  });

  it('goes on with the history that was kept: undone to the first, redone to the last', () => {
    const kept = keeping(opened(), [finger(3), finger(4), { kind: 'undo' }]);
    expect(kept.steps.map(({ state }) => state)).toEqual(['done', 'undone']);
    const again = opened(kept.musicXml, kept.steps, kept.edition);
    expect(again.press({ kind: 'redo' }, 0).view.done).toHaveLength(2);
    again.press({ kind: 'undo' }, 0);
    const first = again.press({ kind: 'undo' }, 0);
    expect(first.view.done).toEqual([]);
    expect(first.keep?.musicXml.replace(/ id="[^"]*"/g, '')).toContain('<step>D</step>');
  });

  it('begins a history of its own where the piece is another one than was kept', () => {
    const kept = keeping(opened(), [finger(3)]);
    expect(opened(OWN, kept.steps, null).press({ kind: 'undo' }, 0).notice).not.toBeNull();
    const damaged = kept.steps.map((step) => ({ ...step, change: step.change.slice(0, 40) }));
    expect(opened(kept.musicXml, damaged, kept.edition).press({ kind: 'undo' }, 0).notice).not.toBeNull();
  });

  it('takes what was copied along into another piece', () => {
    const service = opened();
    service.press({ kind: 'select', what: 'bar' }, 0);
    service.press({ kind: 'copy' }, 0);
    service.open({ musicXml: OWN.replace('Own', 'Other'), part: null, edition: null }, [], PAGE);
    service.press({ kind: 'walk', by: 1, to: 'end' }, 0);
    expect(service.press({ kind: 'paste' }, 0).view).toMatchObject({ title: 'Other', bars: 3, notes: 11 });
  });

  it('reads ABC as it is written, each time in place of what it brought in before', () => {
    const service = opened();
    expect(service.abc('G A', 0)).toMatchObject({ trouble: null, pressed: { view: { done: ['ABC from bar 1'] } } });
    const wrong = service.abc('G A\nB q c', 1);
    expect(wrong.trouble).toMatchObject({ line: 2, message: expect.stringContaining('Line 2, place 3') });
    expect(wrong.pressed.view.done).toEqual(['ABC from bar 1']);
    expect(service.abc('', 2).pressed.view.done).toEqual([]);
  });

  it('sets a line out anew only when something in it changed', () => {
    const long = musicXml({ right: Array.from({ length: 12 }, () => 'C4q/1 D4q/2 E4q/3 F4q/4').join(' | '), left: Array.from({ length: 12 }, () => 'C3w/5').join(' | ') });
    const service = opened(long);
    const before = service.setOut(PAGE).systems.map(({ page }) => page.musicXml);
    const after = service.press(finger(5), 0).view.systems.map(({ page }) => page.musicXml);
    expect(before.length).toBeGreaterThan(2);
    expect(after[0]).not.toBe(before[0]);
    expect(after.slice(1)).toEqual(before.slice(1));
  });

  it('refuses what no screen of ours sends', () => {
    expect(() => opened().press({ kind: 'finger', finger: 9, row: 'beat' } as unknown as ScreenCommand, 0)).toThrow();
    expect(() => opened().press({ kind: 'explode' } as unknown as ScreenCommand, 0)).toThrow();
  });
});
