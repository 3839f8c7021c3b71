import { voiceAt, lengthOf, newScore, staffOfHand, type Entry } from '@/core/edit';
import { letterUnder, type Opening, type Row, rowsFor } from '@/core/entry';
import { diatonicNumber, keyOfSignature, namePrint, type Step } from '@/core/pitch';
import { readDraft } from '@/core/read';
import { unwrap } from '@/core/base';
import { firstSignature, notesOf, type Finger, type Hand, type Part, type Score } from '@/core/score';
import { signatureLine } from '@/core/notation';
import { homeSeats } from '@/core/entry/seats';
import { entryKeys } from '@/features/entry/entry-keys';
import { WORDS } from './usual-words';

/** What a teacher types to enter a piece that is known: the short opening, and the keys after that. A key with a modifier counts as two. */
export interface Typed {
  readonly opening: string;
  readonly keys: readonly string[];
  readonly presses: number;
  readonly notes: number;
}

const KEYS = new Map(entryKeys(WORDS).map(({ name, key }) => [name, key]));
const keyOf = (name: string): string => {
  const key = KEYS.get(name);
  if (key === undefined) throw new Error(`no key for ${name}`);
  return key;
};

/** Where a hand sits, and what was pressed to get so far. */
interface Way {
  readonly seat: number;
  readonly opening: Opening | null;
  readonly last: Finger | null;
  readonly keys: readonly string[];
  readonly cost: number;
}

/** Finds a short way of typing a piece by finger numbers: words, slurs, dynamics and other marks apart, nothing copied or repeated. */
export function typePiece(text: string): Typed {
  const score = unwrap(readDraft(text)).score;
  const part = score.parts[0] as Part;
  const right = typeHand(score, part, 'right');
  const left = typeHand(score, part, 'left');
  const keys = [...right, keyOf('other-hand-on'), ...left];
  const opening = openingOf(part);
  // N, the opening, Enter; then everything else.
  const presses = 2 + opening.length + keys.reduce((sum, key) => sum + key.split('+').length, 0);
  return { opening, keys, presses, notes: notesOf(part).filter(({ pitch }) => pitch !== null).length };
}

/** The opening of a piece in the fewest letters. */
function openingOf(part: Part): string {
  const { fifths, mode } = firstSignature(part);
  const key = unwrap(keyOfSignature(fifths, mode ?? 'major'));
  const first = part.measures[0] as Part['measures'][number];
  const { beats, beatType } = first.meter;
  const pickup =
    first.xml.attributes['implicit'] === 'yes' ? String((first.length * beatType) / 4 / ticksIn(part)) : '';
  const tonic =
    namePrint(key.tonic).replace('♯', '#').replace('♭', 'b').toLowerCase() + (key.mode === 'minor' ? 'm' : '');
  const named = tonic === 'c' ? '' : tonic;
  const isUsual = beats === 4 && beatType === 4;
  return isUsual && pickup === '' ? named : `${named}${beats}${beatType === 4 ? '' : beatType}${pickup}`;
}

function ticksIn(part: Part): number {
  const note = notesOf(part).find(({ xml }) =>
    xml.children.some(
      (child) =>
        child.kind === 'element' &&
        child.name === 'type' &&
        child.children[0]?.kind === 'text' &&
        child.children[0].text === 'quarter',
    ),
  );
  return note?.duration ?? 1;
}

function typeHand(score: Score, part: Part, hand: Hand): readonly string[] {
  const key = unwrap(keyOfSignature(firstSignature(part).fifths, firstSignature(part).mode ?? 'major'));
  const home = homeSeats(
    newScore({ title: '', key, meter: { beats: 4, beatType: 4 }, pickupBeats: 0 }).parts[0] as Part,
  );
  let ways: readonly Way[] = [{ seat: home[hand], opening: null, last: null, keys: [], cost: 0 }];
  const staff = staffOfHand(part, hand);
  const signatures = signatureLine(part);
  for (const measure of part.measures) {
    const change =
      measure.index > 0 && hand === 'right'
        ? measure.items.find((item) => item.kind === 'attributes' && item.keys.length > 0)
        : undefined;
    if (change?.kind === 'attributes') {
      const to = unwrap(keyOfSignature((change.keys[0] as { fifths: number }).fifths, 'major'));
      ways = ways.map((undoRedo) => extended(undoRedo, ['Alt+k', namePrint(to.tonic).toLowerCase(), 'Escape']));
    }
    const { entries } = voiceAt(part, { bar: measure.index, staff, voice: hand === 'right' ? '1' : '5' });
    const standing = new Map<number, number>();
    let onset = 0;
    for (const [i, entry] of entries.entries()) {
      const alterAt = (letter: number): number =>
        standing.get(letter) ?? signatures.alterAt(measure.index, onset, staff, (letter % 7) as Step);
      const isWholeBar = entries.length === 1 && entry.notes[0]?.pitch === null;
      ways = best(
        ways.flatMap((undoRedo) =>
          enter(undoRedo, { hand, entry, rows: rowsFor(measure.meter, score.ticksPerQuarter), alterAt, isWholeBar }),
        ),
      );
      for (const { pitch, tieStop } of entry.notes)
        if (pitch && !tieStop) standing.set(diatonicNumber(pitch), pitch.alter);
      if (i >= 0) onset += entry.duration;
    }
  }
  return (ways[0] as Way).keys;
}

