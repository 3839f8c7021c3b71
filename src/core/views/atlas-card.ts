import {
  arpeggioOf,
  fifthSixth,
  octaveArpeggio,
  scaleOf,
  type FingeredLine,
  type OctaveSchool,
  keyCard,
} from '../reference';
import type { Player } from '../fingering';
import { studyHand } from '../forced';
import { midiNumber, type Key, type Pitch } from '../pitch';
import { unwrap } from '../base';
import { readDraft } from '../read';
import { handNotes, handsOf, type Finger, type Hand, type Part } from '../score';
import { linePiece, type MadeLine, type MadePiece } from './made-pieces';
import { baselinesOf } from '../piece';

/** What a key card has to play: fixed names, put into words by `explain`. */
export type CardLineName =
  'scale-one' | 'scale-two' | 'triad' | 'octave-arpeggio' | 'arpeggio-two' | 'primary-chords' | 'fifth-sixth';

/** A line of a key card for one hand. */
export interface CardLine {
  readonly name: CardLineName;
  readonly hand: Hand;
  readonly piece: MadePiece;
  /** What it sounds like: keys in order, chord by chord. */
  readonly sounds: readonly (readonly number[])[];
  readonly fingers: string;
  /** The planner's fingers where they are others than the published ones; null where they are the same or nothing is published. */
  readonly planner: string | null;
}

export interface AtlasCard {
  readonly key: Key;
  readonly lines: readonly CardLine[];
}

/** Where a line of one octave begins, and one of two: low enough that its top has few ledger lines. */
function octaveOf({ tonic }: Key, hand: Hand): number {
  if (hand === 'right') return 4;
  return tonic.step >= 5 ? 2 : 3;
}

const LOW_OCTAVE = { right: 4, left: 2 } as const;

/** Everything that a key card has to play. `school` is how the finger beside 5 is chosen in an octave; `player` whose plan is compared. */
export function atlasCard(key: Key, school: OctaveSchool, player: Player): AtlasCard {
  const hands: readonly Hand[] = ['right', 'left'];
  const { triad, primary } = keyCard(key);
  const fingered = (line: FingeredLine): MadeLine['chords'] =>
    line.pitches.map((pitch, i) => ({ pitches: [pitch], fingers: [line.fingers[i] ?? null] }));
  const published = (name: CardLineName, hand: Hand, line: FingeredLine): CardLine => {
    return cardLine(name, { key, hand, chords: fingered(line) }, plannersFingers(key, hand, line, player));
  };
  const triads = (hand: Hand): MadeLine['chords'] => {
    const pitches = hand === 'right' ? triad : triad.map((pitch) => ({ ...pitch, octave: pitch.octave - 1 }));
    const fingers: readonly Finger[] = hand === 'right' ? [1, 3, 5] : [5, 3, 1];
    return [...pitches.map((pitch, i) => ({ pitches: [pitch], fingers: [fingers[i] ?? null] })), { pitches, fingers }];
  };
  const open = fifthSixth(key, octaveOf(key, 'left'));
  return {
    key,
    lines: [
      ...hands.map((hand) =>
        cardLine('scale-one', { key, hand, chords: fingered(scaleOf(key, hand, 1, octaveOf(key, hand))) }, null),
      ),
      ...hands.map((hand) => published('scale-two', hand, scaleOf(key, hand, 2, LOW_OCTAVE[hand]))),
      ...hands.map((hand) => cardLine('triad', { key, hand, chords: triads(hand) }, null)),
      ...hands.map((hand) =>
        cardLine(
          'octave-arpeggio',
          { key, hand, chords: fingered(octaveArpeggio(key, hand, school, octaveOf(key, hand))) },
          null,
        ),
      ),
      ...hands.map((hand) => published('arpeggio-two', hand, arpeggioOf(key, hand, 2, LOW_OCTAVE[hand]))),
      cardLine(
        'primary-chords',
        { key, hand: 'left', chords: primary.map(({ pitches, left }) => ({ pitches, fingers: left })) },
        null,
      ),
      cardLine(
        'fifth-sixth',
        {
          key,
          hand: 'left',
          chords: [...open, ...open].map(({ pitches, legato, detached }) => ({
            pitches,
            fingers: player.fifthSixth === 'open' ? legato : detached,
          })),
        },
        null,
      ),
    ],
  };
}

function cardLine(name: CardLineName, line: MadeLine, planner: string | null): CardLine {
  return {
    name,
    hand: line.hand,
    piece: linePiece(name, line),
    sounds: line.chords.map(({ pitches }) => pitches.map((pitch: Pitch) => midiNumber(pitch))),
    fingers: line.chords.map(({ fingers }) => fingers.join('-')).join(' '),
    planner,
  };
}

/** What the planner makes of a line that has no fingers, up and down again; null where it takes the published ones. The first, the top and
 * the last note are left aside: there editions differ. */
function plannersFingers(key: Key, hand: Hand, { pitches, fingers }: FingeredLine, player: Player): string | null {
  const upAndDown = <T>(up: readonly T[]): readonly T[] => [...up, ...up.slice(0, -1).toReversed()];
  const { musicXml } = linePiece('', {
    key,
    hand,
    chords: upAndDown(pitches).map((pitch) => ({ pitches: [pitch], fingers: [null] })),
  });
  const { score } = unwrap(readDraft(musicXml));
  const part = score.parts[0] as Part;
  const piece = { score, part, key: { key }, hands: handsOf(part), notes: handNotes(part, score.ticksPerQuarter) };
  const [baseline] = baselinesOf(piece, player);
  const found = baseline
    ? studyHand(
        baseline,
        baseline.passage.notes.map(({ note }) => note.midi),
      ).plan.fingering
    : [];
  const top = pitches.length - 1;
  const isSame = upAndDown(fingers).every((finger, i) => i === 0 || i === top || i === 2 * top || found[i] === finger);
  return isSame ? null : found.slice(0, top + 1).join(' ');
}

/** One line where the planner takes other fingers than the table. */
export interface PlannerDiffers {
  readonly name: 'scale-two' | 'arpeggio-two';
  readonly hand: Hand;
  readonly published: string;
  readonly planner: string;
}

/** Where the planner differs from the published fingering in a key: scale and arpeggio of two octaves, each hand. */
export function plannerDiffers(key: Key, player: Player): readonly PlannerDiffers[] {
  return (['right', 'left'] as const).flatMap((hand) =>
    (['scale-two', 'arpeggio-two'] as const).flatMap((name) => {
      const line =
        name === 'scale-two' ? scaleOf(key, hand, 2, LOW_OCTAVE[hand]) : arpeggioOf(key, hand, 2, LOW_OCTAVE[hand]);
      const planner = plannersFingers(key, hand, line, player);
      return planner === null ? [] : [{ name, hand, published: line.fingers.join(' '), planner }];
    }),
  );
}
