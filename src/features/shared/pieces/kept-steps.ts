import type { PieceRecord, PupilRecord } from '@/data';

/** The teacher's list for a pupil in a key: the one made for just this pupil and key, else the nearest that holds for more. */
export function keptFor(
  { homework }: Pick<PieceRecord, 'homework'>,
  pupil: Pick<PupilRecord, 'id'> | null,
  key: string | null,
): PieceRecord['homework'][number] | null {
  const id = pupil?.id ?? null;
  const whose = [
    [id, key],
    [id, null],
    [null, key],
    [null, null],
  ];
  for (const [forPupil, inKey] of whose) {
    const found = homework.find((entry) => entry.pupil === forPupil && entry.key === inKey);
    if (found) return found;
  }
  return null;
}