interface Entering {
  readonly hand: Hand;
  readonly entry: Entry;
  readonly rows: Readonly<Record<Row, number>>;
  readonly alterAt: (letter: number) => number;
  readonly isWholeBar: boolean;
}

/** All sensible ways of entering one entry from where the hand sits. */
function enter(undoRedo: Way, { hand, entry, rows, alterAt, isWholeBar }: Entering): readonly Way[] {
  const { row, dots } = rowOf(lengthOf(entry).printed, rows);
  const after = dots ? [keyOf('dot')] : [];
  if (entry.notes[0]?.pitch === null)
    return [
      isWholeBar ? extended(undoRedo, [keyOf('rest-of-bar')]) : extended(undoRedo, [keyOf(`${row}-rest`), ...after]),
    ];
  let ways: readonly Way[] = [undoRedo];
  for (const [i, { pitch, fingers, tieStop }] of entry.notes.entries()) {
    if (!pitch) continue;
    const letter = diatonicNumber(pitch);
    const finger = fingers[0] as Finger;
    const sign =
      tieStop || alterAt(letter) === pitch.alter
        ? []
        : [keyOf(pitch.alter > 0 ? 'sharp' : pitch.alter < 0 ? 'flat' : 'natural')];
    const before = [...(i > 0 ? [keyOf('chord')] : []), ...(tieStop ? [keyOf('tie')] : []), ...sign];
    ways = best(
      ways.flatMap((from) =>
        reached(from, hand, finger, letter).map(({ keys, ...at }) => ({
          ...extended({ ...from, ...at }, [
            ...keys,
            ...before,
            keyOf(`${i > 0 ? 'beat' : row}-${finger}`),
            ...(i === 0 ? after : []),
          ]),
          last: finger,
        })),
      ),
    );
  }
  return ways;
}

/** Ways of bringing a finger over a letter: the hand moves, opens, or reaches for this note alone. */
function reached(
  undoRedo: Way,
  hand: Hand,
  finger: Finger,
  letter: number,
): readonly (Pick<Way, 'seat' | 'opening'> & { readonly keys: readonly string[] })[] {
  const { seat, opening, last } = undoRedo;
  const by = letter - letterUnder(hand, seat, finger, opening);
  const again = (name: string, count: number): readonly string[] =>
    Array.from({ length: Math.abs(count) }, () => keyOf(name));
  if (by === 0) return [{ seat, opening, keys: [] }];
  const moved = letter - letterUnder(hand, seat, finger, null);
  const options = [
    { seat, opening, keys: again(by > 0 ? 'reach-up' : 'reach-down', by) },
    {
      seat: seat + moved,
      opening: null,
      keys: moved === 0 ? [keyOf('close')] : again(moved > 0 ? 'hand-up' : 'hand-down', moved),
    },
  ];
  if (Math.abs(by) === 7) options.push({ seat, opening, keys: [keyOf(by > 0 ? 'octave-up' : 'octave-down')] });
  if (Math.abs(moved) === 7)
    options.push({
      seat: seat + moved,
      opening: null,
      keys: [keyOf(moved > 0 ? 'hand-octave-up' : 'hand-octave-down')],
    });
  // A letter goes to the nearest position of its name: up to a fifth above, or a third below.
  if (moved >= -2 && moved <= 4 && moved !== 0)
    options.push({
      seat: seat + moved,
      opening: null,
      keys: [keyOf('move'), 'cdefgab'[(((seat + moved) % 7) + 7) % 7] as string],
    });
  if (by > 0 && last !== null && last !== finger) {
    const start: Opening = opening && opening.beside === last ? opening : { beside: last, letters: 0 };
    const opened = { ...start, letters: start.letters + by };
    if (letterUnder(hand, seat, finger, opened) === letter)
      options.push({ seat, opening: opened, keys: again('open', by) });
  }
  return options;
}

function rowOf(printed: number, rows: Readonly<Record<Row, number>>): { readonly row: Row; readonly dots: boolean } {
  const names = Object.keys(rows) as readonly Row[];
  const plain = names.find((name) => rows[name] === printed);
  if (plain) return { row: plain, dots: false };
  const dotted = names.find((name) => rows[name] * 1.5 === printed);
  if (!dotted) throw new Error(`no row is ${printed} ticks long`);
  return { row: dotted, dots: true };
}

function extended(undoRedo: Way, keys: readonly string[]): Way {
  return {
    ...undoRedo,
    keys: [...undoRedo.keys, ...keys],
    cost: undoRedo.cost + keys.reduce((sum, key) => sum + key.split('+').length, 0),
  };
}

/** The cheapest way to each place of the hand, and of those a few. */
function best(ways: readonly Way[]): readonly Way[] {
  const places = new Map<string, Way>();
  for (const undoRedo of ways) {
    const name = JSON.stringify([undoRedo.seat, undoRedo.opening, undoRedo.last]);
    const known = places.get(name);
    if (!known || undoRedo.cost < known.cost) places.set(name, undoRedo);
  }
  return [...places.values()].sort((a, b) => a.cost - b.cost).slice(0, 40);
}
