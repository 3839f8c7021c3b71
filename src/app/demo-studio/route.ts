import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { USUAL_LANGUAGE } from '@/core/explain';
import { openPiece } from '@/core/piece';
import { shelfView } from '@/core/views';
import { CARD_LAYOUT, cardPrefix } from '@/features/shelf/card-layout';
import { engravePage } from '@/workers/engrave/engraving';
import type { EngravedAhead } from '@/workers/questions';
import { LOG_ERROR, VerovioToolkit, enableLog } from 'verovio/esm';
import createVerovioModule from 'verovio/wasm';

/** Made once with the build: a first visit asks for the whole demo studio in one go, and its cards need not wait for the engraver. */
export const dynamic = 'force-static';

const DEMO = join(process.cwd(), 'public/demo');

export async function GET(): Promise<Response> {
  const index = JSON.parse(await readFile(join(DEMO, 'index.json'), 'utf8')) as {
    readonly studio: string;
    readonly pieces: readonly { readonly id: string }[];
  };
  const pieces = await Promise.all(
    index.pieces.map(async (piece) => ({
      ...piece,
      musicXml: await readFile(join(DEMO, `${piece.id}.musicxml`), 'utf8'),
    })),
  );
  const engraver = await createVerovioModule();
  enableLog(LOG_ERROR, engraver);
  const toolkit = new VerovioToolkit(engraver);
  const term = JSON.parse(await readFile(join(DEMO, 'term.json'), 'utf8')) as object;
  return Response.json({ studio: index.studio, term, pieces, cards: pieces.map((piece) => cardOf(toolkit, piece)) });
}

/** The opening of a piece as its card shows it. */
function cardOf(
  toolkit: VerovioToolkit,
  { id, musicXml }: { readonly id: string; readonly musicXml: string },
): EngravedAhead {
  const piece = openPiece(new TextEncoder().encode(musicXml), { format: 'musicxml', key: null, part: null });
  if (!piece.ok) throw new Error(`the demo piece ${id} cannot be read: ${piece.error.code}`);
  const { opening } = shelfView(USUAL_LANGUAGE, piece.value, cardPrefix(id));
  const engraved = engravePage(toolkit, opening, CARD_LAYOUT);
  if (!engraved.ok) throw new Error(`the demo piece ${id} cannot be engraved: ${engraved.error.code}`);
  return { musicXml: opening.musicXml, layout: CARD_LAYOUT, systems: engraved.value };
}
