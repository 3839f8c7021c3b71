import { childElements } from '../xml';
import type { Measure, NoteItem } from '../score';
import type { Ticks } from '../time';
import { instructionsOf, USUAL_TEMPO } from './directions';

/** A tempo from a place on, in quarter notes a minute. */
export interface TempoMark {
  readonly at: Ticks;
  readonly quartersPerMinute: number;
}

/** How slow a ritardando becomes, and how much longer a fermata makes its note. Our own choices; common practice. */
const SLOWEST = 0.7;
const FERMATA = 1.75;

interface Bar {
  readonly measure: Measure;
  readonly start: Ticks;
}

/** The tempi of a piece: the marks of the page, a ritardando as one step slower each quarter until the mark that ends
 * it, a fermata as a slower tempo for as long as its note. Bars are as they are played; `quarter` is one in ticks. */
export function tempoMap(bars: readonly Bar[], quarter: Ticks): readonly TempoMark[] {
  const said = bars
    .flatMap(({ measure, start }) =>
      instructionsOf(measure).map((instruction) => ({ ...instruction, at: start + instruction.onset })),
    )
    .sort((a, b) => a.at - b.at);
  const end = bars.reduce((latest, { measure, start }) => Math.max(latest, start + measure.length), 0);
  const steady: TempoMark[] = said.flatMap((mark) =>
    mark.kind === 'tempo' ? [{ at: mark.at, quartersPerMinute: mark.quartersPerMinute }] : [],
  );
  if (!steady.some(({ at }) => at === 0)) steady.unshift({ at: 0, quartersPerMinute: USUAL_TEMPO });
  const slowings = said.flatMap((mark) => {
    if (mark.kind !== 'slowing') return [];
    const until =
      said.find((other) => other.at > mark.at && (other.kind === 'tempo' || other.kind === 'a-tempo'))?.at ?? end;
    return [{ from: mark.at, until }];
  });
  const holds = bars.flatMap(({ measure, start }) =>
    measure.items.flatMap((item) =>
      item.kind === 'note' && hasFermata(item)
        ? [{ from: start + item.onset, until: start + item.onset + item.duration }]
        : [],
    ),
  );
  const tempoAt = (at: Ticks): number => {
    const base = steady.findLast((mark) => mark.at <= at)?.quartersPerMinute ?? USUAL_TEMPO;
    const slowing = slowings.find(({ from, until }) => from <= at && at < until);
    const paced = slowing
      ? base *
        (1 -
          (1 - SLOWEST) * Math.min(1, (at - slowing.from + quarter) / Math.max(quarter, slowing.until - slowing.from)))
      : base;
    return holds.some(({ from, until }) => from <= at && at < until) ? paced / FERMATA : paced;
  };
  const places = new Set<Ticks>([
    ...steady.map(({ at }) => at),
    ...slowings.flatMap(({ from, until }) => steps(from, until, quarter)),
    ...holds.flatMap(({ from, until }) => [from, until]),
  ]);
  const marks = [...places]
    .filter((at) => at < end)
    .sort((a, b) => a - b)
    .map((at) => ({ at, quartersPerMinute: tempoAt(at) }));
  return marks.filter(({ quartersPerMinute }, i) => quartersPerMinute !== marks[i - 1]?.quartersPerMinute);
}

function steps(from: Ticks, until: Ticks, quarter: Ticks): readonly Ticks[] {
  return [...Array.from({ length: Math.ceil((until - from) / quarter) }, (_, i) => from + i * quarter), until];
}

function hasFermata(note: NoteItem): boolean {
  return childElements(note.xml, 'notations').some((marks) => childElements(marks, 'fermata').length > 0);
}
