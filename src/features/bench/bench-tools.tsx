'use client';

import { memo } from 'react';
import { ChevronDown, MoveUpRight } from 'lucide-react';
import type { BenchView } from '@/core/views';
import { type Direction, type Key, type Mode, keyText, signatureOf } from '@/core/pitch';
import { change, type Settings } from '@/data';
import { FoldOut } from '@/features/shared/fold-out';
import type { BenchAddress, MinorForm } from './bench-address';

export interface BenchToolsProps {
  readonly address: BenchAddress;
  /** The piece's own key, and the one that is shown. */
  readonly own: Key;
  readonly shown: Key;
  readonly hands: readonly ('right' | 'left')[];
  readonly parts: BenchView['parts'];
  readonly onPart: (id: string, name: string) => void;
  readonly group: BenchView['group'];
  readonly spelling: Settings['spelling'];
  readonly onChange: (change: Partial<BenchAddress>) => void;
}

const WAYS: readonly (readonly [Direction, string])[] = [
  ['nearest', 'the nearest way'],
  ['up', 'upwards'],
  ['down', 'downwards'],
];

/** Which way the piece moves, and octaves for each hand, folded away under what is out of the usual. */
export const BenchTools = memo(function BenchTools(props: BenchToolsProps) {
  return (
    <FoldOut
      summary={
        <>
          <MoveUpRight size={16} aria-hidden /> {summaryOf(props.address, props.own, props.shown)}{' '}
          <ChevronDown size={16} aria-hidden />
        </>
      }
      className="btn btn-sm h-9 px-2.5 font-normal whitespace-nowrap"
      role="way"
      label={`How it moves: ${summaryOf(props.address, props.own, props.shown)}`}
      title="How it moves"
      width="w-80"
    >
      <div className="p-3">
        <WayFields {...props} />
      </div>
    </FoldOut>
  );
});

/** Which way the piece moves, and octaves for each hand. */
export function WayFields({ address, own, shown, hands, parts, onPart, group, spelling, onChange }: BenchToolsProps) {
  return (
    <div className="flex flex-col gap-2">
      <label className="flex items-center justify-between gap-1.5">
        Direction
        <select
          className="select select-sm h-9 w-48"
          value={address.way}
          onChange={(event) => onChange({ way: WAYS[event.target.selectedIndex]?.[0] ?? 'nearest' })}
        >
          {WAYS.map(([way, words]) => (
            <option key={way} value={way}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <ModeChoice own={own} shown={shown} minor={address.minor} onChange={onChange} />
      {group ? (
        <button
          type="button"
          className="btn btn-sm h-9 font-normal"
          onClick={() => onChange({ key: group.key, way: group.direction })}
        >
          Half a step onto the {group.onto} keys: {group.keyWords}
        </button>
      ) : null}
      {parts.length > 1 ? <PartChoice parts={parts} onPart={onPart} /> : null}
      <label className="flex items-center justify-between gap-1.5">
        Spelling
        <select
          className="select select-sm h-9 w-48"
          data-role="spelling"
          value={spelling}
          onChange={(event) => spell(event.target.value === 'plain' ? 'plain' : 'strict')}
        >
          <option value="strict">strict: as the intervals say</option>
          <option value="plain">plain: no double signs</option>
        </select>
      </label>
      {hands.map((hand) => (
        <OctaveChoice key={hand} hand={hand} value={address[hand]} onChange={(value) => onChange({ [hand]: value })} />
      ))}
    </div>
  );
}

function spell(spelling: Settings['spelling']): void {
  void change({ kind: 'settings.change', change: { spelling } }, `Spelling: ${spelling}`);
}

/** What is out of the usual, in a few words. */
function summaryOf({ way, right, left }: BenchAddress, own: Key, shown: Key): string {
  const said = [
    ...(own.mode === shown.mode ? [] : [`into ${shown.mode}`]),
    ...(way === 'nearest' ? [] : [WAYS.find(([name]) => name === way)?.[1] ?? '']),
    ...(right === 0 && left === 0 ? [] : ['octaves set']),
  ];
  return said.length === 0 ? 'the nearest way' : said.join(', ');
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
function ModeChoice({
  own,
  shown,
  minor,
  onChange,
}: {
  readonly own: Key;
  readonly shown: Key;
  readonly minor: MinorForm;
  readonly onChange: (change: Partial<BenchAddress>) => void;
}) {
  const ways = OTHER_MODES.filter(({ mode }) => mode !== own.mode);
  const at =
    shown.mode === own.mode
      ? 0
      : 1 + ways.findIndex((way) => way.mode === shown.mode && (way.mode !== 'minor' || way.minor === minor));
  const choose = (index: number): void => {
    const way = ways[index - 1];
    if (!way) return onChange({ key: keyText({ tonic: shown.tonic, mode: own.mode }), minor: 'harmonic' });
    const key: Key = { tonic: shown.tonic, mode: way.mode };
    // A tonic that would need more than seven signs in this mode gives way to the piece's own.
    onChange({ key: keyText(Math.abs(signatureOf(key)) <= 7 ? key : { ...key, tonic: own.tonic }), minor: way.minor });
  };
  return (
    <label className="flex items-center justify-between gap-1.5">
      Mode
      <select
        className="select select-sm h-9 w-48"
        data-role="mode"
        value={at}
        onChange={(event) => choose(event.target.selectedIndex)}
      >
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

/** Which part is the pupil's: its hands are told of and may take octaves; all parts move together. */
function PartChoice({ parts, onPart }: Pick<BenchToolsProps, 'parts' | 'onPart'>) {
  const choose = (index: number): void => {
    const part = parts[index];
    if (part) onPart(part.id, part.name);
  };
  return (
    <label className="flex items-center justify-between gap-1.5">
      Pupil’s part
      <select
        className="select select-sm h-9 w-48"
        data-role="part"
        value={parts.findIndex(({ isPupils }) => isPupils)}
        onChange={(event) => choose(event.target.selectedIndex)}
      >
        {parts.map(({ id, name }, i) => (
          <option key={id} value={i}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

const OCTAVES = [2, 1, 0, -1, -2];

function OctaveChoice({
  hand,
  value,
  onChange,
}: {
  readonly hand: 'right' | 'left';
  readonly value: number;
  readonly onChange: (value: number) => void;
}) {
  return (
    <label className="flex items-center justify-between gap-1.5">
      {hand === 'right' ? 'Right hand' : 'Left hand'}
      <select
        className="select select-sm h-9 w-48"
        value={value}
        onChange={(event) => onChange(Number(event.target.value))}
      >
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
