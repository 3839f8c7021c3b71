import type { RunFact } from '@/core/teaching';

let counted = 0;

/** A play-through of a piece in C, clean and in the tempo of a secure piece, unless something else is said. */
export function aFact(more: Partial<RunFact> = {}): RunFact {
  counted += 1;
  return {
    id: `run-${counted}`,
    atMs: counted * 60_000,
    tookMs: 30_000,
    piece: 'tune',
    title: 'Tune',
    key: 'C-major',
    music: 'piece',
    stage: null,
    reach: 'whole',
    hand: 'both',
    way: 'along',
    tempo: 80,
    outcome: 'clean',
    step: null,
    faults: [],
    ...more,
  };
}

/** The five fingers of a key, clean in each hand. */
export function cleanPattern(key: string): readonly RunFact[] {
  return (['right', 'left'] as const).map((hand) => aFact({ music: 'warm-up', key, hand, piece: 'any' }));
}

/** A piece that is secure in a key. */
export function securePiece(key: string, piece = 'tune'): readonly RunFact[] {
  return Array.from({ length: 3 }, () => aFact({ key, piece, title: piece }));
}
