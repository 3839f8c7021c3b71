import { childText, element, firstChild, isElement, type XmlNode } from '../xml';
import type { Measure, MeasureItem, Score } from '../score';

/** Puts empty bars in, each with the meter that holds there. What the piece begins with (clefs, signatures) stays in its first bar. */
export function withNewBars(score: Score, at: number, count: number): Score {
  if (count < 1) return score;
  const parts = score.parts.map((part) => {
    const before = part.measures[at - 1] ?? part.measures[at];
    const blank = part.xml.children.find((node) => node.kind === 'text');
    const fresh = Array.from({ length: count }, (_, i): Measure => emptyBar(at + i, before));
    const slots: readonly XmlNode[] = fresh.flatMap(() => [...(blank ? [blank] : []), element('measure')]);
    const frame = at === 0 ? attributesIn(part.measures.slice(0, 1)) : [];
    const [first, ...others] = fresh as [Measure, ...Measure[]];
    const after = part.measures.map((measure) =>
      frame.length > 0 && measure.index === 0
        ? { ...measure, items: measure.items.filter((item) => !frame.includes(item)) }
        : measure,
    );
    const measures = withEndLast(
      after.toSpliced(at, 0, { ...first, items: frame }, ...others),
      at,
      part.measures.length,
    );
    return {
      ...part,
      measures: reindexed(measures),
      xml: { ...part.xml, children: insertedSlots(part.xml.children, at, slots) },
    };
  });
  return { ...score, parts };
}

/** The bar line that ends a piece goes along to its new last bar; one that ends a repeat stays. */
function withEndLast(measures: readonly Measure[], at: number, count: number): readonly Measure[] {
  const before = measures[at - 1];
  const last = measures.at(-1);
  const end = at === count ? before?.items.findLast(isEnd) : undefined;
  if (!before || !last || !end) return measures;
  return measures
    .with(at - 1, { ...before, items: before.items.filter((item) => item !== end) })
    .with(-1, { ...last, items: [...last.items, { ...end, onset: 0 }] });
}

function isEnd(item: MeasureItem): boolean {
  if (item.kind !== 'carried' || !isElement(item.node) || item.node.name !== 'barline') return false;
  return (
    childText(item.node, 'bar-style') === 'light-heavy' &&
    !firstChild(item.node, 'repeat') &&
    !firstChild(item.node, 'ending')
  );
}

/** The signatures and clefs of bars, to go on to another. */
function attributesIn(measures: readonly Measure[]): readonly MeasureItem[] {
  return measures.flatMap(({ items }) => items.filter(({ kind }) => kind === 'attributes'));
}

function emptyBar(index: number, before: Measure | undefined): Measure {
  const number = String(Number(before?.number ?? 0) + 1);
  return {
    index,
    number,
    meter: before?.meter ?? { beats: 4, beatType: 4 },
    lead: 0,
    length: 0,
    xml: element('measure', { number }),
    items: [],
  };
}

/** Takes bars out. What stands between them in the file stays, and a signature or clef that began in one of them holds from the next bar on. */
export function withoutBars(score: Score, at: number, count: number): Score {
  const parts = score.parts.map((part) => {
    const frame = attributesIn(part.measures.slice(at, at + count)).map((item) => ({ ...item, onset: 0 }));
    const left = part.measures.toSpliced(at, count);
    const next = left[at];
    const measures = next && frame.length > 0 ? left.with(at, { ...next, items: [...frame, ...next.items] }) : left;
    const gone = slotPlaces(part.xml.children).slice(at, at + count);
    const children = part.xml.children.filter(
      (node, i) => !gone.includes(i) && !(node.kind === 'text' && gone.includes(i + 1)),
    );
    return { ...part, measures: reindexed(measures), xml: { ...part.xml, children } };
  });
  return { ...score, parts };
}

function slotPlaces(children: readonly XmlNode[]): readonly number[] {
  return children.flatMap((node, i) => (node.kind === 'element' && node.name === 'measure' ? [i] : []));
}

function insertedSlots(children: readonly XmlNode[], at: number, slots: readonly XmlNode[]): readonly XmlNode[] {
  const places = slotPlaces(children);
  const before = places[at - 1];
  return children.toSpliced(before === undefined ? 0 : before + 1, 0, ...slots);
}

function reindexed(measures: readonly Measure[]): readonly Measure[] {
  return measures.map((measure, index) => (measure.index === index ? measure : { ...measure, index }));
}
