import type { AskedMusic, AskedNote } from '../asked';
import { diatonicNumber, midiNumber, type Step } from '../pitch';
import type { Hand } from '../score';
import type { Playing, Stroke } from './pupil';
import { withStrokes } from './places';
import type { MakeSlip, SlipMade } from './make-slip';

interface HandStroke {
  readonly index: number;
  readonly stroke: Stroke;
  readonly note: AskedNote;
}

function strokesOf({ music, strokes }: Playing, hand: Hand): readonly HandStroke[] {
  return strokes
    .flatMap((stroke, index): readonly HandStroke[] => {
      const note = stroke.note === null ? undefined : music.notes[stroke.note];
      return note && note.hand === hand && !note.isGrace ? [{ index, stroke, note }] : [];
    })
    .toSorted((a, b) => a.note.at - b.note.at || a.note.midi - b.note.midi);
}

/** The last moments are left alone. */
const END = 2;

/** After a move the hand is still where it was: the first notes of the new place are struck there. */
export const staysInPosition: MakeSlip = (playing, chance, isFree) => {
  const { music } = playing;
  const runs = (['right', 'left'] as const).flatMap((hand) => {
    const own = strokesOf(playing, hand);
    return own.flatMap(({ note }, i): readonly (readonly HandStroke[])[] => {
      const before = own[i - 1]?.note;
      if (!before || before.frame === null || note.frame !== before.frame + 1) return [];
      const end = own.findIndex((other, j) => j >= i && !isOtherKey(music, other.note));
      const run = own.slice(i, Math.min(i + 4, end < 0 ? own.length : end));
      return [run.filter((other) => other.note.frame === note.frame)];
    });
  });
  const [run] = chance.shuffled(runs.filter((one) => one.length >= 2 && isInside(playing, one, isFree)));
  return run ? struckElsewhere(playing, run, (note) => oldKey(music, note) as number) : null;
};

function isOtherKey(music: AskedMusic, note: AskedNote): boolean {
  const key = oldKey(music, note);
  return key !== null && key !== note.midi;
}

function oldKey({ frames }: AskedMusic, { hand, frame, finger }: AskedNote): number | null {
  return frame === null || finger === null ? null : (frames[hand][frame - 1]?.keys[finger - 1] ?? null);
}

/** All fingers lie one key beside, the same way, for some notes. */
export const fingersOff: MakeSlip = (playing, chance, isFree) => {
  const { music } = playing;
  const length = 3 + chance.below(3);
  const letters = chance.of([1, -1]);
  const runs = (['right', 'left'] as const).flatMap((hand) => {
    const own = strokesOf(playing, hand);
    return own.map((_, i) => own.slice(i, i + length)).filter((run) => run.length === length);
  });
  const fits = runs.filter(
    (run) =>
      isInside(playing, run, isFree) &&
      new Set(run.map(({ note }) => diatonicNumber(note.pitch))).size >= 2 &&
      new Set(run.map(({ note }) => note.frame)).size === 1 &&
      isStillThere(music, run[0] as HandStroke) &&
      run.every(({ note }) => keyBeside(music, note, letters) !== note.midi),
  );
  const [run] = chance.shuffled(fits);
  return run ? struckElsewhere(playing, run, (note) => keyBeside(music, note, letters)) : null;
};

/** Whether the hand was in this place before. */
function isStillThere({ notes }: AskedMusic, { note }: HandStroke): boolean {
  const before = notes.findLast((other) => other.hand === note.hand && other.at < note.at - 1e-6);
  return before?.frame === note.frame;
}

function keyBeside({ notes }: AskedMusic, { pitch }: AskedNote, letters: number): number {
  const letter = diatonicNumber(pitch) + letters;
  const step = (((letter % 7) + 7) % 7) as Step;
  const alter = notes.find((other) => other.pitch.step === step)?.signatureAlter ?? 0;
  return midiNumber({ step, alter, octave: Math.floor(letter / 7) });
}

function isInside({ music }: Playing, run: readonly HandStroke[], isFree: Parameters<MakeSlip>[2]): boolean {
  const [from, to] = [run[0]?.stroke.moment ?? 0, run.at(-1)?.stroke.moment ?? 0];
  return from >= END && to < music.moments.length - END && isFree(from, to);
}

function struckElsewhere(
  { strokes }: Playing,
  run: readonly HandStroke[],
  keyOf: (note: AskedNote) => number,
): SlipMade {
  const from = (run[0] as HandStroke).stroke.moment;
  return {
    strokes: withStrokes(strokes, new Map(run.map(({ index, note }) => [index, { midi: keyOf(note) }]))),
    from,
    to: (run.at(-1) as HandStroke).stroke.moment,
    at: from,
    notes: run.flatMap(({ stroke }) => stroke.note ?? []),
  };
}
