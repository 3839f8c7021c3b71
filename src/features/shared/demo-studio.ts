'use client';

import { array, mixed, number, object, string } from 'yup';
import { engraveLayoutSchema } from '@/workers/protocol-schemas';
import type { EngravedSystem } from '@/workers/protocol';
import { takeEngravedAhead, type EngravedAhead } from '@/workers/questions';
import { pupilSchema, type NewPiece, type PupilRecord } from '@/data';

const demoSchema = object({
  studio: string().required(),
  pieces: array(
    object({ id: string().required(), shows: string().required(), musicXml: string().required() }),
  ).required(),
  pupils: array(pupilSchema).required(),
  /** The openings of the cards, engraved with the build. */
  cards: array(
    object({
      musicXml: string().required(),
      layout: engraveLayoutSchema.required(),
      systems: array(
        object({
          svg: string().required(),
          viewBox: array(number().required()).length(4).required(),
          heads: array(mixed<EngravedSystem['heads'][number]>().required()).required(),
          lines: array(mixed<EngravedSystem['lines'][number]>().required()).required(),
          bars: array(mixed<EngravedSystem['bars'][number]>().required()).required(),
        }),
      ).required(),
    }),
  ).required(),
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
  const { pieces, pupils, cards } = demoSchema.validateSync(await response.json());
  takeEngravedAhead(cards as unknown as readonly EngravedAhead[]);
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
