import { USUAL_PAPER, type PaperChoice } from '@/core/paper';
import { parseKey } from '@/core/pitch';
import { keySheet, pieceSheet, USUAL_HANDOUT, type Sheet, type SheetPiece, type SheetRequest } from '@/core/sheets';
import { asWritten } from '@/core/piece';
import { demoFile } from './demo-pieces';
import { moved, open, USUAL } from './open';
import { SAYS } from './usual-words';

/** A demo piece in a key, for a sheet. */
export function sheetPiece(id: string, key: string): SheetPiece {
  const piece = open(demoFile(id));
  return { piece, before: asWritten(piece), after: moved(piece, key, { fingering: 'plan' }), stage: null };
}

export const REQUEST: SheetRequest = {
  paper: USUAL_PAPER,
  pupil: null,
  foot: '',
  labels: [],
  marks: [],
  reminders: 'none',
  steps: { kept: null, ownStages: [] },
  handout: USUAL_HANDOUT,
  rote: { voice: 'teacher', names: 'letters' },
  blank: { leave: 'notes', answers: 'with' },
  cards: ['positions', 'keys', 'notes'],
  drill: { kind: 'five-fingers', rhythm: 'quarters', hands: 'both' },
};

const PIECE_SHEETS = ['handout', 'rote', 'fingers', 'key', 'blank'] as const;
const KEY_SHEETS = ['position', 'drill', 'cards', 'log'] as const;
const KEYS = ['C', 'D', 'F', 'Ab'].flatMap((name) => parseKey(name, 'major') ?? []);

/** Every sheet of a piece in its key, by its name. */
export function sheetsOfPiece(of: SheetPiece, paper: PaperChoice, more: Partial<SheetRequest> = {}) {
  const request = { ...REQUEST, ...more, paper };
  const options = { ...USUAL, fingering: 'plan' as const };
  return PIECE_SHEETS.map((kind): readonly [string, Sheet] => [kind, pieceSheet(SAYS, kind, { of, options }, request)]);
}

/** Every sheet that is of no piece. */
export function sheetsOfKeys(paper: PaperChoice, more: Partial<SheetRequest> = {}) {
  return KEY_SHEETS.map((kind): readonly [string, Sheet] => [
    kind,
    keySheet(SAYS, kind, KEYS, { ...REQUEST, ...more, paper }),
  ]);
}
