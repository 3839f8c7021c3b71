import { faultWords, remarkBar, remarkWords } from '@/core/explain';
import { asWritten, atlasCard, barsSideBySide, benchView, chordsView, drillView, fingerChoicesAt, fingerPage, ladderFrom, ladderKeys, moveTo, notesPage, openPiece, partnerKeys, plannerDiffers, positionViews, rungIn, saveAs, shelfView, type OpenedPiece, type Rung, type Version, type Wish } from '@/core/job';
import type { Player } from '@/core/finger';
import type { KeyboardSize } from '@/core/keyboard';
import { performanceOf } from '@/core/perform';
import { hasMinorThird, keyPrint, keyText, parseKey, type Key, type Mode, type Pitch } from '@/core/pitch';
import { err, ok, type Fault, type FileFormat, type Result } from '@/core/result';
import { recogniseFormat, splitPieces, type Grid } from '@/core/read';
import { writeMusicXml } from '@/core/write';
import { ID_PREFIXES, benchPageSchema, benchWishSchema, columnsSchema, drillSchema, gridSchema, keyNamesSchema, modeSchema, modesSchema, partnerWishSchema, pieceSourceSchema, pitchesSchema, playerSchema, type Answer, type BenchWish, type BroughtPiece, type CoreService, type PieceSource, type SurveyKey, type SurveyMode } from './protocol';

/** How many opened pieces are kept, so that another key need not read the file again. */
const KEPT_PIECES = 24;

