'use client';

import { array, object, string } from 'yup';
import { pupilSchema, type NewPiece, type PupilRecord } from '@/data';

const demoSchema = object({
  studio: string().required(),
  pieces: array(
    object({ id: string().required(), shows: string().required(), musicXml: string().required() }),
  ).required(),
  pupils: array(pupilSchema).required(),
});

/** The demo studio: its pieces and its pupils. */
export interface DemoStudio {
  readonly pieces: readonly NewPiece[];
  readonly pupils: readonly PupilRecord[];
}

/** Loads the demo studio, which is shipped with the application. */
export async function loadDemoStudio(): Promise<DemoStudio> {
  const response = await fetch('/demo-studio');
  if (!response.ok) throw new Error('the demo studio is missing from the build');
  const { pieces, pupils } = demoSchema.validateSync(await response.json());
  return {
    pieces: pieces.map(({ id, musicXml }, i) => ({
      id,
      origin: 'demo',
      fileName: `${id}.musicxml`,
      musicXml,
      addedAt: i,
    })),
    pupils,
  };
}
