'use client';

import { memo } from 'react';
import { ChevronDown, MoveUpRight } from 'lucide-react';
import type { BenchView } from '@/core/views';
import { type Direction, type Key, type Mode, keyText, signatureOf } from '@/core/pitch';
import { change, type Settings } from '@/data';
import { FoldOut } from '@/features/shared/parts/fold-out';
import type { BenchAddress, MinorForm } from '../bench-address';
import { useWords, type Words } from '@/features/shared/words/use-words';

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

const ways = (w: Words): readonly (readonly [Direction, string])[] => [
  ['nearest', w.bench.nearestWay],
  ['up', w.bench.upwards],
  ['down', w.bench.downwards],
];

/** Which way the piece moves, and octaves for each hand, folded away under what is out of the usual. */
export const BenchTools = memo(function BenchTools(props: BenchToolsProps) {
  const w = useWords();
  return (
    <FoldOut
      summary={
        <>
          <MoveUpRight size={16} aria-hidden /> {summaryOf(w, props.address, props.own, props.shown)}{' '}
          <ChevronDown size={16} aria-hidden />
        </>
      }
      className="btn btn-sm h-9 px-2.5 font-normal whitespace-nowrap"
      role="way"
      label={w.bench.howItMoves(summaryOf(w, props.address, props.own, props.shown))}
      title={w.bench.howItMovesTitle}
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
  const w = useWords();
  return (
    <div className="flex flex-col gap-2">
      <label className="flex items-center justify-between gap-1.5">
        {w.bench.direction}
        <select
          className="select select-sm h-9 w-48"
          value={address.way}
          onChange={(event) => onChange({ way: ways(w)[event.target.selectedIndex]?.[0] ?? 'nearest' })}
        >
          {ways(w).map(([way, words]) => (
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
          {w.bench.halfStepOntoKeys(group.onto, group.keyWords)}
        </button>
      ) : null}
      {parts.length > 1 ? <PartChoice parts={parts} onPart={onPart} /> : null}
      <label className="flex items-center justify-between gap-1.5">
        {w.shared.spelling}
        <select
          className="select select-sm h-9 w-48"
          data-role="spelling"
          value={spelling}
          onChange={(event) => spell(w, event.target.value === 'plain' ? 'plain' : 'strict')}
        >
          <option value="strict">{w.bench.strictAsIntervalsSay}</option>
          <option value="plain">{w.bench.plainNoDoubleSigns}</option>
        </select>
      </label>
      {hands.map((hand) => (
        <OctaveChoice key={hand} hand={hand} value={address[hand]} onChange={(value) => onChange({ [hand]: value })} />
      ))}
    </div>
  );
}

function spell(w: Words, spelling: Settings['spelling']): void {
  void change({ kind: 'settings.change', change: { spelling } }, w.bench.spelling(spelling));
}

/** What is out of the usual, in a few words. */
function summaryOf(w: Words, { way, right, left }: BenchAddress, own: Key, shown: Key): string {
  const said = [
    ...(own.mode === shown.mode ? [] : [w.bench.into(shown.mode)]),
    ...(way === 'nearest' ? [] : [ways(w).find(([name]) => name === way)?.[1] ?? '']),
    ...(right === 0 && left === 0 ? [] : [w.bench.octavesSet]),
  ];
  return said.length === 0 ? w.bench.nearestWay : said.join(', ');
}

interface ModeWay {
  readonly mode: Mode;
  readonly minor: MinorForm;
  readonly words: string;
}

const otherModes = (w: Words): readonly ModeWay[] => [
  { mode: 'major', minor: 'harmonic', words: w.bench.intoMajor },
  { mode: 'minor', minor: 'harmonic', words: w.bench.intoHarmonicMinor },
  { mode: 'minor', minor: 'natural', words: w.bench.intoNaturalMinor },
  { mode: 'minor', minor: 'melodic', words: w.bench.intoMelodicMinor },
  { mode: 'dorian', minor: 'harmonic', words: w.bench.intoDorian },
  { mode: 'phrygian', minor: 'harmonic', words: w.bench.intoPhrygian },
  { mode: 'lydian', minor: 'harmonic', words: w.bench.intoLydian },
  { mode: 'mixolydian', minor: 'harmonic', words: w.bench.intoMixolydian },
  { mode: 'locrian', minor: 'harmonic', words: w.bench.intoLocrian },
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
  const w = useWords();
  const ways = otherModes(w).filter(({ mode }) => mode !== own.mode);
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
      {w.shared.mode}
      <select
        className="select select-sm h-9 w-48"
        data-role="mode"
        value={at}
        onChange={(event) => choose(event.target.selectedIndex)}
      >
        <option value={0}>{w.bench.everyIntervalKept}</option>
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
  const w = useWords();
  const choose = (index: number): void => {
    const part = parts[index];
    if (part) onPart(part.id, part.name);
  };
  return (
    <label className="flex items-center justify-between gap-1.5">
      {w.bench.pupilsPart}
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
  const w = useWords();
  return (
    <label className="flex items-center justify-between gap-1.5">
      {hand === 'right' ? w.bench.rightHand : w.bench.leftHand}
      <select
        className="select select-sm h-9 w-48"
        value={value}
        onChange={(event) => onChange(Number(event.target.value))}
      >
        {OCTAVES.map((octaves) => (
          <option key={octaves} value={octaves}>
            {octaveWords(w, octaves)}
          </option>
        ))}
      </select>
    </label>
  );
}

function octaveWords(w: Words, octaves: number): string {
  if (octaves === 0) return w.bench.asItFalls;
  const size = Math.abs(octaves) === 1 ? w.bench.octave : w.bench.twoOctaves;
  return octaves > 0 ? w.bench.higherBy(size) : w.bench.lowerBy(size);
}
