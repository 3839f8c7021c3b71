import { isElement, withAttribute, withChildren, type XmlDocument, type XmlNode } from '../xml';
import type { Measure, Part, Score } from '../score';

/** What changes a score. Plain data: it goes through messages and into storage unchanged.
 * `replace-bars`: `remove` bars from index `at` on go, `put` come in their place; each is given once for every part.
 * `set-document`: everything around the parts (title, composer, part list) becomes this. */
export type ScoreEdit =
  | {
      readonly kind: 'replace-bars';
      readonly at: number;
      readonly remove: number;
      readonly put: readonly (readonly PutBar[])[];
    }
  | {
      readonly kind: 'set-document';
      readonly document: XmlDocument;
      readonly title: string;
      readonly composer: string;
    };

/** A bar, and its place in the part's shell: what the file has between it and the bar before (blank text, comments), then the bar's own node. */
export interface PutBar {
  readonly measure: Measure;
  readonly nodes: readonly XmlNode[];
}

/** Applies a step and gives the step that takes it back, made by the same code so that the two cannot drift apart.
 * Throws where the step is for another score: that is a fault of ours, never of the teacher. */
export function applyEdit(score: Score, step: ScoreEdit): { readonly score: Score; readonly inverse: ScoreEdit } {
  if (step.kind === 'set-document') {
    const { document, title, composer } = score;
    return {
      score: { ...score, document: step.document, title: step.title, composer: step.composer },
      inverse: { kind: 'set-document', document, title, composer },
    };
  }
  const { at, remove, put } = step;
  const shortest = Math.min(...score.parts.map((part) => part.measures.length));
  if (at < 0 || remove < 0 || at + remove > shortest || put.some((bar) => bar.length !== score.parts.length)) {
    throw new RangeError('the step belongs to another score');
  }
  const removed = Array.from({ length: remove }, (_, i) => score.parts.map((part) => takenBar(part, at + i)));
  const parts = score.parts.map((part, index) =>
    replaceIn(
      part,
      at,
      remove,
      put.map((bar) => bar[index] as PutBar),
    ),
  );
  return { score: { ...score, parts }, inverse: { kind: 'replace-bars', at, remove: put.length, put: removed } };
}

/** The nodes of each bar in a part's shell, and what stands behind the last. */
function slotsOf(part: Part): { readonly slots: readonly (readonly XmlNode[])[]; readonly tail: readonly XmlNode[] } {
  const slots: (readonly XmlNode[])[] = [];
  let before: XmlNode[] = [];
  for (const node of part.xml.children) {
    before.push(node);
    if (!isElement(node) || node.name !== 'measure') continue;
    slots.push(before);
    before = [];
  }
  return { slots, tail: before };
}

function takenBar(part: Part, index: number): PutBar {
  return { measure: part.measures[index] as Measure, nodes: slotsOf(part).slots[index] ?? [] };
}

function replaceIn(part: Part, at: number, remove: number, put: readonly PutBar[]): Part {
  const { slots, tail } = slotsOf(part);
  const numbered = renumbered(part.measures, part.measures.toSpliced(at, remove, ...put.map(({ measure }) => measure)));
  if (put.length === remove && put.every(({ nodes }, i) => sameNodes(nodes, slots[at + i])))
    return { ...part, measures: numbered };
  const children = [...slots.toSpliced(at, remove, ...put.map(({ nodes }) => nodes)).flat(), ...tail];
  return { ...part, xml: withChildren(part.xml, children), measures: numbered };
}

function sameNodes(a: readonly XmlNode[], b: readonly XmlNode[] | undefined): boolean {
  return a.length === b?.length && a.every((node, i) => node === b[i]);
}

/** Places are counted anew; printed numbers too, where they were in plain order and bars come, go or become a pick-up (number 0). */
function renumbered(before: readonly Measure[], after: readonly Measure[]): readonly Measure[] {
  const first = Number(before[0]?.number);
  const isPlain = before.every(({ number }, i) => number === String(first + i));
  const wasPickup = isPickup(before[0]);
  const isNow = isPickup(after[0]);
  const isMoved = isPlain && (before.length !== after.length || wasPickup !== isNow);
  const from = wasPickup === isNow ? first : Number(!isNow);
  return after.map((measure, index) => {
    const number = isMoved ? String(from + index) : measure.number;
    if (measure.index === index && measure.number === number) return measure;
    return { ...measure, index, number, xml: withAttribute(measure.xml, 'number', number) };
  });
}

function isPickup(measure: Measure | undefined): boolean {
  return measure?.xml.attributes['implicit'] === 'yes';
}

/** The step that leads from one score to the other: the bars that differ, or what is around them. Null where nothing does. */
export function editsBetween(before: Score, after: Score): readonly ScoreEdit[] {
  const { document, title, composer } = after;
  const around: readonly ScoreEdit[] =
    document === before.document && title === before.title && composer === before.composer
      ? []
      : [{ kind: 'set-document', document, title, composer }];
  const bars = barsBetween(before, after);
  return bars ? [...around, bars] : around;
}

function barsBetween(before: Score, after: Score): ScoreEdit | null {
  const [old, fresh] = [barCount(before), barCount(after)];
  const shells = before.parts.map((part, p) => ({
    old: slotsOf(part).slots,
    fresh: slotsOf(after.parts[p] ?? part).slots,
  }));
  const isSame = (i: number, j: number): boolean =>
    before.parts.every(
      (part, p) =>
        sameBar(part.measures[i], after.parts[p]?.measures[j]) &&
        sameNodes(shells[p]?.old[i] ?? [], shells[p]?.fresh[j]),
    );
  let front = 0;
  while (front < Math.min(old, fresh) && isSame(front, front)) front += 1;
  if (front === old && front === fresh) return null;
  let back = 0;
  while (back < Math.min(old, fresh) - front && isSame(old - 1 - back, fresh - 1 - back)) back += 1;
  const put = Array.from({ length: fresh - front - back }, (_, i) =>
    after.parts.map((part) => takenBar(part, front + i)),
  );
  return { kind: 'replace-bars', at: front, remove: old - front - back, put };
}

/** Bars are the same where they hold the same; their place and number follow from the others. */
function sameBar(a: Measure | undefined, b: Measure | undefined): boolean {
  if (!a || !b) return false;
  return (
    a === b ||
    (a.items === b.items &&
      a.xml.children === b.xml.children &&
      a.lead === b.lead &&
      a.length === b.length &&
      a.meter === b.meter &&
      a.xml.attributes['implicit'] === b.xml.attributes['implicit'])
  );
}

/** How many bars a score has. */
export function barCount(score: Score): number {
  return Math.max(0, ...score.parts.map((part) => part.measures.length));
}
