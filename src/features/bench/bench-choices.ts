import { keyPrint, parseKey } from '@/core/pitch';
import { LABEL_NAMES } from '@/core/explain';
import { LABEL_KINDS, type LabelKind } from '@/core/annotate';
import type { FileFormat } from '@/core/base';
import type { BenchView } from '@/core/views';
import type { PupilRecord } from '@/data';
import { barsIn, type Choice } from '@/features/shared/choices/find-choices';
import { ANY_HAND } from '@/features/shared/pupil-select';
import { ALL_FORMATS } from './save-buttons';
import type { PaperView } from './paper-tools';
import type { DecisionActions } from './use-decide';

/** What can be said on the Bench works on. */
export interface BenchChoicesOf {
  readonly view: BenchView | null;
  /** Keys of the strip, as `Bb-major`. */
  readonly keys: readonly string[];
  readonly pupils: readonly PupilRecord[];
  readonly pupil: PupilRecord | null;
  readonly actions: DecisionActions;
  readonly goToKey: (key: string) => void;
  readonly choosePupil: (id: string) => void;
  readonly selectNote: (id: string) => void;
  readonly playBars: (from: number, to: number) => void;
  readonly onView: (view: PaperView) => void;
  readonly toggleLabel: (kind: LabelKind) => void;
  readonly save: (format: FileFormat) => void;
}

/** What can be said on the Bench beyond its keys: keys of music by name, notes of a kind, bars, pupils, formats. */
export function benchChoices(of: BenchChoicesOf, typed: string): readonly Choice[] {
  return [
    ...of.keys.map((key) => ({ words: `go to ${wordsOfKey(key)}`, act: () => of.goToKey(key) })),
    ...barChoices(of, typed),
    ...pupilChoices(of),
    ...(of.view?.notesOfKind ?? []).map(({ words, noteIds }) => ({
      words: `ring every ${words} (${noteIds.length})`,
      act: () => of.actions.mark('ring', noteIds, '', `every ${words} marked`),
    })),
    { words: 'show before and after', act: () => of.onView('both') },
    { words: 'show the new version alone', act: () => of.onView('after') },
    { words: 'show finger numbers without a staff', act: () => of.onView('fingers') },
    ...LABEL_KINDS.map((kind) => ({
      words: `${LABEL_NAMES[kind]} under the notes, or not`,
      act: () => of.toggleLabel(kind),
    })),
    ...ALL_FORMATS.map(([format, words]) => ({ words: `save as ${words}`, act: () => of.save(format) })),
  ];
}

function wordsOfKey(name: string): string {
  const key = parseKey(name, 'major');
  return key ? keyPrint(key) : name;
}

/** Bars that were typed, to be heard or gone to. */
function barChoices({ view, playBars, selectNote }: BenchChoicesOf, typed: string): readonly Choice[] {
  const bars = barsIn(typed);
  if (!bars || !view) return [];
  const [first, last] = bars.map((bar) => view.momentsAfter.find((moment) => moment.bar === bar));
  if (!first || !last || last.barIndex < first.barIndex) return [];
  const note = first.keys.find(({ isStruck }) => isStruck)?.noteId;
  const said = first === last ? `bar ${first.bar}` : `bars ${first.bar}–${last.bar}`;
  const asTyped = first === last ? '' : ` (${first.bar} to ${last.bar})`;
  return [
    { words: `hear ${said}${asTyped}`, act: () => playBars(first.barIndex, last.barIndex) },
    ...(note === undefined ? [] : [{ words: `select bar ${first.bar}`, act: () => selectNote(note) }]),
  ];
}

function pupilChoices({ pupils, pupil, choosePupil }: BenchChoicesOf): readonly Choice[] {
  const order = [ANY_HAND, ...pupils.map(({ id }) => id)];
  const at = order.indexOf(pupil?.id ?? ANY_HAND);
  const beside = (by: number): string => order[(at + by + order.length) % order.length] ?? ANY_HAND;
  return [
    { words: 'next pupil', act: () => choosePupil(beside(1)) },
    { words: 'pupil before', act: () => choosePupil(beside(-1)) },
    { words: 'for any hand', act: () => choosePupil(ANY_HAND) },
    ...pupils.map(({ id, name }) => ({ words: `for ${name}`, act: () => choosePupil(id) })),
  ];
}
