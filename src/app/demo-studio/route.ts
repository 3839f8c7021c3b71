import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

/** Made once with the build: a first visit asks for the whole demo studio in one go. */
export const dynamic = 'force-static';

const DEMO = join(process.cwd(), 'public/demo');

export async function GET(): Promise<Response> {
  const index = JSON.parse(await readFile(join(DEMO, 'index.json'), 'utf8')) as {
    readonly pieces: readonly { readonly id: string }[];
  };
  const pieces = await Promise.all(
    index.pieces.map(async (piece) => ({
      ...piece,
      musicXml: await readFile(join(DEMO, `${piece.id}.musicxml`), 'utf8'),
    })),
  );
  return Response.json({ ...index, pieces });
}
