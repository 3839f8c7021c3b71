import type { AskedMusic, AskedNote, AskedMoment } from '../asked';
import { chanceOf, type Chance } from './chance';
import type { Performed, Playing, Pupil, Slip, Stroke } from './pupil';
import type { SlipMade } from './make-slip';
import { SLIPS } from './slips';

/** How much of its length a note is held, and a detached one. Our own choice. */
const HELD = 0.9;
const DETACHED = 0.5;
/** A grace note comes so much before its note. Unit: ms. */
const GRACE_MS = 110;
/** How long the tempo takes to drift there and back. Unit: quarters. */
const DRIFT_QUARTERS = 24;
/** A pupil cannot do two things wrong at once and have them told apart: so many moments lie between. */
const APART = 3;

/** Plays what is asked for as a pupil would. The same pupil plays the same. */
export function playAs(pupil: Pupil, music: AskedMusic): Performed {
  const chance = chanceOf(pupil.seed);
  const msPerQuarter = 60_000 / pupil.bpm / (music.bars[0]?.beat ?? 1);
  let playing: Playing = { music, strokes: evenStrokes(pupil, music, msPerQuarter, chance), msPerQuarter };
  const slips: Slip[] = [];
  const taken: number[] = [];
  // Beginning again comes last: it plays anew what stands there by then.
  const inOrder = pupil.weaknesses.toSorted((a, b) => Number(a === 'begins-again') - Number(b === 'begins-again'));
  for (const weakness of inOrder) {
    const isFree = (from: number, to: number): boolean =>
      taken.every((place) => place < from - APART || place > to + APART);
    const made: SlipMade | null = SLIPS[weakness](playing, chance, isFree);
    if (!made) continue;
    for (let m = made.from; m <= made.to; m += 1) taken.push(m);
    playing = { ...playing, strokes: made.strokes };
    slips.push(slipOf(music, weakness, made));
  }
  const keys = playing.strokes
    .map(({ midi, downMs, upMs, velocity }) => ({ midi, downMs, upMs: Math.max(downMs + 20, upMs), velocity }))
    .toSorted((a, b) => a.downMs - b.downMs || a.midi - b.midi);
  return { keys, slips };
}

function slipOf(music: AskedMusic, weakness: Slip['weakness'], { notes, at }: SlipMade): Slip {
  const asked = notes.map((note) => music.notes[note] as AskedNote);
  const hands = new Set(asked.map(({ hand }) => hand));
  const first = music.notes[(music.moments[at] as AskedMoment).notes[0] as number] as AskedNote;
  return {
    weakness,
    hand: hands.size === 1 ? (asked[0]?.hand ?? null) : null,
    bar: first.bar,
    notes: asked.map(({ id }) => id),
  };
}

/** All notes right and in time, as far as a hand is steady. */
function evenStrokes(
  { jitterMs, unevenMs, drift }: Pupil,
  music: AskedMusic,
  msPerQuarter: number,
  chance: Chance,
): readonly Stroke[] {
  const phase = chance.between(0, 2 * Math.PI);
  const turn = (2 * Math.PI) / DRIFT_QUARTERS;
  // The time that a tempo takes which swings around its middle.
  const timeAt = (quarters: number): number =>
    msPerQuarter * (quarters + (drift / turn) * (Math.cos(phase) - Math.cos(phase + turn * quarters)));
  return music.moments.flatMap(({ at, notes }, moment) => {
    const uneven = chance.normal(unevenMs);
    return notes.map((note, i): Stroke => {
      const { midi, length, isGrace, isDetached } = music.notes[note] as AskedNote;
      const before = isGrace ? GRACE_MS * notes.slice(i).filter((other) => music.notes[other]?.isGrace).length : 0;
      const downMs = Math.max(0, timeAt(at) + uneven + chance.normal(jitterMs) - before);
      const heldMs = isGrace ? GRACE_MS * HELD : length * msPerQuarter * (isDetached ? DETACHED : HELD);
      const velocity = Math.min(120, Math.max(20, Math.round(64 + chance.normal(6))));
      return { note, moment, midi, downMs, upMs: downMs + heldMs, velocity };
    });
  });
}
