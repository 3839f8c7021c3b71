import { signatureOf, type Key } from '../pitch';
import { PLAIN_BAR, PLAIN_EVENT, PLAIN_TICKS, type PlainBar, type PlainEvent, type PlainPiece } from '../plain-piece';
import { barTicks, type Ticks } from '../time';
import type { Hand } from '../score';
import { RHYTHMS, type DrillKind, type DrillRhythm } from './drill-kinds';
import { momentsOf, type DrillNote, type DrillChord } from './patterns';

/** What is to be drilled. Several keys follow each other, each with its own signature. */
export interface DrillOptions {
  readonly kind: DrillKind;
  readonly keys: readonly Key[];
  readonly rhythm: DrillRhythm;
  readonly hands: Hand | 'both';
}

/** What a drill says on the page. */
export interface DrillTexts {
  readonly title: string;
  /** What stands over the first bar of each key. */
  readonly keyName: (key: Key) => string;
}

/** Makes a drill: a piece with fingers, for two staves. At least one key is needed. */
export function drillPiece(options: DrillOptions, { title, keyName }: DrillTexts): PlainPiece {
  const { meter, lengths } = RHYTHMS[options.rhythm];
  const barLength = barTicks(meter, PLAIN_TICKS);
  const bars: PlainBar[] = [];
  const events: Record<Hand, PlainEvent[]> = { right: [], left: [] };
  options.keys.forEach((key, k) => {
    const start = bars.length * barLength;
    const placed = placeChords(momentsOf(options.kind, key, options.hands), lengths, barLength);
    const count = Math.ceil((placed.at(-1)?.until ?? 0) / barLength);
    for (const { moment, at, until } of placed) {
      const words = at === 0 && options.keys.length > 1 ? keyName(key) : null;
      for (const hand of ['right', 'left'] as const) {
        const event = eventOf(moment[hand], start + at, until - at);
        // The name of the key stands over the upper staff, also over a rest.
        if (event || (words !== null && hand === 'right')) {
          events[hand].push({
            ...(event ?? { ...PLAIN_EVENT, onset: start + at, duration: until - at, notes: [] }),
            words: hand === 'right' ? words : null,
          });
        }
      }
    }
    const high = placed.filter(({ moment }) => moment.isLeftHigh).map(({ at }) => Math.floor(at / barLength));
    for (let bar = 0; bar < count; bar += 1) {
      const isHigh = high.includes(bar);
      const wasHigh = high.includes(bar - 1) || (bar === 0 && k > 0 && bars.at(-1)?.lowerClef === 'G');
      bars.push({
        ...PLAIN_BAR,
        start: start + bar * barLength,
        length: barLength,
        meter: bars.length === 0 ? meter : null,
        key: bar === 0 ? { fifths: signatureOf(key), mode: key.mode } : null,
        style: bar < count - 1 ? 'regular' : k === options.keys.length - 1 ? 'final' : 'double',
        lowerClef: isHigh && !wasHigh ? 'G' : !isHigh && wasHigh ? 'F' : null,
      });
    }
  });
  return {
    title,
    composer: '',
    bars,
    staves: [
      { clef: 'G', voices: [events.right] },
      { clef: 'F', voices: [events.left] },
    ],
    tempos: [],
  };
}

interface PlacedChord {
  readonly moment: DrillChord;
  readonly at: Ticks;
  readonly until: Ticks;
}

/** Gives each moment its time; the last is held to the end of its bar. */
function placeChords(
  moments: readonly DrillChord[],
  lengths: readonly number[],
  barLength: Ticks,
): readonly PlacedChord[] {
  let at = 0;
  let inRound = 0;
  const placed: PlacedChord[] = [];
  for (const [i, moment] of moments.entries()) {
    const isOnBar = at % barLength === 0;
    if (moment.startsBar && !isOnBar) {
      const before = placed.pop();
      at += barLength - (at % barLength);
      if (before) placed.push({ ...before, until: at });
    }
    if (at % barLength === 0) inRound = 0;
    const barEnd = (Math.floor(at / barLength) + 1) * barLength;
    const length = Array.from({ length: moment.longer }, (_, n) => lengths[(inRound + n) % lengths.length] ?? 1).reduce(
      (sum, one) => sum + one,
      0,
    );
    // What is held longer ends with its bar; the last fills it.
    const until = i === moments.length - 1 ? barEnd : Math.min(barEnd, at + length * PLAIN_TICKS);
    placed.push({ moment, at, until });
    at = until;
    inRound += moment.longer;
  }
  return placed;
}

function eventOf(notes: readonly DrillNote[], onset: Ticks, duration: Ticks): PlainEvent | null {
  if (notes.length === 0) return null;
  return {
    ...PLAIN_EVENT,
    onset,
    duration,
    notes: notes.map(({ pitch, finger }) => ({ pitch, finger, tiesOn: false })),
  };
}
