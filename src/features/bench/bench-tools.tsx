'use client';

import { Download } from 'lucide-react';
import type { Direction } from '@/core/pitch';
import type { BenchAddress } from './use-bench-address';

interface BenchToolsProps {
  readonly address: BenchAddress;
  readonly hands: readonly ('right' | 'left')[];
  readonly onChange: (change: Partial<BenchAddress>) => void;
}

const WAYS: readonly (readonly [Direction, string])[] = [
  ['nearest', 'the nearest way'],
  ['up', 'upwards'],
  ['down', 'downwards'],
];

/** Which way the piece moves, and octaves for each hand. */
export function BenchTools({ address, hands, onChange }: BenchToolsProps) {
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
      {hands.map((hand) => (
        <OctaveChoice key={hand} hand={hand} value={address[hand]} onChange={(value) => onChange({ [hand]: value })} />
      ))}
    </div>
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
