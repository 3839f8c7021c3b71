'use client';

import { array, object, string } from 'yup';
import type { PieceRecord } from '@/data';

const indexSchema = object({
  studio: string().required(),
  pieces: array(object({ id: string().required(), shows: string().required() })).required(),
});

/** Loads the pieces of the demo studio, which are shipped with the application. */
export async function loadDemoPieces(): Promise<readonly PieceRecord[]> {
  const index = indexSchema.validateSync(await (await shipped('/demo/index.json')).json());
  return Promise.all(
    index.pieces.map(async ({ id }, i) => ({
      id,
      origin: 'demo' as const,
      fileName: `${id}.musicxml`,
      musicXml: await (await shipped(`/demo/${id}.musicxml`)).text(),
      addedAt: i,
      lastKey: null,
      ownKey: null,
    })),
  );
}

async function shipped(address: string): Promise<Response> {
  const response = await fetch(address);
  if (!response.ok) throw new Error(`${address} is missing from the build`);
  return response;
}
