import type { Language, RoteStyle } from '../explain';
import {
  columnsOn,
  type CardKind,
  type KeySheetKind,
  type LeftOut,
  type PaperChoice,
  type PieceSheetKind,
} from '../paper';
import type { MoveOptions } from '../piece';
import type { Key } from '../pitch';
import type { DrillKind, DrillRhythm } from '../practice';
import type { Hand } from '../score';
import { ladderOf } from '../views';
import { blankSheet } from './blank';
import { cardSheet } from './cards';
import { fingerSheet } from './fingers';
import { handoutSheet, type HandoutChoice, type SheetFor, type SheetPiece } from './handout';
import { drillSheet, overviewSheet, positionSheet } from './key-sheets';
import { roteSheet } from './rote';
import type { Sheet } from './sheet';
import { logSheet } from './week';

/** What is wanted on paper: which sheet, how it is put together, and for whom. */
export interface SheetRequest extends Omit<SheetFor, 'columns'> {
  readonly paper: PaperChoice;
  readonly handout: HandoutChoice;
  readonly rote: RoteStyle;
  readonly blank: { readonly leave: LeftOut; readonly answers: 'with' | 'without' };
  readonly cards: readonly CardKind[];
  readonly drill: { readonly kind: DrillKind; readonly rhythm: DrillRhythm; readonly hands: Hand | 'both' };
}

/** A sheet of a piece in a key. `options` are those with which its other keys are looked at, for the overview. */
export function pieceSheet(
  says: Language,
  kind: PieceSheetKind,
  { of, options }: { readonly of: SheetPiece; readonly options: Omit<MoveOptions, 'to'> },
  request: SheetRequest,
): Sheet {
  const to: SheetFor = { ...request, columns: columnsOn(request.paper) };
  switch (kind) {
    case 'handout':
      return handoutSheet(says, of, to, request.handout);
    case 'rote':
      return roteSheet(says, of, to, request.rote);
    case 'fingers':
      return fingerSheet(says, of, to);
    case 'key':
      return overviewSheet(says, ladderOf(says, of.piece, options, { order: 'ease' }), request.foot);
    case 'blank':
      return blankSheet(says, of, to, request.blank);
  }
}

/** A sheet of keys, without a piece. */
export function keySheet(says: Language, kind: KeySheetKind, keys: readonly Key[], request: SheetRequest): Sheet {
  const { foot, paper } = request;
  switch (kind) {
    case 'position':
      return positionSheet(says, keys, foot);
    case 'drill':
      return drillSheet(says, { ...request.drill, keys, columns: columnsOn(paper) }, foot);
    case 'cards':
      return cardSheet(says, request.cards, keys, foot);
    case 'log':
      return logSheet(says, foot);
  }
}
