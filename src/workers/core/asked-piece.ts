import { err, lastingMemo, memo, memoOf, ok, type Fault, type Result } from '@/core/base';
import type { Language } from '@/core/explain';
import type { Player } from '@/core/fingering';
import type { MoveOptions, OpenedPiece, Version } from '@/core/piece';
import { hasMinorThird, keyText, parseKey, type Key, type Mode } from '@/core/pitch';
import type { Rung } from '@/core/views';
import type { SurveyKey, SurveyMode, SurveyUnwritable } from '@/contract/core-questions';
import type { BenchOptions } from '@/contract/piece-asked';

/** A key of the survey with its names. */
export function surveyKey(says: Language, rung: Rung, own: Key): SurveyKey | SurveyUnwritable {
  const names = { name: keyText(rung.key), words: says.key(rung.key), isOwn: keyText(rung.key) === keyText(own) };
  return rung.kind === 'written'
    ? { ...rung.facts, ...names }
    : { name: names.name, words: names.words, reason: rung.words };
}

/** The other mode of a piece in major, or in a mode with a major third, is minor; of all others major. */
export function modeOf(own: Key, asked: SurveyMode): Mode {
  if (asked === 'own') return own.mode;
  if (asked !== 'parallel') return asked;
  return hasMinorThird(own.mode) ? 'major' : 'minor';
}

/** A key by its name, as `D-major`. */
export function keyNamed(name: string): Result<Key, Fault> {
  const key = parseKey(name, 'major');
  return key ? ok(key) : err({ code: 'query.value', name: 'key', value: name, allowed: 'a key such as D-major' });
}

/** The options with their key; without one the piece stays in its own. */
export function fullOptions(piece: OpenedPiece, options: BenchOptions): Result<MoveOptions, Fault> {
  const own = piece.key.key;
  const to: Key | undefined = options.to === null ? own : parseKey(options.to, own.mode);
  if (!to)
    return err({ code: 'query.value', name: 'key', value: options.to ?? '', allowed: 'a key such as D, Bb or F#' });
  return ok({
    to,
    direction: options.direction,
    octaves: { right: options.octaveRight, left: options.octaveLeft },
    spelling: options.spelling,
    courtesy: options.courtesy,
    sixth: options.sixth,
    seventh: options.seventh,
    fingering: options.fingering,
    player: samePlayer(options.player),
    keyboard: options.keyboard,
    respelled: options.respelled,
    decisions: options.decisions,
  });
}

/** So many players are kept in mind. */
const players = lastingMemo<Player>(24);

/** Messages bring a new object each time; one that says the same stands for all, so that what was found out for it is found again. */
export function samePlayer(player: Player): Player {
  return players.get(JSON.stringify(player), () => player);
}

/** The last versions of a piece: what is asked of one after its page (chords, fingers, how it sounds) need not move it again. */
export const versionsOf = memoOf((_: OpenedPiece) => memo<Result<Version, Fault>>(6));
