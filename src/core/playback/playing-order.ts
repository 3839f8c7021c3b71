import { childElements, type XmlElement } from '../xml';
import type { Measure } from '../score';

/** More repeats than any piece asks for: a file that wants a million must not hang the writer. */
const MOST_TIMES = 12;

interface RepeatMarks {
  readonly begins: boolean;
  readonly times: number;
  readonly endingStart: readonly number[];
  readonly endingStops: boolean;
}

/** The order in which bars are played, as indexes, repeats and endings played out. */
export function playingOrder(measures: readonly Measure[]): readonly number[] {
  const marks = measures.map(repeatMarks);
  const endings = endingsOf(marks);
  const order: number[] = [];
  let start = 0;
  let pass = 1;
  let at = 0;
  while (at < measures.length) {
    const mark = marks[at] as RepeatMarks;
    if (mark.begins && at !== start) {
      start = at;
      pass = 1;
    }
    const ending = endings[at] as readonly number[];
    const isPlayed = ending.length === 0 || ending.includes(pass);
    if (isPlayed) order.push(at);
    if (isPlayed && mark.times > pass) {
      pass += 1;
      at = start;
      continue;
    }
    const isDone = mark.times > 0 && isPlayed;
    at += 1;
    if (isDone) {
      start = at;
      pass = 1;
    }
  }
  return order;
}

/** For each bar the passes of the ending it belongs to; none outside endings. */
function endingsOf(marks: readonly RepeatMarks[]): readonly (readonly number[])[] {
  let open: readonly number[] = [];
  return marks.map((mark) => {
    if (mark.endingStart.length > 0) open = mark.endingStart;
    const here = open;
    if (mark.endingStops) open = [];
    return here;
  });
}

function repeatMarks(measure: Measure): RepeatMarks {
  const barlines = measure.items.flatMap((item) =>
    item.kind === 'carried' && item.node.kind === 'element' && item.node.name === 'barline' ? [item.node] : [],
  );
  const repeats = barlines.flatMap((barline) => childElements(barline, 'repeat'));
  const endings = barlines.flatMap((barline) => childElements(barline, 'ending'));
  const back = repeats.find((repeat) => repeat.attributes['direction'] === 'backward');
  return {
    begins: repeats.some((repeat) => repeat.attributes['direction'] === 'forward'),
    times: back ? timesOf(back) : 0,
    endingStart: endings.filter(isStart).flatMap((ending) => passesOf(ending.attributes['number'] ?? '')),
    endingStops: endings.some((ending) => !isStart(ending)),
  };
}

/** How often a section is played in all. With endings, the last pass leaves it by skipping this repeat. */
function timesOf(repeat: XmlElement): number {
  const times = Number(repeat.attributes['times'] ?? '2');
  return Number.isInteger(times) && times >= 1 ? Math.min(times, MOST_TIMES) : 2;
}

function isStart(ending: XmlElement): boolean {
  return ending.attributes['type'] === 'start';
}

function passesOf(numbers: string): readonly number[] {
  return numbers
    .split(/[ ,]+/)
    .map(Number)
    .filter((value) => Number.isInteger(value) && value > 0);
}
