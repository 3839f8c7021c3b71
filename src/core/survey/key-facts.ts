import { isBlackKey, keyCentreMm } from '../keyboard';
import { groupBy } from '../base';
import { sameKey, signatureOf, type Key, type Pitch, type PitchName } from '../pitch';
import type { Flag, FlagKind } from '../flags';
import { struckNotes, type Finger, type Hand, type HandNote } from '../score';
import { blackFingers, fingersToMind, type BlackFingers } from './black-fingers';
import { effortOf, effortParts, type EffortPart } from './effort';
import type { Version } from '../piece';

/** A black key under a finger, and the bars in which it is played. */
export interface BlackUse {
  readonly hand: Hand;
  readonly finger: Finger;
  readonly key: PitchName;
  readonly bars: readonly string[];
}

/** A kind of flag, and the bars in which it is. */
export interface FlagsOfKind {
  readonly kind: FlagKind;
  readonly bars: readonly string[];
}

/** What the effort of a key comes from. */
export interface KeyReasons {
  readonly black: readonly BlackUse[];
  /** Moves of the hands beyond those of the piece where it stands; negative where there are fewer. */
  readonly moreMoves: number;
  readonly ownKey: Key;
  readonly forcedFingers: readonly string[];
  /** What cannot be played so, and what is better otherwise. */
  readonly must: readonly FlagsOfKind[];
  readonly should: readonly FlagsOfKind[];
  readonly signs: number;
  readonly accidentals: number;
  readonly moreLedgerLines: number;
}

/** What a key asks of the hands and of the eye. */
export interface KeyFacts {
  readonly effort: number;
  readonly effortParts: readonly EffortPart[];
  readonly reasons: KeyReasons;
  readonly blackFingers: BlackFingers;
  /** The names of the positions of each hand, in order. */
  readonly positions: Readonly<Record<Hand, readonly PitchName[]>>;
  readonly positionChanges: number;
  /** Moves beyond those in the piece's own key. */
  readonly moreMoves: number;
  /** Fingers, moves and openings that black keys force. */
  readonly forced: { readonly fingers: number; readonly moves: number; readonly openings: number };
  /** What is read: signs of the signature, accidentals drawn (courtesy signs apart), ledger lines over all notes. */
  readonly reading: { readonly signs: number; readonly accidentals: number; readonly ledgerLines: number };
  /** How wide each hand sits: from its lowest to its highest key in its widest position, middle to middle. Unit: mm. Null where a hand does not play. */
  readonly reachMm: Readonly<Record<Hand, number | null>>;
  /** The lowest and the highest note of each hand. */
  readonly register: Readonly<Record<Hand, { readonly low: Pitch; readonly high: Pitch } | null>>;
}

/** What a key asks, against the piece as the same hand plays it in its own key. */
export function keyFacts(version: Version, own: Version): KeyFacts {
  const fingers = blackFingers(version.positions);
  const moreLedgerLines = ledgerLinesOf(version) - ledgerLinesOf(own);
  // Where the piece stands its signature is known.
  const signs = sameKey(version.key, own.key) ? 0 : Math.abs(signatureOf(version.key));
  const parts = effortParts(fingersToMind(version.positions), version.flags, { signs, moreLedgerLines });
  const moreMoves = positionChanges(version) - positionChanges(own);
  const reading = {
    signs: signatureOf(version.key),
    accidentals: accidentalsOf(version),
    ledgerLines: ledgerLinesOf(version),
  };
  return {
    effort: effortOf(parts),
    effortParts: parts,
    reasons: {
      black: blackUses(version),
      moreMoves,
      ownKey: own.key,
      forcedFingers: barsOf(
        version.flags.filter(({ evidence, byBlackKey }) => byBlackKey && evidence.kind === 'finger-change'),
      ),
      must: flagsByKind(version.flags.filter(isNew('must'))),
      should: flagsByKind(version.flags.filter(isNew('should'))),
      signs: reading.signs,
      accidentals: reading.accidentals,
      moreLedgerLines,
    },
    blackFingers: fingers,
    positions: byHand((hand) =>
      version.positions.filter(({ position }) => position.hand === hand).map(({ name }) => name),
    ),
    positionChanges: positionChanges(version),
    moreMoves,
    forced: forcedBy(version.flags),
    reading,
    reachMm: byHand((hand) => widest(version, hand)),
    register: byHand((hand) => registerOf(version, hand)),
  };
}

function byHand<T>(find: (hand: Hand) => T): Readonly<Record<Hand, T>> {
  return { right: find('right'), left: find('left') };
}

function isNew(severity: Flag['severity']): (flag: Flag) => boolean {
  return (flag) => flag.severity === severity && !flag.wasThere;
}

/** Flags by their kind, each with its bars. */
function flagsByKind(flags: readonly Flag[]): readonly FlagsOfKind[] {
  return [...groupBy(flags, ({ evidence }) => evidence.kind)].map(([kind, own]) => ({ kind, bars: barsOf(own) }));
}

function barsOf(flags: readonly Flag[]): readonly string[] {
  return [...new Set(flags.flatMap(({ bar, bars }) => (bars.length > 0 ? bars : [bar])))];
}

function ledgerLinesOf({ notes }: Version): number {
  return struckNotes(notes).reduce((sum, { ledgerLines }) => sum + ledgerLines, 0);
}

function accidentalsOf({ notes }: Version): number {
  return notes.filter(({ item }) => item.accidental && !item.accidental.courtesy).length;
}

function positionChanges({ positions }: Version): number {
  const hands = new Set(positions.map(({ position }) => position.hand));
  return positions.length - hands.size;
}

function forcedBy(flags: readonly Flag[]): KeyFacts['forced'] {
  const count = (kind: Flag['evidence']['kind']): number =>
    flags.filter(({ byBlackKey, evidence }) => byBlackKey && evidence.kind === kind).length;
  return { fingers: count('finger-change'), moves: count('position-change'), openings: count('extension') };
}

function blackUses({ positions }: Version): readonly BlackUse[] {
  return positions.flatMap(({ position, notes }) =>
    notes
      .filter(({ midi }) => isBlackKey(midi))
      .flatMap((note) => {
        const finger = position.fingers.get(note.id);
        return finger
          ? [{ hand: position.hand, finger, key: { step: note.pitch.step, alter: note.pitch.alter }, bars: [note.bar] }]
          : [];
      }),
  );
}

function widest({ positions }: Version, hand: Hand): number | null {
  const widths = positions
    .filter(({ position, notes }) => position.hand === hand && notes.length > 0)
    .map(({ notes }) => {
      const places = notes.map(({ midi }) => keyCentreMm(midi));
      return Math.max(...places) - Math.min(...places);
    });
  return widths.length === 0 ? null : Math.round(Math.max(...widths));
}

function registerOf({ notes }: Version, hand: Hand): KeyFacts['register'][Hand] {
  const own = notes.filter((note) => note.hand === hand).toSorted((a, b) => a.midi - b.midi);
  const [low, high] = [own[0], own.at(-1)] as [HandNote?, HandNote?];
  return low && high ? { low: low.pitch, high: high.pitch } : null;
}
