import type { Passage, PassageNote, Player } from '../fingering';
import type { Moment } from './moments';
import type { Part } from './place';
import type { Stage } from './stages';

/** What the steps of a hand depend on beside the moments that they join. */
export interface Around {
  readonly passage: Passage;
  readonly player: Player;
  readonly part: Part;
}

/** Names for what taking the postures of a moment costs, and for the step to it. */
export interface MomentName {
  readonly entering: string;
  readonly step: string;
}

/** The names of all moments, one entry each: the same where all that a moment costs on white keys is the same. */
export function momentNames(
  { passage, player, part }: Around,
  moments: readonly Moment[],
  stages: readonly Stage[],
): readonly MomentName[] {
  const { level, moveOverStretch, repeat } = player;
  const hand = `${level}${moveOverStretch}${repeat}${part.tonicHand}${part.hand}`;
  const keys = stages.map((stage) => keysOf(passage, stage));
  return stages.map((now, t) => {
    const { join, tempo, held: allHeld, phraseLow, phraseHigh } = moments[t] as Moment;
    const tonic = (((part.tonic - now.base) % 7) + 7) % 7;
    const letters = [part.low, part.high, phraseLow, phraseHigh].map((letter) => letter - now.base);
    const entering = `${hand}/${now.form.name}.${now.struck}/${join === 'chord' || join === 'rest1' ? join : ''}/${tonic},${letters.join()}`;
    const before = stages[t - 1];
    if (!before) return { entering, step: '' };
    const held = now.notes.slice(now.struck).map((note) => before.notes.indexOf(note));
    const step = `${entering}/${keys[t - 1]}/${keys[t]}/${now.base - before.base}/${join}${tempo}/${allHeld.length > 0}${held.join()}`;
    return { entering, step };
  });
}

function keysOf({ notes }: Passage, { notes: keys, base, form, struck }: Stage): string {
  const own = keys.map((key) => {
    const { letter, altered } = notes[key] as PassageNote;
    return `${letter - base}:${altered}`;
  });
  return `${form.name}=${own.join()}.${struck}`;
}
