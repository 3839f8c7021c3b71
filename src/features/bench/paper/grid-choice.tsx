'use client';

import type { Grid } from '@/core/read';
import { isEntered, type PieceRecord } from '@/data';
import { changeGrid } from '@/features/shared/files/bring-in';
import { useMessages } from '@/features/shared/shell/messages';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** What the rhythm of a MIDI file can be set to, in parts of a quarter; 0 is the grid that is found. */
const grids = (w: Words): readonly (readonly [Grid | 0, string])[] => [
  [0, w.bench.gridThatFits],
  ...([1, 2, 4, 8, 3, 6] as const).map((parts) => [parts, w.says.gridWords(parts)] as const),
];

/** For a piece that came from a MIDI file: its rhythm can be set to another grid. */
export function GridChoice({ piece }: { readonly piece: PieceRecord }) {
  const w = useWords();
  const { say } = useMessages();
  if (!piece.midi) return null;
  if (isEntered(piece.edition)) return <p className="text-sm">{w.bench.rhythmCanBeSetTo}</p>;
  const choose = (index: number): void => {
    const [grid, words] = grids(w)[index] ?? [0, ''];
    void changeGrid(w, piece, grid, words).then((trouble) => {
      if (trouble) say({ kind: 'trouble', text: trouble.message, hint: trouble.hint });
    });
  };
  return (
    <label className="flex items-center gap-2 text-sm">
      {w.bench.rhythmSetTo}
      <select
        className="select select-sm h-9 w-44"
        data-role="grid"
        value={piece.midi.grid}
        onChange={(event) => choose(event.target.selectedIndex)}
      >
        {grids(w).map(([grid, words]) => (
          <option key={grid} value={grid}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
