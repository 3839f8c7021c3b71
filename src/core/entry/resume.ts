import { staffOfHand, voicesOf } from '../edit';
import { moveCaret, toBar, toNote } from './caret';
import { HIGHEST_LETTER, LOWEST_LETTER } from './seats';
import {
  INPUT_METHODS,
  NOTHING_SAID,
  ROWS,
  barsOf,
  isCaret,
  isFull,
  partOf,
  voiceOfCaret,
  type Caret,
  type Session,
  type Typing,
} from './session';

/** What is remembered of entering so that it can be gone on from: in another tab, or once a worker was started anew. */
interface Remembered extends Pick<Typing, 'method' | 'caret' | 'rows' | 'length' | 'seats' | 'openings' | 'mode'> {
  readonly ticksPerQuarter: number;
  /** The note at the caret; null behind the last of the bar. */
  readonly at: string | null;
}

/** Where entering stands, as text. */
export function typingText(session: Session): string {
  const { method, caret, rows, length, seats, openings, mode } = session.typing;
  const at = voiceOfCaret(session).entries[caret.index]?.notes[0]?.id ?? null;
  const { ticksPerQuarter } = session.edited.score;
  const remembered: Remembered = { method, caret, rows, length, seats, openings, mode, ticksPerQuarter, at };
  return JSON.stringify(remembered);
}

/**
 * Goes on from where entering stood. `there`: the music is the same, so the caret stands at the same place. `near`: the music was changed since, so the
 * caret goes to its note where that is still there, else behind what its bar holds, or where the hand stops. Text that is damaged, or from another program, changes nothing.
 */
export function resumed(session: Session, text: string, how: 'there' | 'near'): Session {
  const remembered = rememberedIn(text);
  if (!remembered) return session;
  const { ticksPerQuarter, at, caret, rows, length, ...others } = remembered;
  // Lengths are counted in ticks of the music that they were chosen for.
  const lengths = ticksPerQuarter === session.edited.score.ticksPerQuarter ? { rows, length } : {};
  const seated: Session = { ...session, typing: { ...session.typing, ...others, ...lengths, next: NOTHING_SAID } };
  if (how === 'there') return { ...seated, typing: { ...seated.typing, caret: within(seated, caret) } };
  const toItsNote = at === null ? null : toNote(seated, at);
  if (toItsNote && toItsNote.notice === null) return toItsNote.session;
  const behind = toBar(seated, caret.bar, handOf(seated, caret)).session;
  // A bar that is full by now has no place behind it, and what stands at its beginning is not to be entered over.
  return isFull(behind, behind.typing.caret.bar) ? moveCaret(behind, 1, 'end').session : behind;
}

/** The hand of a caret, as far as the piece has it. */
function handOf(session: Session, { hand }: Caret): Caret['hand'] {
  return partOf(session).staves < 2 ? 'right' : hand;
}

/** A caret that the music has a place for. */
function within(session: Session, wanted: Caret): Caret {
  const part = partOf(session);
  const hand = handOf(session, wanted);
  const voices = voicesOf(part, staffOfHand(part, hand));
  const voice = hand === wanted.hand ? wanted.voice : (voices[0] ?? '1');
  const bar = Math.min(barsOf(session), Math.max(0, wanted.bar));
  const caret: Caret = { ...wanted, hand, voice, bar };
  const room = voiceOfCaret({ ...session, typing: { ...session.typing, caret } }).entries.length;
  return { ...caret, index: Math.min(room, Math.max(0, wanted.index)) };
}

function rememberedIn(text: string): Remembered | null {
  try {
    const value: unknown = JSON.parse(text);
    return isRemembered(value) ? value : null;
  } catch {
    return null;
  }
}

function isRemembered(value: unknown): value is Remembered {
  if (!isRecord(value)) return false;
  const { method, caret, rows, length, seats, openings, mode, ticksPerQuarter, at } = value;
  return (
    INPUT_METHODS.some((one) => one === method) &&
    isCaret(caret) &&
    isRecord(rows) &&
    ROWS.every((row) => isTicks(rows[row])) &&
    isTicks(length) &&
    isRecord(seats) &&
    [seats['right'], seats['left']].every(isSeat) &&
    isRecord(openings) &&
    [openings['right'], openings['left']].every(isOpening) &&
    (mode === 'over' || mode === 'between') &&
    isTicks(ticksPerQuarter) &&
    (at === null || typeof at === 'string')
  );
}

function isTicks(value: unknown): boolean {
  return typeof value === 'number' && Number.isFinite(value) && value > 0;
}

function isSeat(value: unknown): boolean {
  return Number.isInteger(value) && (value as number) >= LOWEST_LETTER && (value as number) <= HIGHEST_LETTER - 4;
}

function isOpening(value: unknown): boolean {
  return (
    value === null ||
    (isRecord(value) && [1, 2, 3, 4, 5].includes(value['beside'] as number) && Number.isInteger(value['letters']))
  );
}

function isRecord(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null;
}
