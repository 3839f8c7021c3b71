import { record, normaliseScore, type Clip, type EditLabel } from '../edit';
import type { Score } from '../score';
import type { Caret, Session, Typing } from './session';
import type { Notice } from './command';

/** What a command came to: the session after it, the keys to be heard (MIDI numbers), why it did nothing, and what was copied. */
export interface Outcome {
  readonly session: Session;
  readonly sounds: readonly number[];
  readonly notice: Notice | null;
  readonly clip?: Clip | undefined;
}

/** Nothing but another place or another thing remembered. */
export function typingChanged(session: Session, change: Partial<Typing>, sounds: readonly number[] = []): Outcome {
  return { session: { ...session, typing: { ...session.typing, ...change } }, sounds, notice: null };
}

/** Nothing at all, for a reason. */
export function refused(session: Session, notice: Notice): Outcome {
  return { session, sounds: [], notice };
}

/** A change of the score, put in order and noted in the history. */
export function scoreChanged(
  session: Session,
  after: Score,
  {
    label,
    atMs,
    change = {},
    sounds = [],
  }: {
    readonly label: EditLabel;
    readonly atMs: number;
    readonly change?: Partial<Typing>;
    readonly sounds?: readonly number[];
  },
): Outcome {
  const { edited: before, typing } = session;
  const noted = record<Caret>(before, normaliseScore(before.score, after), { label, atMs, caret: typing.caret });
  if (!noted) return typingChanged(session, change, sounds);
  return { session: { edited: noted, typing: { ...typing, ...change } }, sounds, notice: null };
}
