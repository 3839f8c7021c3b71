'use client';

import { array, object, string } from 'yup';
import { pupilSchema, type NewPiece, type PupilRecord } from '@/data';

const indexSchema = object({
  studio: string().required(),
  pieces: array(object({ id: string().required(), shows: string().required() })).required(),
  pupils: array(pupilSchema).required(),
});

/** The demo studio: its pieces and its pupils. */
export interface DemoStudio {
  readonly pieces: readonly NewPiece[];
  readonly pupils: readonly PupilRecord[];
}

/** Loads the demo studio, which is shipped with the application. */
export async function loadDemoStudio(): Promise<DemoStudio> {
  const index = indexSchema.validateSync(await (await shipped('/demo/index.json')).json());
  const pieces = await Promise.all(
    index.pieces.map(async ({ id }, i) => ({
      id,
      origin: 'demo' as const,
      fileName: `${id}.musicxml`,
      musicXml: await (await shipped(`/demo/${id}.musicxml`)).text(),
      addedAt: i,
    })),
  );
  return { pieces, pupils: index.pupils };
}

async function shipped(address: string): Promise<Response> {
  const response = await fetch(address);
  if (!response.ok) throw new Error(`${address} is missing from the build`);
  return response;
}
