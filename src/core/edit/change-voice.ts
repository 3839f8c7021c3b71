import { handOfStaff, type Hand, type Measure, type Part, type Score } from '../score';
import { barTicks, type Ticks } from '../time';
import { drawBeamsAndBrackets } from './voice-ink';
import { closeBar, voiceTicks, openBar, type Voice } from './open-bar';

/** A voice of a hand in a bar. `staff` counts from the top; `voice` is the voice's own name in the file. */
export interface VoicePlace {
  readonly partId: string;
  readonly bar: number;
  readonly staff: number;
  readonly voice: string;
}

/** Changes one voice of one bar. A voice that is not there yet begins empty; one that is left empty goes. */
export function changeVoice(score: Score, place: VoicePlace, change: (voice: Voice) => Voice): Score {
  return changeBar(score, place.partId, place.bar, (measure) => {
    const open = openBar(measure);
    const at = open.voices.findIndex((voice) => isAt(voice, place));
    const before = open.voices[at] ?? { staff: place.staff, voice: place.voice, entries: [], after: [] };
    const after = change(before);
    if (after === before) return measure;
    const inked = drawBeamsAndBrackets(after, measure.meter, measure.lead, score.ticksPerQuarter);
    const others = open.voices.filter((_, i) => i !== at);
    // What only stood in the voice stays in the bar when the voice goes.
    if (inked.entries.length === 0)
      return closeBar(measure, { ...open, head: [...open.head, ...inked.after], voices: others });
    const voices = at >= 0 ? open.voices.with(at, inked) : [...others, inked].sort((a, b) => a.staff - b.staff);
    return closeBar(measure, { ...open, voices });
  });
}

/** Changes the voices of all bars of a part at once. A voice that `change` gives back as it is stays as it was engraved; one that is left empty goes. */
export function changeVoices(score: Score, partId: string, change: (voice: Voice, measure: Measure) => Voice): Score {
  const parts = score.parts.map((part) => {
    if (part.id !== partId) return part;
    const measures = part.measures.map((measure) => {
      const open = openBar(measure);
      const voices = open.voices.map((voice) => {
        const changed = change(voice, measure);
        return changed === voice
          ? voice
          : drawBeamsAndBrackets(changed, measure.meter, measure.lead, score.ticksPerQuarter);
      });
      if (voices.every((voice, i) => voice === open.voices[i])) return measure;
      const gone = voices.filter(({ entries }) => entries.length === 0);
      const head = [...open.head, ...gone.flatMap(({ after }) => after)];
      return closeBar(measure, { ...open, head, voices: voices.filter(({ entries }) => entries.length > 0) });
    });
    return measures.every((measure, i) => measure === part.measures[i]) ? part : { ...part, measures };
  });
  return parts.every((part, i) => part === score.parts[i]) ? score : { ...score, parts };
}

/** Changes one bar of one part. */
export function changeBar(score: Score, partId: string, bar: number, change: (measure: Measure) => Measure): Score {
  const parts = score.parts.map((part) => {
    const measure = part.measures[bar];
    if (part.id !== partId || !measure) return part;
    const changed = change(measure);
    return changed === measure ? part : { ...part, measures: part.measures.with(bar, changed) };
  });
  return parts.every((part, i) => part === score.parts[i]) ? score : { ...score, parts };
}

export function isAt(voice: Voice, place: Pick<VoicePlace, 'staff' | 'voice'>): boolean {
  return voice.staff === place.staff && voice.voice === place.voice;
}

/** The voice at a place; an empty one where there is none. */
export function voiceAt(part: Part, { bar, staff, voice }: Omit<VoicePlace, 'partId'>): Voice {
  const measure = part.measures[bar];
  return (
    (measure && openBar(measure).voices.find((one) => isAt(one, { staff, voice }))) ?? {
      staff,
      voice,
      entries: [],
      after: [],
    }
  );
}

/** The staff of a hand: the first that is its own. */
export function staffOfHand(part: Part, hand: Hand): number {
  return Array.from({ length: part.staves }, (_, i) => i + 1).find((staff) => handOfStaff(part, staff) === hand) ?? 1;
}

/** The names of the voices that a staff has, in the order of their first bars; a staff without any gets the usual one. */
export function voicesOf(part: Part, staff: number): readonly string[] {
  const names = part.measures.flatMap((measure) =>
    measure.items.flatMap((item) => (item.kind === 'note' && item.staff === staff ? [item.voice] : [])),
  );
  return names.length > 0 ? [...new Set(names)] : [String(4 * (staff - 1) + 1)];
}

/** A name for one more voice on a staff. */
export function freeVoice(part: Part, staff: number): string {
  const taken = new Set(
    part.measures.flatMap((measure) => measure.items.flatMap((item) => (item.kind === 'note' ? [item.voice] : []))),
  );
  const first = 4 * (staff - 1) + 1;
  return String(
    [1, 2, 3, 4, 5, 6, 7, 8].map((i) => first + i).find((number) => !taken.has(String(number))) ?? first + 8,
  );
}

/** How long a bar should be: its meter, less what a pick-up lacks in front. */
export function wantedTicks(measure: Measure, ticksPerQuarter: number): Ticks {
  return barTicks(measure.meter, ticksPerQuarter) - pickupLead(measure);
}

/** Only what the file itself calls incomplete, or numbers 0, may lack its beginning. */
function pickupLead(measure: Measure): Ticks {
  return measure.xml.attributes['implicit'] === 'yes' || measure.number === '0' ? measure.lead : 0;
}

/** A bar that does not add up: how long a voice is, and how long it should be. Unit: ticks. */
export interface BarMiscount {
  readonly bar: number;
  readonly number: string;
  readonly hand: Hand;
  readonly found: Ticks;
  readonly wanted: Ticks;
}

/** All voices that are too long or too short for their bars. A hand that is silent without a rest is no trouble, and the last bar may be as much shorter
 * as a pick-up is long. */
export function barMiscounts(part: Part, ticksPerQuarter: number): readonly BarMiscount[] {
  const first = part.measures[0];
  const pickup = first && pickupLead(first) > 0 ? wantedTicks(first, ticksPerQuarter) : 0;
  return part.measures.flatMap((measure, bar) => {
    const wanted = wantedTicks(measure, ticksPerQuarter);
    const completed = bar > 0 && bar === part.measures.length - 1 ? wanted - pickup : wanted;
    return openBar(measure).voices.flatMap((voice) => {
      const found = voiceTicks(voice);
      return found === wanted || found === completed || found === 0
        ? []
        : [{ bar, number: measure.number, hand: handOfStaff(part, voice.staff), found, wanted }];
    });
  });
}
