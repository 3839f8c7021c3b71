import type { StudioDatabase } from '../database';
import { heldIn } from '../records/field';

/** Where entering stood in a piece, as text; null where the music was changed since. */
export async function caretIn(database: StudioDatabase, id: string, edition: string | null): Promise<string | null> {
  const caret = await database.carets.get(id);
  return caret && caret.edition === edition ? caret.typing : null;
}

/** Notes where entering stands, for a tab that goes on from there. Nothing where the music is another one by now. */
export async function noteCaret(
  database: StudioDatabase,
  id: string,
  edition: string | null,
  typing: string,
): Promise<void> {
  await database.transaction('rw', database.pieces, database.carets, async () => {
    const piece = await database.pieces.get(id);
    if (piece !== undefined && (heldIn(piece, ['edition']) ?? null) === edition)
      await database.carets.put({ piece: id, edition, typing });
  });
}
