'use client';

import { ownAddress } from '@/features/shared/address/own-address';
import { array, mixed, number, object, string } from 'yup';
import { engraveLayoutSchema } from '@/contract/engraving-checks';
import type { EngravedSystem } from '@/contract/engraving-questions';
import { takeEngravedAhead, type EngravedAhead } from '@/workers/questions';
import { lessonSchema, planEntrySchema, plainRuns, pupilSchema, type DemoRecords } from '@/data';
import { inThePresent } from './demo-term';

const demoSchema = object({
  studio: string().required(),
  pieces: array(
    object({ id: string().required(), shows: string().required(), musicXml: string().required() }),
  ).required(),
  /** The last weeks of the simulated year; runs are looked at where they are read. */
  term: object({
    week: string().required(),
    pupils: array(pupilSchema).required(),
    plan: array(planEntrySchema).required(),
    lessons: array(lessonSchema).required(),
    runs: mixed<readonly unknown[]>((value): value is readonly unknown[] => Array.isArray(value)).required(),
  }).required(),
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

/** Loads the demo studio, which is shipped with the application. */
export async function loadDemoStudio(): Promise<DemoRecords> {
  const response = await fetch(ownAddress('/demo-studio'));
  if (!response.ok) throw new Error('the demo studio is missing from the build');
  const { pieces, term, cards } = demoSchema.validateSync(await response.json());
  takeEngravedAhead(cards as unknown as readonly EngravedAhead[]);
  return {
    pieces: pieces.map(({ id, musicXml }, i) => ({
      id,
      origin: 'demo',
      fileName: `${id}.musicxml`,
      musicXml,
      addedAt: i,
    })),
    ...inThePresent({ ...term, runs: plainRuns(term.runs) }, Date.now()),
  };
}