/** The core behind the worker's door: checks what comes in, keeps what was read, and puts refusals into words. */
export function createCoreService(): CoreService {
  const opened = new Map<string, OpenedPiece>();
  const stopped = new Set<string>();

  const open = (source: PieceSource): Result<OpenedPiece, Fault> => {
    pieceSourceSchema.validateSync(source, { strict: true });
    const name = `${source.ownKey ?? ''}\n${source.part ?? ''}\n${source.musicXml}`;
    const kept = opened.get(name);
    if (kept) return ok(kept);
    const piece = openPiece(new TextEncoder().encode(source.musicXml), { format: null, key: source.ownKey, part: source.part });
    if (piece.ok) {
      opened.set(name, piece.value);
      const oldest = opened.keys().next().value;
      if (opened.size > KEPT_PIECES && oldest !== undefined) opened.delete(oldest);
    }
    return piece;
  };

  const openWith = (source: PieceSource, wish: BenchWish): Result<{ readonly piece: OpenedPiece; readonly wish: Wish }, Fault> => {
    const piece = open(source);
    if (!piece.ok) return piece;
    const full = fullWish(piece.value, wish);
    return full.ok ? ok({ piece: piece.value, wish: full.value }) : full;
  };

  const moved = (source: PieceSource, wish: BenchWish): Result<Moved, Fault> => {
    const asked = openWith(source, wish);
    if (!asked.ok) return asked;
    const { piece, wish: full } = asked.value;
    const before = asWritten(piece, full.player, full.keyboard);
    const after = remembered(versionsOf(piece), JSON.stringify(wish), () => moveTo(piece, before, full));
    return after.ok ? ok({ piece, before, after: after.value }) : after;
  };

  return {
    bringIn: (bytes) => splitPieces(bytes).map((part) => answer(mapped(openPiece(part, { format: null, key: null, part: null }), (piece) => broughtPiece(piece, recogniseFormat(part))))),
    regrid: (bytes, grid) => {
      const wanted = gridSchema.validateSync(grid, { strict: true }) as Grid | null;
      return answer(mapped(openPiece(bytes, { format: 'midi', key: null, part: null, grid: wanted }), (piece) => broughtPiece(piece, 'midi')));
    },
    shelf: (source, prefix) => answer(mapped(open(source), (piece) => shelfView(piece, prefix))),
    bench: (source, wish, page) => {
      const checked = benchPageSchema.validateSync(page, { strict: true });
      return answer(mapped(moved(source, wish), ({ piece, before, after }) => benchView(piece, before, after, { ...checked, prefixes: ID_PREFIXES })));
    },
    positions: (source) => answer(mapped(open(source), (piece) => positionViews(asWritten(piece)))),
    performances: (source, wish) =>
      answer(mapped(moved(source, wish), ({ piece, before, after }) => ({ before: performanceOf(before.score, piece.part.id), after: performanceOf(after.score, piece.part.id) }))),
    chords: (source, wish) => answer(mapped(moved(source, wish), ({ piece, before, after }) => chordsView(piece, before, after))),
    fingers: (source, wish) => answer(mapped(moved(source, wish), ({ piece, after }) => fingerPage(piece, after))),
    partner: (source, wish, mode) => {
      const checked = partnerWishSchema.validateSync(wish, { strict: true });
      const wanted = mode === undefined ? undefined : modeSchema.validateSync(mode);
      return answer(mapped(open(source), (piece) => partnerKeys(piece, checked, wanted)));
    },
    choices: (source, wish, noteId) => answer(mapped(moved(source, wish), ({ after }) => fingerChoicesAt(after, noteId))),
    ladder: async (source, wish, order, mode, ticket, onKey) => {
      const asked = openWith(source, { ...wish, to: null });
      if (!asked.ok) return answer(asked);
      const { piece, wish: full } = asked.value;
      const keys = ladderKeys(piece, mode ?? piece.key.key.mode);
      const rungs: Rung[] = [];
      for (const key of keys) {
        await otherQuestions();
        if (ticket !== undefined && stopped.delete(ticket)) return answer(err({ code: 'job.stopped' }));
        rungs.push(rungIn(piece, full, key));
        onKey?.(rungs.length, keys.length);
      }
      return answer(ok(ladderFrom(piece, rungs, order)));
    },
    survey: async (source, wish, modes, ticket, onKey) => {
      const asked = openWith(source, { ...wish, to: null });
      if (!asked.ok) return answer(asked);
      const { piece, wish: full } = asked.value;
      const own = piece.key.key;
      for (const mode of modesSchema.validateSync(modes, { strict: true })) {
        for (const key of ladderKeys(piece, modeOf(own, mode))) {
          await otherQuestions();
          if (stopped.delete(ticket)) return answer(err({ code: 'job.stopped' }));
          onKey(surveyKey(rungIn(piece, full, key), own));
        }
      }
      return answer(ok({ title: piece.score.title, own: keyText(own), bars: piece.part.measures.length }));
    },
    stop: (ticket) => void stopped.add(ticket),
    sideBySide: (source, wish, keys) => {
      const versions: Version[] = [];
      for (const to of keyNamesSchema.validateSync(keys, { strict: true })) {
        const version = moved(source, { ...wish, to });
        if (!version.ok) return answer(version);
        versions.push(version.value.after);
      }
      return answer(ok(barsSideBySide(versions)));
    },
    atlasCard: (key, school, player) => answer(mapped(keyNamed(key), (found) => atlasCard(found, school, samePlayer(playerSchema.validateSync(player, { strict: true }))))),
    plannerDiffers: (key, player) => answer(mapped(keyNamed(key), (found) => plannerDiffers(found, samePlayer(playerSchema.validateSync(player, { strict: true }))))),
    drill: (wish, columns) => {
      const { keys, ...rest } = drillSchema.validateSync(wish, { strict: true });
      const found: Key[] = [];
      for (const name of keys) {
        const key = keyNamed(name);
        if (!key.ok) return answer(key);
        found.push(key.value);
      }
      return answer(ok(drillView({ ...rest, keys: found }, columnsSchema.validateSync(columns))));
    },
    notes: (key, pitches) => answer(mapped(keyNamed(key), (found) => notesPage(found, pitchesSchema.validateSync(pitches, { strict: true }) as readonly Pitch[]))),
    save: (source, wish, format, beside) => {
      const version = moved(source, wish);
      return answer(mapped(version, ({ piece, after }) => saveAs({ ...piece, carried: { ...piece.carried, ...beside } }, after, format)));
    },
  };
}

