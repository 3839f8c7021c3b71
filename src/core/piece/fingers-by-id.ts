import type { Finger, NoteId } from '../score';
import type { Version } from './open-piece';

/** The finger of every note that a hand plays in a version. */
export function fingersById({ hands }: Pick<Version, 'hands'>): ReadonlyMap<NoteId, Finger> {
  return new Map(
    hands.flatMap(({ played, notes }) =>
      notes.flatMap((note, i) => (played.fingering[i] ? [[note.id, played.fingering[i]] as const] : [])),
    ),
  );
}
