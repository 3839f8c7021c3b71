import { keyText } from '../pitch';
import type { Hand } from '../score';
import { blackFingers, type BlackFingers } from '../survey';
import { engravingPage, NO_TEXTS, type EngravingPage } from '../write';
import { handNoteViews, type HandNoteView } from './hand-note-views';
import { positionViews, type PositionView } from './position-views';
import { asWritten, type OpenedPiece } from '../piece';
import type { Language } from '../explain';

/** What a card on the shelf shows of a piece. */
export interface ShelfView {
  readonly title: string;
  readonly composer: string;
  readonly key: string;
  readonly keyText: string;
  readonly runnerUp: string | null;
  readonly bars: number;
  readonly meter: string;
  readonly hands: readonly Hand[];
  readonly blackFingers: BlackFingers;
  readonly positions: readonly PositionView[];
  readonly handNotes: readonly HandNoteView[];
  readonly opening: EngravingPage;
  readonly remarkCount: number;
}

/** How many bars a card shows, a pick-up not counted. */
const OPENING_BARS = 3;

/** Puts a piece into what its card shows. `prefix` keeps the note ids of one card apart from those of the others. */
export function shelfView(says: Language, piece: OpenedPiece, prefix: string): ShelfView {
  const version = asWritten(piece);
  const first = piece.part.measures[0];
  return {
    title: piece.score.title,
    composer: piece.score.composer,
    key: says.key(piece.key.key),
    keyText: keyText(piece.key.key),
    runnerUp: piece.key.runnerUp && keyText(piece.key.runnerUp),
    bars: piece.part.measures.length,
    meter: first ? `${first.meter.beats}/${first.meter.beatType}` : '',
    hands: piece.hands,
    blackFingers: blackFingers(version.positions),
    positions: positionViews(says, version),
    handNotes: handNoteViews(says, version),
    opening: openingPage(piece, prefix),
    remarkCount: piece.remarks.length,
  };
}

function openingPage(piece: OpenedPiece, prefix: string): EngravingPage {
  const bars = OPENING_BARS + ((piece.part.measures[0]?.lead ?? 0) > 0 ? 1 : 0);
  const opening = {
    ...piece.part,
    measures: piece.part.measures.slice(0, bars),
    xml: {
      ...piece.part.xml,
      children: piece.part.xml.children.filter((child) => child.kind === 'element').slice(0, bars),
    },
  };
  const score = { ...piece.score, parts: [opening] };
  return engravingPage([{ score, prefix, label: '', texts: NO_TEXTS }], []);
}
