'use client';

import { Download } from 'lucide-react';
import type { Direction, Key, Mode } from '@/core/pitch';
import { keyText, signatureOf } from '@/core/pitch';
import type { BenchAddress, MinorForm } from './use-bench-address';

interface BenchToolsProps {
  readonly address: BenchAddress;
  /** The piece's own key, and the one that is shown. */
  readonly own: Key;
  readonly shown: Key;
  readonly hands: readonly ('right' | 'left')[];
  readonly onChange: (change: Partial<BenchAddress>) => void;
}

const WAYS: readonly (readonly [Direction, string])[] = [
  ['nearest', 'the nearest way'],
  ['up', 'upwards'],
  ['down', 'downwards'],
];

/** Which way the piece moves, and octaves for each hand. */
export function BenchTools({ address, own, shown, hands, onChange }: BenchToolsProps) {
  return (
    <div className="flex flex-wrap items-center gap-3 text-sm">
      <label className="flex items-center gap-1.5">
        Move
        <select className="select select-sm h-9 w-40" value={address.way} onChange={(event) => onChange({ way: WAYS[event.target.selectedIndex]?.[0] ?? 'nearest' })}>
          {WAYS.map(([way, words]) => (
            <option key={way} value={way}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <ModeChoice own={own} shown={shown} minor={address.minor} onChange={onChange} />
      {hands.map((hand) => (
        <OctaveChoice key={hand} hand={hand} value={address[hand]} onChange={(value) => onChange({ [hand]: value })} />
      ))}
    </div>
  );
}

interface ModeWay {
  readonly mode: Mode;
  readonly minor: MinorForm;
  readonly words: string;
}

const OTHER_MODES: readonly ModeWay[] = [
  { mode: 'major', minor: 'harmonic', words: 'into major' },
  { mode: 'minor', minor: 'harmonic', words: 'into harmonic minor' },
  { mode: 'minor', minor: 'natural', words: 'into natural minor' },
  { mode: 'minor', minor: 'melodic', words: 'into melodic minor' },
  { mode: 'dorian', minor: 'harmonic', words: 'into dorian' },
  { mode: 'phrygian', minor: 'harmonic', words: 'into phrygian' },
  { mode: 'lydian', minor: 'harmonic', words: 'into lydian' },
  { mode: 'mixolydian', minor: 'harmonic', words: 'into mixolydian' },
  { mode: 'locrian', minor: 'harmonic', words: 'into locrian' },
];

/** Every interval kept, or degree by degree into another mode: on the same tonic, or (shifted) on the tonic that has the
 * piece's own signature in that mode. */
function ModeChoice({ own, shown, minor, onChange }: { readonly own: Key; readonly shown: Key; readonly minor: MinorForm; readonly onChange: (change: Partial<BenchAddress>) => void }) {
  const ways = OTHER_MODES.filter(({ mode }) => mode !== own.mode);
  const at = shown.mode === own.mode ? 0 : 1 + ways.findIndex((way) => way.mode === shown.mode && (way.mode !== 'minor' || way.minor === minor));
  const choose = (index: number): void => {
    const way = ways[index - 1];
    if (!way) return onChange({ key: keyText({ tonic: shown.tonic, mode: own.mode }), minor: 'harmonic' });
    const key: Key = { tonic: shown.tonic, mode: way.mode };
    // A tonic that would need more than seven signs in this mode gives way to the piece's own.
    onChange({ key: keyText(Math.abs(signatureOf(key)) <= 7 ? key : { ...key, tonic: own.tonic }), minor: way.minor });
  };
  return (
    <label className="flex items-center gap-1.5">
      Mode
      <select className="select select-sm h-9 w-40" data-role="mode" value={at} onChange={(event) => choose(event.target.selectedIndex)}>
        <option value={0}>every interval kept</option>
        {ways.map(({ words }, i) => (
          <option key={words} value={i + 1}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

const OCTAVES = [2, 1, 0, -1, -2];

function OctaveChoice({ hand, value, onChange }: { readonly hand: 'right' | 'left'; readonly value: number; readonly onChange: (value: number) => void }) {
  return (
    <label className="flex items-center gap-1.5">
      {hand === 'right' ? 'Right hand' : 'Left hand'}
      <select className="select select-sm h-9 w-36" value={value} onChange={(event) => onChange(Number(event.target.value))}>
        {OCTAVES.map((octaves) => (
          <option key={octaves} value={octaves}>
            {octaveWords(octaves)}
          </option>
        ))}
      </select>
    </label>
  );
}

function octaveWords(octaves: number): string {
  if (octaves === 0) return 'as it falls';
  const size = Math.abs(octaves) === 1 ? 'an octave' : 'two octaves';
  return `${size} ${octaves > 0 ? 'higher' : 'lower'}`;
}

/** Saves the piece in the key that is shown. */
export function SaveButtons({ onSave }: { readonly onSave: (format: 'musicxml' | 'midi') => void }) {
  return (
    <div className="join">
      <button type="button" className="btn btn-primary btn-sm join-item h-9" onClick={() => onSave('musicxml')}>
        <Download size={16} aria-hidden /> Save MusicXML
      </button>
      <button type="button" className="btn btn-primary btn-sm join-item h-9 border-l-base-100" onClick={() => onSave('midi')}>
        Save MIDI
      </button>
    </div>
  );
}
