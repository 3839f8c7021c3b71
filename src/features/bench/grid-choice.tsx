'use client';

import { isEntered, type PieceRecord } from '@/data';
import { changeGrid } from '@/features/shared/bring-in';
import { useMessages } from '@/features/shared/messages';

/** What the rhythm of a MIDI file can be set to, in parts of a quarter; 0 is the grid that is found. */
const GRIDS: readonly (readonly [number, string])[] = [
  [0, 'the grid that fits'],
  [1, 'quarters'],
  [2, 'eighths'],
  [4, 'sixteenths'],
  [8, 'thirty-seconds'],
  [3, 'eighth triplets'],
  [6, 'sixteenth triplets'],
];

/** For a piece that came from a MIDI file: its rhythm can be set to another grid. */
export function GridChoice({ piece }: { readonly piece: PieceRecord }) {
  const { say } = useMessages();
  if (!piece.midi) return null;
  if (isEntered(piece.edition))
    return (
      <p className="text-sm">The rhythm can be set to another grid once what was changed by hand is taken back.</p>
    );
  const choose = (index: number): void => {
    const [grid, words] = GRIDS[index] ?? [0, ''];
    void changeGrid(piece, grid, words).then((trouble) => {
      if (trouble) say({ kind: 'trouble', text: trouble.message, hint: trouble.hint });
    });
  };
  return (
    <label className="flex items-center gap-2 text-sm">
      Rhythm set to
      <select
        className="select select-sm h-9 w-44"
        data-role="grid"
        value={piece.midi.grid}
        onChange={(event) => choose(event.target.selectedIndex)}
      >
        {GRIDS.map(([grid, words]) => (
          <option key={grid} value={grid}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
