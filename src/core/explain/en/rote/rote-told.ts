import type { Hand } from '../../../score';
import type { Wording } from '../../wording';

/** How a piece is told by rote: to whom, and whether keys have names or are told by the black keys around them. */
export interface RoteStyle {
  readonly voice: 'teacher' | 'child';
  readonly names: Wording['names'] | 'none';
}

/** A rote sheet in words: short sentences, in the order in which they are read. */
export interface RoteTold {
  readonly title: string;
  readonly head: readonly string[];
  /** What the words for ways mean. */
  readonly legend: readonly string[];
  readonly begins: RoteBlock;
  readonly lines: readonly RoteToldLine[];
  readonly end: readonly string[];
}

export interface RoteToldLine {
  readonly heading: string;
  /** None where the line is an earlier one again. */
  readonly bars: readonly RoteBlock[];
}

/** What stands together: a heading, and a row for each hand. */
export interface RoteBlock {
  readonly heading: string;
  readonly rows: readonly RoteToldRow[];
}

export interface RoteToldRow {
  readonly of: Hand | 'both';
  readonly label: string;
  readonly sentences: readonly string[];
}

/** What stands in front of a row. */
export const ROW_LABELS: Readonly<Record<RoteToldRow['of'], string>> = {
  right: 'Right hand:',
  left: 'Left hand:',
  both: 'Both hands:',
};

/** All words of a sheet, line by line. */
export function roteLines(told: RoteTold): readonly string[] {
  const block = ({ heading, rows }: RoteBlock): readonly string[] => [
    heading,
    ...rows.map(({ label, sentences }) => [label, ...sentences].join(' ')),
  ];
  return [
    told.title,
    told.head.join(' '),
    told.legend.join(' '),
    ...block(told.begins),
    ...told.lines.flatMap(({ heading, bars }) => [heading, ...bars.flatMap(block)]),
    ...(told.end.length === 0 ? [] : [told.end.join(' ')]),
  ];
}
