import { WHITE_KEY_MM, isBlackKey, keyCentreMm } from '../keyboard';
import type { Passage } from './passage';

/** Where the keys of a passage lie and which are black: one entry a note of the passage. Places are in hundredths of a mm,
 * larger towards finger 5. */
export interface View {
  readonly places: Int32Array;
  readonly black: Uint8Array;
  /** 1 for notes inside a chromatic run, 2 for those of them that lie on a white key beside another white one of the run. */
  readonly inRun: Uint8Array;
}

export function isOnBlack({ black }: View, note: number): boolean {
  return black[note] === 1;
}

/** A chromatic run goes by half steps over more keys than a hand has fingers and one. Source: our own choice; handbook has no such run. */
const RUN_KEYS = 7;

/** The keys as they are in some key. `midiOf` has the sounding key of each note, in the passage's order. */
export function realView(passage: Passage, midis: readonly number[]): View {
  const mirror = passage.hand === 'right' ? 1 : -1;
  return {
    places: Int32Array.from(midis, (midi) => mirror * Math.round(keyCentreMm(midi) * 100)),
    black: Uint8Array.from(midis, (midi) => Number(isBlackKey(midi))),
    inRun: chromaticRuns(passage, midis),
  };
}

/** The same places, as if every key were white: what is left is a matter of spacing. */
export function colourlessView(view: View): View {
  return { places: view.places, black: new Uint8Array(view.black.length), inRun: new Uint8Array(view.black.length) };
}

/** The keys as if each letter had a white key of its own, half a key further where a note is altered: the same in every key.
 * The finger found here is "the finger that would play the white key of that letter" (handbook). */
export function neutralView(passage: Passage): View {
  return {
    places: Int32Array.from(passage.notes, ({ letter, altered }) =>
      Math.round(100 * WHITE_KEY_MM * (letter + altered / 2)),
    ),
    black: new Uint8Array(passage.notes.length),
    inRun: new Uint8Array(passage.notes.length),
  };
}

/** Marks the notes between the ends of each long line of half steps. */
function chromaticRuns(passage: Passage, midis: readonly number[]): Uint8Array {
  const marks = new Uint8Array(midis.length);
  const line = passage.events.map(({ struck, held }) =>
    struck.length === 1 && held.length === 0 ? (struck[0] as number) : null,
  );
  let begin = 0;
  for (let t = 1; t <= line.length; t += 1) {
    const [before, now] = [line[t - 1] ?? null, line[t] ?? null];
    const goesOn =
      before !== null && now !== null && Math.abs((midis[now] as number) - (midis[before] as number)) === 1;
    if (goesOn) continue;
    const from = begin;
    begin = t;
    if (t - from < RUN_KEYS) continue;
    const run = line.slice(from, t).filter((index): index is number => index !== null);
    if (new Set(run.map((index) => midis[index])).size >= RUN_KEYS) {
      run
        .slice(1, -1)
        .forEach(
          (index, i) =>
            (marks[index] =
              [run[i] as number, run[i + 2] as number].some((other) => !isBlackKey(midis[other] as number)) &&
              !isBlackKey(midis[index] as number)
                ? 2
                : 1),
        );
    }
  }
  return marks;
}
