import { childAt, childElements, childText, textOf, type XmlElement } from '../xml';
import type { Measure } from '../score';
import type { Ticks } from '../time';

/** Loudness of the dynamics of print, as MIDI velocity 1..127. Source: our own even steps around mf = 76.
 * Checked by: write-midi.test.ts (louder marks are louder). */
const LOUDNESS: Readonly<Record<string, number>> = { ppp: 22, pp: 36, p: 50, mp: 63, mf: 76, f: 90, ff: 104, fff: 118 };
export const USUAL_LOUDNESS = LOUDNESS['mf'] as number;

/** Tempo where the piece gives none. Unit: quarter notes a minute. Our own choice: an easy walking pace. */
export const USUAL_TEMPO = 92;

/** What a direction says to a player, at a place within its bar. `staff` is null where it is for all. */
export type Instruction =
  | { readonly kind: 'tempo'; readonly onset: Ticks; readonly quartersPerMinute: number }
  | { readonly kind: 'slowing'; readonly onset: Ticks }
  | { readonly kind: 'a-tempo'; readonly onset: Ticks }
  | { readonly kind: 'loudness'; readonly onset: Ticks; readonly staff: number | null; readonly velocity: number };

/** The tempo and dynamics of a bar. */
export function instructionsOf(measure: Measure): readonly Instruction[] {
  return measure.items.flatMap((item): readonly Instruction[] => {
    if (item.kind !== 'carried' || item.node.kind !== 'element') return [];
    if (item.node.name === 'sound') return tempoOf(item.node, item.onset);
    if (item.node.name !== 'direction') return [];
    return [
      ...directionTempo(item.node, item.onset),
      ...pacing(item.node, item.onset),
      ...loudnessOf(item.node, item.onset),
    ];
  });
}

function directionTempo(direction: XmlElement, onset: Ticks): readonly Instruction[] {
  const sounds = childElements(direction, 'sound').flatMap((sound) => tempoOf(sound, onset));
  if (sounds.length > 0) return sounds;
  const metronome = childElements(direction, 'direction-type').flatMap((type) => childElements(type, 'metronome'))[0];
  const perMinute = Number(metronome && childText(metronome, 'per-minute'));
  if (!metronome || !(perMinute > 0)) return [];
  const quarters = QUARTERS[childText(metronome, 'beat-unit') ?? 'quarter'] ?? 1;
  const dots = childElements(metronome, 'beat-unit-dot').length;
  return [{ kind: 'tempo', onset, quartersPerMinute: perMinute * quarters * (2 - 0.5 ** dots) }];
}

/** Words that slow down, and words that end it. */
function pacing(direction: XmlElement, onset: Ticks): readonly Instruction[] {
  const words = childElements(direction, 'direction-type')
    .flatMap((type) => childElements(type, 'words'))
    .map((word) => textOf(word).toLowerCase());
  return words.flatMap((word): readonly Instruction[] => {
    if (/\b(rit|ritard|ritardando|rall|rallentando)\b/.test(word)) return [{ kind: 'slowing', onset }];
    return /\ba tempo\b/.test(word) ? [{ kind: 'a-tempo', onset }] : [];
  });
}

const QUARTERS: Readonly<Record<string, number>> = { whole: 4, half: 2, quarter: 1, eighth: 0.5, '16th': 0.25 };

function tempoOf(sound: XmlElement, onset: Ticks): readonly Instruction[] {
  const tempo = Number(sound.attributes['tempo']);
  return tempo > 0 ? [{ kind: 'tempo', onset, quartersPerMinute: tempo }] : [];
}

function loudnessOf(direction: XmlElement, onset: Ticks): readonly Instruction[] {
  const staff = childText(direction, 'staff');
  const marks = childElements(direction, 'direction-type').flatMap((type) =>
    childElements(childAt(type, 'dynamics') ?? type),
  );
  return marks.flatMap((mark): readonly Instruction[] => {
    const velocity = LOUDNESS[mark.name];
    return velocity === undefined
      ? []
      : [{ kind: 'loudness', onset, staff: staff === undefined ? null : Number(staff), velocity }];
  });
}
