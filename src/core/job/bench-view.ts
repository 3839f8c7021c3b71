import { changesWords, costWords, flagWords, handsWords, positionWords, pupilWords, sharedPlaceWords } from '../explain';
import { keyPrint, keyText, namePrint, pitchPrint, type Direction, type Key } from '../pitch';
import { groupMove } from '../transpose';
import type { FlagKind, Severity } from '../flag';
import type { Hand } from '../score';
import { engravingPage, systemBreaks, type EngravingPage } from '../write';
import { blackStretches, type BlackStretch } from './black-keys';
import { momentsOf, type Moment } from './moments';
import type { OpenedPiece, Version } from './open-piece';
import { reportRemark, type ReportRemark } from './report';

/** A hand note: a flag with its words, ready to be shown. */
export interface HandNoteView {
  readonly kind: FlagKind;
  readonly severity: Severity;
  readonly hand: Hand;
  readonly bar: string;
  readonly byBlackKey: boolean;
  readonly wasThere: boolean;
  readonly noteIds: readonly string[];
  readonly title: string;
  readonly message: string;
  readonly suggestion: string;
  /** The costs behind it, in figures; null where it rests on none. */
  readonly costs: string | null;
  /** The same in one sentence for the pupil. */
  readonly forPupil: string;
}

/** A position as the Bench lists it. `onBlack` are the fingers that rest on black keys. */
export interface PositionView {
  readonly hand: Hand;
  readonly name: string;
  readonly kind: 'closed' | 'extended' | 'crossed';
  readonly words: string;
  readonly bars: readonly [string, string];
  readonly noteIds: readonly string[];
  readonly keys: readonly (string | null)[];
}

/** Everything that the Bench shows of a piece in one key. */
export interface BenchView {
  readonly title: string;
  readonly composer: string;
  readonly from: string;
  readonly to: string;
  readonly toText: string;
  readonly bars: number;
  /** All parts of the piece, and which is the pupil's. */
  readonly parts: readonly { readonly id: string; readonly name: string; readonly isPupils: boolean }[];
  readonly page: EngravingPage;
  readonly summary: readonly string[];
  readonly handNotes: readonly HandNoteView[];
  readonly positions: readonly PositionView[];
  readonly momentsBefore: readonly Moment[];
  readonly momentsAfter: readonly Moment[];
  readonly remarks: readonly ReportRemark[];
  /** The piece between the black-key groups and the white keys beside them; null where it is on neither. */
  readonly group: { readonly onto: 'black' | 'white'; readonly key: string; readonly keyWords: string; readonly direction: Direction } | null;
  /** Notes that the signature alters and no sign reminds of. */
  readonly bySignature: readonly string[];
}

/** Which versions are engraved: both, one above the other, or the new one alone. */
export type PageView = 'both' | 'after';

/** How the page is laid out: what is shown, how many note columns fit a system, and what goes in front of the ids of
 * the notes of each version. */
export interface PageWish {
  readonly view: PageView;
  readonly columns: number;
  readonly prefixes: { readonly before: string; readonly after: string };
}

/** Puts a piece before and after into what the Bench shows. */
export function benchView(piece: OpenedPiece, before: Version, after: Version, page: PageWish): BenchView {
  const layers = [
    { score: before.score, prefix: page.prefixes.before, label: shortKey(before.key) },
    { score: after.score, prefix: page.prefixes.after, label: shortKey(after.key) },
  ];
  return {
    title: piece.score.title,
    composer: piece.score.composer,
    from: keyPrint(before.key),
    to: keyPrint(after.key),
    toText: keyText(after.key),
    bars: piece.part.measures.length,
    parts: piece.score.parts.map(({ id, name }) => ({ id, name: name || id, isPupils: id === piece.part.id })),
    page: engravingPage(page.view === 'both' ? layers : layers.slice(1), systemBreaks(piece.score, page.columns)),
    summary: [...changesWords(after.flags), ...handsWords(stretchesOf(piece, after), after.flags, stretchesOf(piece, before)), ...sharedPlaceWords(after.positions)],
    handNotes: handNoteViews(after),
    positions: positionViews(after),
    momentsBefore: momentsOf(before),
    momentsAfter: momentsOf(after),
    remarks: [...piece.remarks, ...after.remarks].map(reportRemark),
    group: groupView(piece),
    bySignature: after.notes.filter(({ pitch, item, tieStop }) => pitch.alter !== 0 && !item.accidental && !tieStop).map(({ id }) => id),
  };
}

function groupView(piece: OpenedPiece): BenchView['group'] {
  const move = groupMove(piece.notes, piece.key.key);
  return move && { onto: move.onto, key: keyText(move.key), keyWords: keyPrint(move.key), direction: move.direction };
}

function stretchesOf(piece: OpenedPiece, version: Version): readonly BlackStretch[] {
  return piece.hands.flatMap((hand) => blackStretches(version, hand));
}

function shortKey(key: Key): string {
  return key.mode === 'major' ? namePrint(key.tonic) : `${namePrint(key.tonic)} ${key.mode}`;
}

export function handNoteViews(version: Version): readonly HandNoteView[] {
  return version.flags.map((flag) => ({
    kind: flag.evidence.kind,
    severity: flag.severity,
    hand: flag.hand,
    bar: flag.bar,
    byBlackKey: flag.byBlackKey,
    wasThere: flag.wasThere,
    noteIds: flag.notes,
    ...flagWords(flag),
    costs: flag.costs && costWords(flag.costs),
    forPupil: pupilWords(flag),
  }));
}

export function positionViews(version: Version): readonly PositionView[] {
  return version.positions.map((placed, i) => {
    const before = version.positions[i - 1];
    const isMove = before?.position.hand === placed.position.hand;
    return {
      hand: placed.position.hand,
      name: namePrint(placed.name),
      kind: placed.kind,
      words: positionWords(placed, isMove ? before : undefined),
      bars: [placed.notes[0]?.bar ?? '', placed.notes.at(-1)?.bar ?? ''],
      noteIds: placed.notes.map(({ id }) => id),
      keys: placed.keys.map((key) => key && pitchPrint(key)),
    };
  });
}
