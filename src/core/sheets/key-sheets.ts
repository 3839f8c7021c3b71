import type { Language } from '../explain';
import { midiNumber, parseKey, type Key } from '../pitch';
import type { DrillKind, DrillRhythm } from '../practice';
import { fingerOn, fiveFingers } from '../reference';
import type { Hand } from '../score';
import { drillView, type Ladder } from '../views';
import { blackFingers, keyBlocks, inLanguage } from './handout';
import type { Sheet, SheetBlock, SheetPlace, SheetRow } from './sheet';

/** The survey of a piece on a page: its keys in their order, each with its signs and what it asks. */
export function overviewSheet(says: Language, ladder: Ladder, foot: string): Sheet {
  const title = says.sheet.overview(ladder.piece.title);
  const rows = ladder.keys.map((found): SheetRow => {
    const key = parseKey(`${found.tonic}-${found.mode}`, 'major');
    const why = found.leaveOut ?? (found.why.slice(0, 2).join('; ') || says.sheet.noWork);
    const positions = says.sheet.positions(found.positions.right.join(' '), found.positions.left.join(' '));
    return {
      hands: { right: found.blackFingers.right, left: found.blackFingers.left },
      cells: [key ? says.key(key) : '', positions, why, ''],
    };
  });
  return {
    title,
    ...inLanguage(says),
    foot,
    blocks: [
      { kind: 'title', text: title, under: says.sheet.overviewUnder },
      { kind: 'table', head: says.sheet.overviewHead, rows },
    ],
  };
}

const HANDS: readonly Hand[] = ['left', 'right'];

/** Where five fingers lie in some keys, with what belongs to each: a sheet for the keyboard, without a piece. */
export function positionSheet(says: Language, keys: readonly Key[], foot: string): Sheet {
  const blocks = keys.flatMap((key): readonly SheetBlock[] => [
    { kind: 'heading', text: says.sheet.positionSheet(says.key(key)) },
    { kind: 'places', places: HANDS.map((hand) => fivePlace(says, key, hand)) },
    ...keyBlocks(says, key),
  ]);
  const title = says.sheet.positionSheet(keys.map(says.key).join(', '));
  const own: SheetBlock = { kind: 'title', text: title, under: '' };
  return { title, ...inLanguage(says), foot, blocks: keys.length === 1 ? [own, ...blocks.slice(1)] : [own, ...blocks] };
}

/** The five-finger pattern of a key under a hand. */
export function fivePlace(says: Language, key: Key, hand: Hand): SheetPlace {
  const down = hand === 'left' ? 12 : 0;
  const keys = fiveFingers(key).pitches.map((pitch, i) => ({
    midi: midiNumber(pitch) - down,
    finger: fingerOn(hand, i),
  }));
  return { hand, keys, onBlack: blackFingers(keys), words: says.sheet.handName(hand) };
}

/** A drill as it is asked for, with how many note columns a line has room for. */
export interface DrillSheetOptions {
  readonly kind: DrillKind;
  readonly keys: readonly Key[];
  readonly rhythm: DrillRhythm;
  readonly hands: Hand | 'both';
  readonly columns: number;
}

/** A drill with its aim, and the places of its first key. */
export function drillSheet(says: Language, { columns, ...options }: DrillSheetOptions, foot: string): Sheet {
  const drill = drillView(says, options, columns);
  return {
    title: drill.title,
    ...inLanguage(says),
    foot,
    blocks: [
      { kind: 'title', text: drill.title, under: says.drillAims()[options.kind] },
      { kind: 'fields', labels: [says.sheet.name, says.sheet.date] },
      { kind: 'music', label: drill.title, page: drill.page, positions: null, before: [], ringed: [] },
    ],
  };
}