function broughtPiece({ score, remarks, carried }: OpenedPiece, format: FileFormat | null): BroughtPiece {
  return { musicXml: writeMusicXml(score), title: score.title, format, beside: carried, remarks: remarks.map((remark) => {
    const bar = remarkBar(remark);
    return bar === null ? { message: remarkWords(remark) } : { message: remarkWords(remark), bar };
  }) };
}

interface Moved {
  readonly piece: OpenedPiece;
  readonly before: Version;
  readonly after: Version;
}

function surveyKey({ key, facts }: Rung, own: Key): SurveyKey {
  return { ...facts, name: keyText(key), words: keyPrint(key), isOwn: keyText(key) === keyText(own) };
}

/** The other mode of a piece in major, or in a mode with a major third, is minor; of all others major. */
function modeOf(own: Key, asked: SurveyMode): Mode {
  if (asked === 'own') return own.mode;
  if (asked !== 'parallel') return asked;
  return hasMinorThird(own.mode) ? 'major' : 'minor';
}

/** A key by its name, as `D-major`. */
function keyNamed(name: string): Result<Key, Fault> {
  const key = parseKey(name, 'major');
  return key ? ok(key) : err({ code: 'query.value', name: 'key', value: name, allowed: 'a key such as D-major' });
}

/** The wish with its key; without one the piece stays in its own. */
function fullWish(piece: OpenedPiece, wish: BenchWish): Result<Wish, Fault> {
  benchWishSchema.validateSync(wish, { strict: true });
  const own = piece.key.key;
  const to: Key | undefined = wish.to === null ? own : parseKey(wish.to, own.mode);
  if (!to) return err({ code: 'query.value', name: 'key', value: wish.to ?? '', allowed: 'a key such as D, Bb or F#' });
  return ok({
    to,
    direction: wish.direction,
    octaves: { right: wish.octaveRight, left: wish.octaveLeft },
    spelling: wish.spelling,
    courtesy: wish.courtesy,
    sixth: wish.sixth,
    seventh: wish.seventh,
    fingering: wish.fingering,
    player: samePlayer(wish.player),
    keyboard: wish.keyboard as KeyboardSize,
    respelled: wish.respelled,
    decisions: wish.decisions,
  });
}

/** Messages bring a new object each time; one that says the same stands for all, so that what was found out for it is found again. */
function samePlayer(player: Player): Player {
  const name = JSON.stringify(player);
  const known = players.get(name) ?? player;
  if (players.size >= KEPT_PIECES) players.clear();
  players.set(name, known);
  return known;
}

const players = new Map<string, Player>();

/** The last versions of each piece: what is asked of one after its page (chords, fingers, how it sounds) need not move it again. */
const versions = new WeakMap<OpenedPiece, Map<string, Result<Version, Fault>>>();

function versionsOf(piece: OpenedPiece): Map<string, Result<Version, Fault>> {
  const known = versions.get(piece) ?? new Map<string, Result<Version, Fault>>();
  versions.set(piece, known);
  return known;
}

/** So many versions of a piece are kept; the one that was not asked for the longest goes first. */
const KEPT_VERSIONS = 6;

function remembered<T>(kept: Map<string, T>, name: string, make: () => T): T {
  const value = kept.get(name) ?? make();
  kept.delete(name);
  kept.set(name, value);
  const oldest = kept.keys().next().value;
  if (kept.size > KEPT_VERSIONS && oldest !== undefined) kept.delete(oldest);
  return value;
}

/** Lets questions that came in meanwhile be answered. */
function otherQuestions(): Promise<void> {
  return new Promise((go) => setTimeout(go, 0));
}

function mapped<T, U>(result: Result<T, Fault>, change: (value: T) => U): Result<U, Fault> {
  return result.ok ? ok(change(result.value)) : result;
}

function answer<T>(result: Result<T, Fault>): Answer<T> {
  if (result.ok) return result;
  const { error } = result;
  return { ok: false, trouble: { code: error.code, ...faultWords(error), line: 'at' in error ? error.at.line : null } };
}
