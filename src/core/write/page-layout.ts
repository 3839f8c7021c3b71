import type { Measure, Score } from '../score';

/** What a bar needs beyond its notes, in note columns: the bar line and the space after it. Our own estimate. */
const BAR_ITSELF = 2;

/** Where new systems begin, as bar indexes, so that bars are spread evenly over as few systems as hold them.
 * `columns` is how many note columns a system has room for. The same piece breaks the same way in every key. */
export function systemBreaks(score: Score, columns: number): readonly number[] {
  const widths = barWidths(score);
  const total = widths.reduce((sum, width) => sum + width, 0);
  const systems = Math.max(1, Math.ceil(total / columns));
  const breaks: number[] = [];
  let used = 0;
  widths.forEach((width, index) => {
    const target = (total * (breaks.length + 1)) / systems;
    const isNearer = Math.abs(used - target) <= Math.abs(used + width - target);
    if (index > 0 && breaks.length < systems - 1 && isNearer) breaks.push(index);
    used += width;
  });
  return breaks;
}

function barWidths(score: Score): readonly number[] {
  const bars = Math.max(0, ...score.parts.map((part) => part.measures.length));
  return Array.from({ length: bars }, (_, index) => {
    const columns = new Set(score.parts.flatMap((part) => onsetsOf(part.measures[index])));
    return columns.size + BAR_ITSELF;
  });
}

function onsetsOf(measure: Measure | undefined): readonly string[] {
  return (measure?.items ?? []).flatMap((item) =>
    item.kind === 'note' ? [`${item.onset}${item.isGrace ? item.id : ''}`] : [],
  );
}
