import type { AskedMusic, StruckKey } from '../asked';
import type { Alignment } from './alignment';
import { causeFaults } from './causes/cause-faults';
import { bestReading } from './causes/best-reading';
import { otherHandOf, playedByOtherHand } from './causes/other-hand';
import { keysAgainstPage } from './causes/page-as-played';
import { evennessOf } from './evenness';
import { findFaults } from './find-faults';
import { heardBeside, tempoOfBars } from './heard-beside';
import { faultAt, type FaultFacts } from './fault-at';
import { heardRuns, type Run } from './heard-moments';
import type { Judgement, JudgedKey } from './judgement';
import { nextThing } from './next-thing';
import { NOT_SCORED, type PlayFault, type PlayFaultKind } from './play-fault';
import { putRight } from './put-right';
import { rightNotes } from './right-notes';
import { TOLERANCES, type Strictness } from './tolerances.table';
import { handBehind, together } from './uneven-time';

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
export function judgePlaying(asked: AskedMusic, struck: readonly StruckKey[], options: JudgeOptions): Judgement {
  const beat = asked.bars[0]?.beat ?? 1;
  const given = options.bpm === null ? null : 60_000 / options.bpm / beat;
  const tolerance = TOLERANCES[options.strictness];
  const reading = bestReading(asked, struck, given);
  const other = otherHandOf(asked);
  const theirs = other && playedByOtherHand(other, struck, given, reading);
  if (theirs) return otherHandJudged({ asked, other }, struck, theirs, options.bpm);
  const { causes, page } = reading;
  const alignment = putRight(page.asPlayed, struck, reading.alignment);
  // What is told of single keys is told against the page, as if nothing else had gone wrong.
  const music = page.asWritten;
  const inPlace = keysAgainstPage(struck, alignment, page);
  const runsInPlace = heardRuns(music, inPlace, alignment);
  const behind = handBehind(music, inPlace, runsInPlace);
  const keys = behind ? together(music, inPlace, alignment, behind) : inPlace;
  const runs = behind ? heardRuns(music, keys, alignment) : runsInPlace;
  const beginMs = options.countIn === null || given === null ? null : options.countIn * given * beat;
  const found = findFaults({ music, keys, alignment, runs, tolerance, beginMs });
  const { pulses, fates } = found;
  const all = [...causeFaults(asked, page, alignment, causes), ...found.faults];
  const faults = options.byEar ? all.filter((fault) => !isBeyondEar(fault)) : all;
  const paces = pulses.flatMap(({ msPerQuarter }) => (msPerQuarter === null ? [] : [msPerQuarter]));
  const pace = paces.at(-1);
  const bpm = pace === undefined ? null : 60_000 / pace / beat;
  const spreadMs = Math.max(0, ...pulses.map((pulse) => pulse.spreadMs));
  const isWhole = isWholePlayed(music, runs);
  const scored = faults.filter(({ kind }) => !NOT_SCORED.includes(kind));
  const isBroken = scored.some(({ kind }) => BREAKS_PULSE.includes(kind));
  // Who puts a key right has all notes right, and not yet in one go.
  const isStumbled = faults.some(({ kind }) => kind === 'corrected');
  const faultOf = new Map(faults.toReversed().flatMap((fault) => fault.keys.map((key) => [key, fault] as const)));
  return {
    clean: isWhole && scored.length === 0 && !isStumbled && spreadMs <= tolerance.spreadMs,
    written: asked.notes.filter(({ isGrace }) => !isGrace).length,
    // Right is what came right for its cause: that it lay elsewhere is told once.
    right: rightNotes(music, keys, runs, found.faults),
    pulse: { bpm, steady: !isBroken && spreadMs <= tolerance.spreadMs, spreadMs },
    evenness: options.byEar ? NOT_HEARD : evennessOf(music, keys, alignment),
    runs: playedRuns(music, runs),
    faults,
    keys: struck.map(({ midi, downMs }, i): JudgedKey => {
      const note = fates[i]?.note ?? null;
      return {
        midi,
        downMs,
        note: note === null ? null : (music.notes[note]?.id ?? null),
        fault: faultOf.get(i) ?? null,
      };
    }),
    heard: options.byEar ? [] : [...(behind ? [behind] : []), ...heardBeside(music, keys, runs, pulses)],
    unclear: (options.byEar?.unclear ?? []).flatMap((note) => music.notes[note]?.id ?? []),
    tempo: tempoOfBars(music, runs.at(-1) ?? []),
    next: nextThing(asked, scored, options.bpm ?? bpm),
  };
}

/** The hand that was not asked for was played: nothing else is told, since nothing of it was asked. */
function otherHandJudged(
  { asked, other }: { readonly asked: AskedMusic; readonly other: AskedMusic },
  keys: readonly StruckKey[],
  alignment: Alignment,
  bpm: number | null,
): Judgement {
  const runs = heardRuns(other, keys, alignment);
  const all = keys.map((_, key) => key);
  const facts: FaultFacts = {
    ...{ kind: 'other-hand', heard: [], run: 0, offMs: null, extra: all },
    place: { moment: 0 },
    hand: other.notes[0]?.hand ?? null,
  };
  const fault = faultAt(asked, keys, facts);
  return {
    clean: false,
    written: asked.notes.filter(({ isGrace }) => !isGrace).length,
    right: 0,
    pulse: { bpm: null, steady: false, spreadMs: 0 },
    evenness: NOT_HEARD,
    runs: playedRuns(other, runs),
    faults: [fault],
    keys: keys.map(({ midi, downMs }): JudgedKey => ({ midi, downMs, note: null, fault })),
    heard: [],
    unclear: [],
    tempo: [],
    next: nextThing(asked, [fault], bpm),
  };
}

function playedRuns(music: AskedMusic, runs: readonly Run[]): Judgement['runs'] {
  return runs.map((run) => ({ fromBar: barOf(music, run[0]?.moment), toBar: barOf(music, run.at(-1)?.moment) }));
}

function isBeyondEar({ kind, stretch }: PlayFault): boolean {
  const isOctave = stretch?.shift?.letters !== undefined && stretch.shift.letters % 7 === 0;
  return NOT_BY_EAR.includes(kind) || isOctave;
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
