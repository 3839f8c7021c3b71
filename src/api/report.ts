import { shortened, type Language } from '@/core/explain';
import { isBlackKey } from '@/core/keyboard';
import { intervalName, intervalSemitones, intervalSteps, nameText, pitchText, type Pitch } from '@/core/pitch';
import type { Flag } from '@/core/flags';
import { tiedFrom, type AccidentalSign, type Finger, type Hand, type HandNote } from '@/core/score';
import { keyView, remarkView, sourcesIn, type KeyView, type MovedVersions, type RemarkView } from '@/core/views';
import type { PlacedPosition } from '@/core/fingering';
import type { OpenedPiece, Version } from '@/core/piece';

/** What the scripting interface promises to send for `report`. */
export interface Report {
  readonly piece: { readonly title: string; readonly bars: number; readonly hands: readonly Hand[] };
  readonly from: KeyView;
  readonly to: KeyView;
  readonly interval: {
    readonly name: string;
    readonly steps: number;
    readonly semitones: number;
    readonly octaves: Readonly<Record<Hand, number>>;
  };
  readonly playable: Readonly<Record<Hand, boolean>>;
  readonly remarks: readonly RemarkView[];
  readonly notes: readonly ReportNote[];
  readonly positions: readonly ReportPosition[];
  readonly flags: readonly ReportFlag[];
}

export interface ReportNote {
  readonly id: string;
  readonly hand: Hand;
  readonly bar: string;
  readonly beat: number;
  readonly from: string;
  readonly to: string;
  readonly fingerFrom: Finger | null;
  readonly fingerTo: Finger | null;
  readonly accidental: AccidentalSign | null;
  readonly courtesy: boolean;
  readonly blackKey: boolean;
}

export interface ReportPosition {
  readonly hand: Hand;
  readonly from: { readonly bar: string; readonly beat: number };
  readonly to: { readonly bar: string; readonly beat: number };
  readonly name: string;
  readonly kind: PlacedPosition['kind'];
  readonly keys: readonly (string | null)[];
  /** Where its fingers come from, in words: `as printed`, `standard for the G♭ major scale`, `as in bar 2`, `planned`. Empty where there are none. */
  readonly fingersFrom: string;
}

export interface ReportFlag {
  readonly kind: string;
  readonly severity: string;
  readonly hand: Hand;
  readonly bar: string;
  readonly beat: number;
  readonly notes: readonly string[];
  readonly byBlackKey: boolean;
  readonly message: string;
  readonly suggestion: string;
}

/** Puts a piece before and after into the form that was promised to other programs. Pitches are as they sound. */
export function reportOf(language: Language, piece: OpenedPiece, { before, after }: MovedVersions): Report {
  const says = language.inKey(after.key);
  const moved = new Map(after.notes.map((note) => [note.id, note]));
  const written = new Map(before.notes.map((note) => [note.id, note]));
  const first = tiedFrom(before.notes);
  return {
    piece: { title: shortened(piece.score.title), bars: piece.part.measures.length, hands: piece.hands },
    from: keyView(before.key),
    to: keyView(after.key),
    interval: {
      name: intervalName(after.interval),
      steps: intervalSteps(after.interval),
      semitones: intervalSemitones(after.interval),
      octaves: after.octaves,
    },
    playable: { right: isPlayable(after.flags, 'right'), left: isPlayable(after.flags, 'left') },
    remarks: [...piece.remarks, ...after.remarks].map((remark) => remarkView(says, remark)),
    notes: before.notes.flatMap((note) => {
      const to = moved.get(note.id);
      // A tie's continuations carry the finger of its first note.
      const struck = first.get(note.id) ?? note.id;
      const fingers = { from: written.get(struck)?.finger ?? null, to: moved.get(struck)?.finger ?? null };
      return to ? [reportNote(note, to, fingers)] : [];
    }),
    positions: reportPositions(says, after),
    flags: after.flags.map((flag) => reportFlag(says, flag)),
  };
}

/** A finger that must change is no hindrance once it has changed. */
function isPlayable(flags: readonly Flag[], hand: Hand): boolean {
  return !flags.some(
    (flag) =>
      flag.hand === hand &&
      flag.severity === 'must' &&
      !(flag.evidence.kind === 'finger-change' && flag.evidence.isApplied),
  );
}

function reportNote(
  from: HandNote,
  to: HandNote,
  fingers: { readonly from: Finger | null; readonly to: Finger | null },
): ReportNote {
  return {
    id: from.id,
    hand: from.hand,
    bar: from.bar,
    beat: from.beat,
    from: pitchText(from.pitch),
    to: pitchText(to.pitch),
    fingerFrom: fingers.from,
    fingerTo: fingers.to,
    accidental: to.item.accidental?.sign ?? null,
    courtesy: to.item.accidental?.courtesy ?? false,
    blackKey: isBlackKey(to.midi),
  };
}

function reportPositions(says: Language, version: Version): readonly ReportPosition[] {
  const sourceOf = sourcesIn(says, version);
  return version.positions.map((placed) => reportPosition(placed, sourceOf(placed.notes.map(({ id }) => id))));
}

function reportPosition(placed: PlacedPosition, fingersFrom: string): ReportPosition {
  const first = placed.notes[0] as HandNote;
  const last = placed.notes.at(-1) as HandNote;
  return {
    hand: placed.position.hand,
    from: { bar: first.bar, beat: first.beat },
    to: { bar: last.bar, beat: last.beat },
    name: nameText(placed.name),
    kind: placed.kind,
    keys: placed.keys.map((key: Pitch | null) => key && pitchText(key)),
    fingersFrom,
  };
}

function reportFlag(says: Language, flag: Flag): ReportFlag {
  const { message, suggestion } = says.flagWords(flag);
  const { severity, hand, bar, beat, notes, byBlackKey } = flag;
  return { kind: flag.evidence.kind, severity, hand, bar, beat, notes, byBlackKey, message, suggestion };
}
