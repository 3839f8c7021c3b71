import type { AskedMusic, StruckKey } from '../asked';
import { align } from './alignment';
import { evennessOf } from './evenness';
import { findFaults } from './find-faults';
import { heardBeside, tempoOfBars } from './heard-beside';
import { heardRuns } from './heard-moments';
import type { Judgement, JudgedKey } from './judgement';
import { nextThing } from './next-thing';
import { NOT_SCORED, type PlayFault, type PlayFaultKind } from './play-fault';
import { rightNotes } from './right-notes';
import { tempoAround } from './tempo';
import { TOLERANCES, type Strictness } from './tolerances.table';

/** How a performance is judged. `bpm`: the tempo that was set, in the meter's beats; `countIn`: so many beats come before the first bar on the clock of what was
 * taken down. Null where nothing was set: then the pulse is what was played, and the first key the first note. */
export interface JudgeOptions {
  readonly strictness: Strictness;
  readonly bpm: number | null;
  readonly countIn: number | null;
  /** Where a microphone listened instead of keys: what the ear does not judge is not told. Null or left out where keys were played. */
  readonly byEar?: HeardByEar | null;
}

/** What a microphone could not tell: the notes that were not heard clearly, as indexes of the asked notes. They are among the keys, as if they had been right. */
export interface HeardByEar {
  readonly unclear: readonly number[];
}

/** What no ear judges: which octave, and how long a note was held. */
const NOT_BY_EAR: readonly PlayFaultKind[] = ['octave', 'too-short', 'too-long'];

/** Judges what was played against what is written. Keys in order of time.
 * Cost: that of aligning, twice; ten minutes of playing in less than half a second. */
export function judgePlaying(music: AskedMusic, keys: readonly StruckKey[], options: JudgeOptions): Judgement {
  const beat = music.bars[0]?.beat ?? 1;
  const given = options.bpm === null ? null : 60_000 / options.bpm / beat;
  const tolerance = TOLERANCES[options.strictness];
  // The keys alone say roughly where everything belongs; with the pulse that follows from it, it is laid anew.
  const rough = align(music, keys, null);
  const alignment = align(music, keys, tempoAround(music, keys, rough, given));
  const runs = heardRuns(music, keys, alignment);
  const beginMs = options.countIn === null || given === null ? null : options.countIn * given * beat;
  const found = findFaults({ music, keys, alignment, runs, tolerance, beginMs });
  const { pulses, fates } = found;
  const faults = options.byEar ? found.faults.filter(({ kind }) => !NOT_BY_EAR.includes(kind)) : found.faults;
  const paces = pulses.flatMap(({ msPerQuarter }) => (msPerQuarter === null ? [] : [msPerQuarter]));
  const pace = paces.at(-1);
  const bpm = pace === undefined ? null : 60_000 / pace / beat;
  const spreadMs = Math.max(0, ...pulses.map((pulse) => pulse.spreadMs));
  const isWhole = isWholePlayed(music, runs);
  const scored = faults.filter(({ kind }) => !NOT_SCORED.includes(kind));
  const isBroken = scored.some(({ kind }) => BREAKS_PULSE.includes(kind));
  const faultOf = new Map(faults.toReversed().flatMap((fault) => fault.keys.map((key) => [key, fault] as const)));
  return {
    clean: isWhole && scored.length === 0 && spreadMs <= tolerance.spreadMs,
    written: music.notes.filter(({ isGrace }) => !isGrace).length,
    right: rightNotes(music, keys, runs, faults),
    pulse: { bpm, steady: !isBroken && spreadMs <= tolerance.spreadMs, spreadMs },
    evenness: options.byEar ? NOT_HEARD : evennessOf(music, keys, alignment),
    runs: runs.map((run) => ({ fromBar: barOf(music, run[0]?.moment), toBar: barOf(music, run.at(-1)?.moment) })),
    faults,
    keys: keys.map(({ midi, downMs }, i): JudgedKey => {
      const note = fates[i]?.note ?? null;
      return {
        midi,
        downMs,
        note: note === null ? null : (music.notes[note]?.id ?? null),
        fault: faultOf.get(i) ?? null,
      };
    }),
    heard: options.byEar ? [] : heardBeside(music, keys, runs, pulses),
    unclear: (options.byEar?.unclear ?? []).flatMap((note) => music.notes[note]?.id ?? []),
    tempo: tempoOfBars(music, runs.at(-1) ?? []),
    next: nextThing(music, scored, options.bpm ?? bpm),
  };
}

/** How loud, the ear does not judge. */
const NOT_HEARD: Judgement['evenness'] = { loudness: { right: null, left: null }, balance: null };

/** What breaks the pulse, right notes or not. */
const BREAKS_PULSE: readonly PlayFault['kind'][] = ['hesitation', 'stopped', 'early', 'late'];

function isWholePlayed({ moments }: AskedMusic, runs: ReturnType<typeof heardRuns>): boolean {
  const [first] = runs;
  const last = runs.at(-1);
  return first?.[0]?.moment === 0 && last?.at(-1)?.moment === moments.length - 1;
}

function barOf({ moments, notes }: AskedMusic, moment: number | undefined): string {
  const first = moments[moment ?? -1]?.notes[0];
  return first === undefined ? '' : (notes[first]?.bar ?? '');
}
