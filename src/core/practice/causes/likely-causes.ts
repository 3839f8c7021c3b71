import type { AskedMusic, StruckKey } from '../../asked';
import type { Hand } from '../../score';
import { align, type TempoAt } from '../alignment';
import type { Cause, Stretch } from './cause';
import { barPlace, midiAt, notesOfCause, pageWith } from './page-as-played';
import { SHIFTS } from './shifts.table';
import type { Suspect } from './suspects';

/** By so much a hand is usually out of time with the other. Unit: beats. */
const BEATS_OFF = [1, 0.5, 2, -1, -0.5, -2] as const;

/** Fewer notes than these tell nothing of where a hand sat. */
const LEAST_NOTES = 4;
/** So large a share of the keys must be among those that a shift makes of the notes. */
const SHARED = 0.6;
/** So many shifts of a hand in a stretch are looked at more closely. */
const SHIFTS_TRIED = 2;

interface Likely {
  readonly cause: Cause;
  readonly gain: number;
}

/** What may have been the cause of what went wrong, the likeliest first. Each is held against the keys of its stretch alone. */
export function likelyCauses(
  music: AskedMusic,
  keys: readonly StruckKey[],
  suspects: readonly Suspect[],
  tempoAt: TempoAt,
): readonly Cause[] {
  const play: Played = { music, keys, tempoAt };
  const hands = (['right', 'left'] as const).filter((hand) => music.notes.some((note) => note.hand === hand));
  const found = suspects.flatMap((suspect) => {
    const causes = [
      ...shiftsOf(music, keys, suspect, hands),
      ...(hands.length === 2 && !suspect.isFitted ? lateHands(music, suspect) : []),
      ...(hands.length === 2 ? onlyHands(music, suspect, hands) : []),
    ];
    const before = costIn(play, suspect, Number.POSITIVE_INFINITY);
    return causes.map((cause): Likely => ({ cause, gain: before - costIn(play, suspect, before, cause) }));
  });
  return found
    .filter(({ gain }) => gain > 0)
    .toSorted((a, b) => b.gain - a.gain)
    .map(({ cause }) => cause);
}

/** What the keys of a stretch cost along its own bars, with a cause or without; infinitely much where that is more than `atMost`. */
function costIn({ music, keys, tempoAt }: Played, suspect: Suspect, atMost: number, cause?: Cause): number {
  const page = cause ? pageWith(music, [cause]).asPlayed : music;
  const moments = page.moments.filter(({ at }) => isWithin(barPlace(page, at), suspect));
  if (moments.length === 0) return Number.POSITIVE_INFINITY;
  const { from, to } = suspect.keys;
  // Which keys they were tells where a hand sat; when they came, only whether hands were together.
  const isOfTime = cause?.kind === 'hand-late' || atMost === Number.POSITIVE_INFINITY;
  const tempoIn: TempoAt = isOfTime && tempoAt !== null ? (key) => tempoAt(from + key) : null;
  return align({ ...page, moments }, keys.slice(from, to + 1), tempoIn, atMost).cost;
}

/** What was played of which page, and how fast, as far as that is known. */
interface Played {
  readonly music: AskedMusic;
  readonly keys: readonly StruckKey[];
  readonly tempoAt: TempoAt;
}

function isWithin(bar: number, { from, to }: Stretch): boolean {
  return bar >= from && bar <= to;
}

/** Where the hands, or one of them, may have sat: the shifts that make the most of the struck keys out of the notes. */
function shiftsOf(
  music: AskedMusic,
  keys: readonly StruckKey[],
  suspect: Suspect,
  hands: readonly Hand[],
): readonly Cause[] {
  const { from, to } = suspect;
  const struck = keys.slice(suspect.keys.from, suspect.keys.to + 1).map(({ midi }) => midi);
  const wanted: readonly (Hand | null)[] = hands.length === 2 ? [null, ...hands] : [null];
  const own = notesOfCause(music, { kind: 'transposed', hand: null, from, to, shift: { letters: 0, halfSteps: 0 } });
  const notes = own.flatMap((note) => music.notes[note] ?? []);
  const sharedBy = (midis: readonly number[]): number => overlap(struck, midis);
  const plain = sharedBy(notes.map(({ midi }) => midi));
  return wanted.flatMap((hand) => {
    if (notes.filter((note) => hand === null || note.hand === hand).length < LEAST_NOTES) return [];
    return SHIFTS.map((shift) => {
      const midis = notes.map((note) => (hand === null || note.hand === hand ? midiAt(music, note, shift) : note.midi));
      return { shift, shared: sharedBy(midis) };
    })
      .filter(({ shared }) => shared > plain && shared >= SHARED * struck.length)
      .toSorted((a, b) => b.shared - a.shared)
      .slice(0, SHIFTS_TRIED)
      .map(({ shift }): Cause => ({ kind: 'transposed', hand, from, to, shift }));
  });
}

/** How many keys two lists have in common, each as often as it is in both. */
function overlap(struck: readonly number[], asked: readonly number[]): number {
  const left = new Map<number, number>();
  for (const midi of asked) left.set(midi, (left.get(midi) ?? 0) + 1);
  return struck.filter((midi) => {
    const count = left.get(midi) ?? 0;
    left.set(midi, count - 1);
    return count > 0;
  }).length;
}

/** Over the whole page nobody can say which hand was ahead: then the other is late. */
function lateHands(music: AskedMusic, suspect: Suspect): readonly Cause[] {
  const { from, to } = suspect;
  const beat = music.bars[from]?.beat ?? 1;
  const beatsOff = isWhole(music, suspect) ? BEATS_OFF.filter((beats) => beats > 0) : BEATS_OFF;
  return (['left', 'right'] as const).flatMap((hand) =>
    beatsOff.map((beats): Cause => ({ kind: 'hand-late', hand, from, to, quarters: beats * beat })),
  );
}

function isWhole({ bars }: AskedMusic, { from, to }: Stretch): boolean {
  return from === 0 && to === bars.length - 1;
}

/** A hand that was never heard is looked for in the whole only: where it is left out for some bars, that is told as notes that are missing. */
function onlyHands(music: AskedMusic, suspect: Suspect, hands: readonly Hand[]): readonly Cause[] {
  const { from, to } = suspect;
  return isWhole(music, suspect) ? hands.map((hand): Cause => ({ kind: 'one-hand', hand, from, to })) : [];
}
