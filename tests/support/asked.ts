import type { AskedMusic, AskedNote, AskedMoment, StruckKey } from '@/core/asked';
import { midiNumber, parsePitch } from '@/core/pitch';

/** Music to be played, as `C4 E4+G4 F4:2 r`: each a quarter long unless a length is given, in bars of four quarters, right hand. */
export function asked(text: string): AskedMusic {
  const notes: AskedNote[] = [];
  const moments: AskedMoment[] = [];
  let at = 0;
  for (const word of text.split(' ')) {
    const [names = '', length = '1'] = word.split(':');
    const bar = Math.floor(at / 4);
    if (names !== 'r') {
      const first = notes.length;
      const own = names
        .split('+')
        .map((name) => noteOf(name, at, Number(length)))
        .sort((a, b) => a.midi - b.midi);
      notes.push(...own);
      moments.push({
        at,
        notes: own.map((_, i) => first + i),
        barIndex: bar,
        place: at % 4 === 0 ? 'bar' : at % 1 === 0 ? 'beat' : 'between',
        isAfterCut: false,
      });
    }
    at += Number(length);
  }
  const bars = Array.from({ length: Math.ceil(at / 4) }, (_, i) => ({
    index: i,
    number: String(i + 1),
    at: i * 4,
    length: 4,
    beat: 1,
    fifths: 0,
  }));
  return { notes, moments, bars, frames: { right: [], left: [] }, others: [] };
}

function noteOf(name: string, at: number, length: number): AskedNote {
  const pitch = parsePitch(name);
  if (!pitch) throw new Error(`no pitch ${name}`);
  const bar = Math.floor(at / 4);
  return {
    id: `n${at}-${name}`,
    hand: 'right',
    bar: String(bar + 1),
    barIndex: bar,
    beat: (at % 4) + 1,
    at,
    length,
    pitch,
    midi: midiNumber(pitch),
    finger: null,
    signatureAlter: 0,
    isGrace: false,
    tiedFrom: null,
    isDetached: false,
    hasOrnament: false,
    isRolled: false,
    frame: null,
  };
}

/** A key struck at a time, held for `heldMs`. */
export function struck(midi: number, downMs: number, heldMs = 300, velocity = 64): StruckKey {
  return { midi, downMs, upMs: downMs + heldMs, velocity };
}
