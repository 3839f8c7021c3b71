import { CROSSING_LEVEL, type Passage, type PassageNote, type Player } from '../fingering';
import type { Moment } from './moments';
import type { Stage } from './stages';
import type { StepKeys, StepSetting } from './step-keys';
import { HOP_AT, POSTURE, REACH_LETTERS, SCHOOL, type Tempo } from './weights.table';

/** What the fingers of two moments one after the other cost where the posture changes: one entry a pair of grips. `pass` is what crossing costs in place of a
 * move; Infinity where the fingers do not cross. */
export interface Joining {
  readonly plain: readonly number[];
  readonly pass: readonly number[];
  /** What counts where the posture stays as well: a held key that changes its finger, one finger twice on a key under the school that changes. */
  readonly held: readonly number[];
  /** Whether one key is struck twice. */
  readonly isRepeated: boolean;
}

export function joiningOf(
  setting: StepSetting,
  moment: Moment,
  [before, now]: readonly [Stage, Stage],
  on: StepKeys,
): Joining {
  const [rows, columns] = [before.form.grips.length, now.form.grips.length];
  const plain = new Array<number>(rows * columns).fill(0);
  const pass = new Array<number>(rows * columns).fill(Infinity);
  const held = new Array<number>(rows * columns).fill(0);
  const isLine = before.notes.length === 1 && now.notes.length === 1;
  const isSameLetter = isLine && letterOf(setting.passage, before) === letterOf(setting.passage, now);
  const letters = letterOf(setting.passage, now) - letterOf(setting.passage, before);
  const isSlide = isSameLetter && alteredOf(setting.passage, before) !== alteredOf(setting.passage, now);
  const isRepeated = isSameLetter && !isSlide;
  const changes = isRepeated && setting.player.repeat === 'change';
  before.form.grips.forEach((a, i) =>
    now.form.grips.forEach((b, k) => {
      const at = i * columns + k;
      if (isLine) {
        const pair = { first: a[0] as number, second: b[0] as number, letters };
        plain[at] = lineCost(pair, moment);
        pass[at] = passCost(setting.player, pair, moment.tempo, on);
      } else plain[at] = chordCost(setting.passage, moment, [before, a], [now, b]);
      const again = a[0] === b[0] ? (isSlide ? POSTURE.slide[moment.tempo] : changes ? SCHOOL.sameAgain : 0) : 0;
      held[at] = heldCost(before, a, now, b) + again;
    }),
  );
  return { plain, pass, held, isRepeated };
}

function alteredOf({ notes }: Passage, stage: Stage): number {
  return (notes[stage.notes[0] as number] as PassageNote).altered;
}

function letterOf({ notes }: Passage, stage: Stage): number {
  return (notes[stage.notes[0] as number] as PassageNote).letter;
}

interface LinePair {
  readonly first: number;
  readonly second: number;
  /** Letters from the first key to the second. */
  readonly letters: number;
}

const FARTHEST_JOINED = 8;
const OCTAVE = 7;

function lineCost({ first, second, letters }: LinePair, { tempo, join }: Moment): number {
  if (Math.abs(letters) > FARTHEST_JOINED) return 0;
  if (letters === 0) return first === second ? 0 : POSTURE.otherFinger[tempo];
  if (first === second)
    return (
      (HOP_AT[join] ?? POSTURE.hop[tempo]) +
      (first === 1 ? POSTURE.hopThumb[tempo] : 0) +
      (Math.abs(letters) === OCTAVE ? POSTURE.hopOctave : 0)
    );
  const fingers = second - first;
  if (Math.sign(fingers) !== Math.sign(letters)) {
    const isLong = tempo > 0 && join !== 'rest1';
    const isDisguised = isLong && Math.abs(letters) <= 2 && Math.abs(fingers) >= 3;
    return POSTURE.reversed[tempo] + (isDisguised ? POSTURE.disguised : 0);
  }
  const reach = REACH_LETTERS[`${Math.min(first, second)}${Math.max(first, second)}`] as number;
  const far = Math.max(0, Math.abs(letters) - reach);
  const near = Math.max(0, Math.abs(fingers) - Math.abs(letters));
  return Math.min(POSTURE.tooFarMost, POSTURE.tooFar[tempo] * far) + POSTURE.tooNear[tempo] * near;
}

const WIDEST_PASS = 3;

function passCost({ level }: Player, { first, second, letters }: LinePair, tempo: Tempo, on: StepKeys): number {
  const other = first === 1 ? second : first;
  const isCrossed = Math.sign(second - first) !== Math.sign(letters) && letters !== 0 && first !== second;
  const isPossible = isCrossed && Math.min(first, second) === 1 && other !== 5 && Math.abs(letters) <= WIDEST_PASS;
  const hasNoTime = tempo === 0 || (tempo === 1 && level >= CROSSING_LEVEL);
  if (!isPossible || !hasNoTime) return Infinity;
  const [one, two] = on.black === 'least' ? [false, false] : on.black;
  const [thumbBlack, otherBlack] = first === 1 ? [one, two] : [two, one];
  return (
    POSTURE.pass +
    (other === 2 ? POSTURE.passTwo : 0) +
    (other === 4 ? POSTURE.passFour : 0) +
    POSTURE.passLetter * (Math.abs(letters) - 1) +
    (thumbBlack ? POSTURE.passThumbBlack : 0) +
    (otherBlack || on.black === 'least' ? POSTURE.passOverBlack : 0) +
    (tempo === 1 ? POSTURE.passMiddle : 0) +
    (on.isRun ? 0 : POSTURE.passAlone) +
    (level < CROSSING_LEVEL ? POSTURE.passLevel : 0)
  );
}

function chordCost(
  { notes }: Passage,
  { join, tempo }: Moment,
  [before, a]: readonly [Stage, readonly number[]],
  [now, b]: readonly [Stage, readonly number[]],
): number {
  const letter = (note: number): number => (notes[note] as PassageNote).letter;
  let hops = 0;
  let changed = 0;
  before.notes.forEach((one, i) =>
    now.notes.slice(0, now.struck).forEach((other, k) => {
      const letters = letter(other) - letter(one);
      const fingers = (b[k] as number) - (a[i] as number);
      if (letters === 0 && fingers !== 0) changed += 1;
      else if (letters !== 0 && fingers === 0) hops += 1;
      else if (letters !== 0 && Math.sign(letters) !== Math.sign(fingers)) hops += 0.5;
    }),
  );
  // An octave is prepared by 2 or 3, not by the thumb that has to leap to it.
  const isOctave = before.notes.length === 1 && spanOf(now.notes.map(letter)) >= OCTAVE;
  const unprepared = isOctave && a[0] === 1 && b.includes(1) && hops >= 1 ? POSTURE.unprepared[tempo] : 0;
  const larger = Math.max(before.notes.length, now.notes.length);
  const hop = join === 'chord' ? POSTURE.chordHopChords : POSTURE.chordHop[tempo];
  return unprepared + (hops / larger) * hop + (changed / larger) * POSTURE.chordFinger[tempo];
}

function spanOf(letters: readonly number[]): number {
  return Math.max(...letters) - Math.min(...letters);
}

function heldCost(before: Stage, a: readonly number[], now: Stage, b: readonly number[]): number {
  let cost = 0;
  for (let k = now.struck; k < now.notes.length; k += 1) {
    const i = before.notes.indexOf(now.notes[k] as number);
    if (i >= 0 && a[i] !== b[k]) cost += POSTURE.heldFinger;
  }
  return cost;
}
