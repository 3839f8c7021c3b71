import { parseKey } from '@/core/pitch';
import { LABEL_KINDS, type LabelKind } from '@/core/annotate';
import type { FileFormat } from '@/core/base';
import type { BenchView } from '@/core/views';
import type { PupilRecord } from '@/data';
import { barsIn, type Choice } from '@/features/shared/choices/find-choices';
import { ANY_HAND } from '@/features/shared/pupils/pupil-select';
import { allFormats } from './save-buttons';
import type { PaperView } from '../paper/paper-tools';
import type { DecisionActions } from '../beside/use-decide';
import { type Words } from '@/features/shared/words/use-words';

/** What can be said on the Bench works on. */
export interface BenchChoicesOf {
  readonly view: BenchView | null;
  /** Keys of the strip, as `Bb-major`. */
  readonly keys: readonly string[];
  readonly stages: readonly { readonly id: string; readonly title: string }[];
  readonly goToStage: (id: string) => void;
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
export function benchChoices(w: Words, of: BenchChoicesOf, typed: string): readonly Choice[] {
  return [
    ...of.keys.map((key) => ({ words: w.bench.goTo(wordsOfKey(w, key)), act: () => of.goToKey(key) })),
    ...of.stages.map(({ id, title }) => ({ words: w.stages.goTo(title), act: () => of.goToStage(id) })),
    ...barChoices(w, of, typed),
    ...pupilChoices(w, of),
    ...(of.view?.notesOfKind ?? []).map(({ words, noteIds }) => ({
      words: w.bench.ringEvery(words, noteIds.length),
      act: () => of.actions.mark('ring', noteIds, '', w.bench.everyMarked(words)),
    })),
    { words: w.bench.showBeforeAndAfter, act: () => of.onView('both') },
    { words: w.bench.showNewVersionAlone, act: () => of.onView('after') },
    { words: w.bench.showFingerNumbersWithoutStaff, act: () => of.onView('fingers') },
    ...LABEL_KINDS.map((kind) => ({
      words: w.bench.underNotesOrNot(w.says.labelNames[kind]),
      act: () => of.toggleLabel(kind),
    })),
    ...allFormats(w).map(([format, words]) => ({ words: w.bench.saveAs(words), act: () => of.save(format) })),
  ];
}

function wordsOfKey(w: Words, name: string): string {
  const key = parseKey(name, 'major');
  return key ? w.says.key(key) : name;
}

/** Bars that were typed, to be heard or gone to. */
function barChoices(w: Words, { view, playBars, selectNote }: BenchChoicesOf, typed: string): readonly Choice[] {
  const bars = barsIn(typed);
  if (!bars || !view) return [];
  const [first, last] = bars.map((bar) => view.momentsAfter.find((moment) => moment.bar === bar));
  if (!first || !last || last.barIndex < first.barIndex) return [];
  const note = first.keys.find(({ isStruck }) => isStruck)?.noteId;
  const said = first === last ? w.bench.bar(first.bar) : w.bench.bars(first.bar, last.bar);
  const asTyped = first === last ? '' : w.bench.asTyped(first.bar, last.bar);
  return [
    { words: w.bench.hear(said, asTyped), act: () => playBars(first.barIndex, last.barIndex) },
    ...(note === undefined ? [] : [{ words: w.bench.selectBar(first.bar), act: () => selectNote(note) }]),
  ];
}

function pupilChoices(w: Words, { pupils, pupil, choosePupil }: BenchChoicesOf): readonly Choice[] {
  const order = [ANY_HAND, ...pupils.map(({ id }) => id)];
  const at = order.indexOf(pupil?.id ?? ANY_HAND);
  const beside = (by: number): string => order[(at + by + order.length) % order.length] ?? ANY_HAND;
  return [
    { words: w.bench.nextPupil, act: () => choosePupil(beside(1)) },
    { words: w.bench.pupilBefore, act: () => choosePupil(beside(-1)) },
    { words: w.bench.forAnyHand, act: () => choosePupil(ANY_HAND) },
    ...pupils.map(({ id, name }) => ({ words: w.bench.forNamed(name), act: () => choosePupil(id) })),
  ];
}
