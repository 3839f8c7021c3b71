import { memoOf } from '../base';
import { element, withChild } from '../xml';
import { signatureAlter, type Step } from '../pitch';
import type { AttributesItem, KeySignature, MeasureItem, Part } from '../score';
import type { Ticks } from '../time';

/** The key signatures of a part along its time. */
export interface SignatureLine {
  /** The signature in force; the one at the very moment of a change is the new one. */
  readonly at: (barIndex: number, onset: Ticks, staff: number) => KeySignature;
  /** What that signature does to a letter. */
  readonly alterAt: (barIndex: number, onset: Ticks, staff: number, step: Step) => number;
}

interface Change {
  readonly barIndex: number;
  readonly onset: Ticks;
  readonly key: KeySignature;
}

const NO_SIGNS: KeySignature = { staff: null, fifths: 0, mode: null };

/** Collects the key signatures of a part. Parts are values: what was collected of one holds as long as it is there. */
export const signatureLine = memoOf((part: Part): SignatureLine => {
  const changes = signatureChanges(part).toReversed();
  const at = (barIndex: number, onset: Ticks, staff: number): KeySignature =>
    changes.find(
      (change) =>
        (change.key.staff === null || change.key.staff === staff) &&
        (change.barIndex < barIndex || (change.barIndex === barIndex && change.onset <= onset)),
    )?.key ?? NO_SIGNS;
  return { at, alterAt: (barIndex, onset, staff, step) => signatureAlter(at(barIndex, onset, staff).fifths, step) };
});

/** All signatures of a part with their places, in order of time. */
export function signatureChanges(part: Part): readonly Change[] {
  return part.measures
    .flatMap((measure) =>
      measure.items.flatMap((item) =>
        item.kind === 'attributes' ? item.keys.map((key) => ({ barIndex: measure.index, onset: item.onset, key })) : [],
      ),
    )
    .sort((a, b) => a.barIndex - b.barIndex || a.onset - b.onset);
}

/** A part that begins without a signature gets one of no signs, so that moving it has something to change. */
export function withFirstSignature(part: Part): Part {
  const [first, ...rest] = part.measures;
  if (!first || signatureChanges(part).some((change) => change.barIndex === 0 && change.onset === 0)) return part;
  const at = first.items.findIndex((item) => item.kind === 'attributes' && item.onset === 0);
  const keyXml = element('key', {}, [element('fifths', {}, ['0'])]);
  const present = first.items[at];
  const attributes: AttributesItem =
    present?.kind === 'attributes'
      ? { ...present, keys: [NO_SIGNS], xml: withChild(present.xml, keyXml, ['footnote', 'level', 'divisions']) }
      : {
          kind: 'attributes',
          onset: 0,
          xml: element('attributes', {}, [keyXml]),
          keys: [NO_SIGNS],
          clefs: [],
          transposition: null,
        };
  const items: readonly MeasureItem[] = at >= 0 ? first.items.with(at, attributes) : [attributes, ...first.items];
  return { ...part, measures: [{ ...first, items }, ...rest] };
}
