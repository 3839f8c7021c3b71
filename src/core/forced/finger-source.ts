import { struckAt, writtenFingers, type FigureKind, type Passage } from '../fingering';
import type { HandPlan } from '../fingering';
import { groupBy } from '../base';
import type { HandStudy } from './study-hand';

/** Where a finger comes from: the teacher decided on it; it is printed; it is written for a figure, or for a run of a scale or an arpeggio (`tonic` is a note
 * of the passage); the same moment came before with the same fingers, in a bar that is named; or it is planned by what it costs. */
export type FingerSource =
  | { readonly kind: 'decided' | 'printed' | 'planned' }
  | { readonly kind: 'figure'; readonly figure: FigureKind }
  | {
      readonly kind: 'run';
      readonly run: 'scale' | 'arpeggio';
      readonly mode: 'major' | 'minor';
      readonly tonic: number;
    }
  | { readonly kind: 'as-before'; readonly bar: string };

/** Where each finger of a plan comes from, one entry a note. The first that is true is told, in the order above. */
export function fingerSources(
  { baseline, decided }: Pick<HandStudy, 'baseline' | 'decided'>,
  { fingering }: Pick<HandPlan, 'fingering'>,
  midis: readonly number[],
): readonly FingerSource[] {
  const { passage, printed, demands } = baseline;
  const written = writtenFingers(passage, demands.player.level, midis, printed);
  const before = sameBefore(passage, fingering);
  return passage.notes.map((_, note): FingerSource => {
    const finger = fingering[note] ?? null;
    if (finger !== null && decided[note] === finger) return { kind: 'decided' };
    if (finger !== null && printed[note] === finger) return { kind: 'printed' };
    const standard = written.get(note);
    if (finger !== null && standard && (standard.fingers & (1 << (finger - 1))) !== 0) return standard.by;
    const bar = before.get(note);
    return bar === undefined ? { kind: 'planned' } : { kind: 'as-before', bar };
  });
}

/** The bar in which a like moment came first, for the notes of those that came again with the same fingers in another bar. */
function sameBefore(passage: Passage, fingering: HandPlan['fingering']): ReadonlyMap<number, string> {
  const fingersAt = (t: number): string =>
    struckAt(passage, t)
      .map((note) => fingering[note])
      .join();
  const barAt = (t: number): string => passage.notes[struckAt(passage, t)[0] as number]?.note.bar ?? '';
  const found = new Map<number, string>();
  const moments = passage.events.map(({ likeness }, t) => ({ t, name: `${likeness}=${fingersAt(t)}` }));
  for (const group of groupBy(moments, ({ name }) => name).values()) {
    const first = barAt(group[0]?.t as number);
    for (const { t } of group) {
      if (barAt(t) !== first) for (const note of struckAt(passage, t)) found.set(note, first);
    }
  }
  return found;
}
