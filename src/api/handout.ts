import { err, ok, type Fault, type Result } from '@/core/base';
import type { Language } from '@/core/explain';
import { CARD_KINDS, fileStem, isKeySheet, isOneForAllKeys } from '@/core/paper';
import type { OpenedPiece, SavedFile } from '@/core/piece';
import { parseKey, type Key } from '@/core/pitch';
import { keySheet, pieceSheet, USUAL_HANDOUT, type Sheet, type SheetRequest } from '@/core/sheets';
import type { SentPiece } from './sent';
import { printSheets } from './press';
import { KEY_HINT, wantedKey, type ApiQuery } from './query';
import { wantedVersions } from './wanted';

/** A piece that was sent, as sheets to be printed: in one key or several, each with its own pages. Errors: those of moving, `query.value`, `print.too-much`,
 * `print.engraver`. */

export async function handoutFile(sent: SentPiece): Promise<Result<SavedFile, Fault>> {
  const keys = wantedKeys(sent);
  if (!keys.ok) return keys;
  const much = tooMuch(sent.query.stage === null ? barsOf(sent.piece) * keys.value.length : 0, sent);
  if (much) return err(much);
  const sheets = sheetsOf(sent, keys.value);
  if (!sheets.ok) return sheets;
  const { title } = sent.piece.score;
  const pdf = await printSheets(sheets.value, sent.query.print.paper, title);
  if (!pdf.ok) return pdf;
  const [first] = keys.value;
  const { stage, print } = sent.query;
  const named = [stage, print.sheet].filter((part) => part !== null).join('-');
  const stem = fileStem(title, first ?? sent.piece.key.key, named);
  return ok({ name: `${stem}.pdf`, mediaType: 'application/pdf', content: pdf.value });
}

/** So many bars are printed within the time that a job may take, on a machine that does other work as well: 37 ms a bar by itself. */
const MOST_BARS = 320;

function barsOf({ score }: OpenedPiece): number {
  return Math.max(...score.parts.map(({ measures }) => measures.length));
}

/** Why so many bars are not begun to be printed; null where they are. A sheet of keys has none. */
function tooMuch(bars: number, { query }: SentPiece): Fault | null {
  if (bars <= MOST_BARS || isKeySheet(query.print.sheet)) return null;
  return { code: 'print.too-much', bars, most: MOST_BARS };
}

/** The keys that are named, or the one. */
function wantedKeys({ piece, query }: SentPiece): Result<readonly Key[], Fault> {
  const { mode } = piece.key.key;
  const keys: Key[] = [];
  for (const text of query.print.keys) {
    const key = parseKey(text, mode);
    if (!key) return err({ code: 'query.value', name: 'keys', value: text, allowed: KEY_HINT });
    keys.push(key);
  }
  if (keys.length > 0) return ok(keys);
  if (query.to === null) return ok([piece.key.key]);
  const to = wantedKey(query.to, mode);
  return to.ok ? ok([to.value]) : to;
}

function sheetsOf(sent: SentPiece, keys: readonly Key[]): Result<readonly Sheet[], Fault> {
  const { sheet } = sent.query.print;
  const request = requestOf(sent.query);
  if (isKeySheet(sheet)) return ok([keySheet(sent.says, sheet, keys, request)]);
  const sheets: Sheet[] = [];
  for (const key of isOneForAllKeys(sheet) ? keys.slice(0, 1) : keys) {
    const wanted = wantedVersions(sent, key);
    if (!wanted.ok) return wanted;
    const { piece, before, after } = wanted.value;
    const much = tooMuch(barsOf(piece) * keys.length, sent);
    if (much) return err(much);
    const of = { piece, before, after, stage: stageTold(sent.says, sent.query) };
    sheets.push(pieceSheet(sent.says, sheet, { of, options: sent.query.options }, request));
  }
  return ok(sheets);
}

function stageTold(says: Language, { stage }: ApiQuery): { readonly id: string; readonly title: string } | null {
  return stage === null ? null : { id: stage, title: says.stageIdTitle(stage) };
}

function requestOf({ print, rote }: ApiQuery): SheetRequest {
  return {
    paper: print.paper,
    pupil: print.pupil,
    foot: print.foot,
    labels: [],
    marks: [],
    reminders: 'none',
    steps: { kept: null, ownStages: [] },
    handout: USUAL_HANDOUT,
    rote,
    blank: print.blank,
    cards: CARD_KINDS,
    drill: { kind: 'five-fingers', rhythm: 'quarters', hands: 'both' },
  };
}
