'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import {
  allowKeptFile,
  chooseKeptFile,
  keptFile,
  leaveKeptFile,
  writeKeptFile,
  type KeptFile,
} from './device/kept-file';
import { viewOf } from './door/view';
import type { StudioContents } from './file/contents';
import { handOverContents, handOverIn, pupilContents, type HandOver, type HandOverAsked } from './file/hand-over';
import { comingIn, joinContents, type ComingIn } from './file/join-in';
import type { Conflict } from './join/join';
import { knownStamps } from './door/stamping';
import { studioFileText, type ReadFile } from './file/studio-file';
import { compareWith, type Comparison } from './file/take-in';
import { studio, studioDatabase, studioState } from './studio-life';
import { change } from './use-studio';

/** The text of a studio file of everything that is here now, also of what could not be written. */
export async function fileText(): Promise<string> {
  return studioFileText(await studio().contents(), new Date().toISOString());
}

/** The text of a file with what a pupil takes home, or brings back. */
export async function handOverText(asked: HandOverAsked): Promise<string> {
  return studioFileText(handOverContents(await studio().contents(), asked), new Date().toISOString(), 'hand-over');
}

/** The text of a file with everything of one pupil. */
export async function pupilText(pupil: string): Promise<string> {
  return studioFileText(pupilContents(await studio().contents(), pupil), new Date().toISOString(), 'pupil');
}

/** What was handed over. */
export type Handed = Pick<ReadFile, 'contents'> & { readonly kind: 'hand-over' | 'pupil' };

/** What of a file may be taken in beside what is here; null for a whole studio. */
export function handedOf({ kind, contents }: ReadFile): Handed | null {
  return kind === 'studio' ? null : { kind, contents };
}

/** What would come in with a file that was handed over, before anything of it does. */
export interface LookedOver {
  readonly handed: HandOver;
  readonly coming: readonly ComingIn[];
  readonly conflicts: readonly Conflict[];
}

/** A hand-over is joined with what is here. Of a pupil who was kept for later what is not here comes back, also where it was taken out since. */
export async function lookOver({ kind, contents }: Handed): Promise<LookedOver> {
  const [database, view] = [studioDatabase(), viewOf(studioDatabase())];
  if (kind === 'pupil') {
    const compared = await compareWith(view, contents);
    const coming = compared.map(({ table, fresh }) => ({ table, fresh: fresh.length, changed: 0, gone: 0 }));
    return { handed: handOverIn(contents), coming, conflicts: [] };
  }
  const joining = await joinContents(view, (ids) => knownStamps(database, ids), contents);
  return { handed: handOverIn(contents), coming: await comingIn(view, joining), conflicts: joining.conflicts };
}

/** Takes in what was handed over. Whether it was done. */
export async function takeInHanded({ kind, contents }: Handed, label: string): Promise<boolean> {
  const command =
    kind === 'pupil'
      ? ({ kind: 'studio.take-in', contents, how: 'keep' } as const)
      : ({ kind: 'studio.join', contents } as const);
  return (await change(command, label)) === null;
}

export function compareWithStudio(contents: StudioContents): Promise<readonly Comparison[]> {
  return compareWith(viewOf(studioDatabase()), contents);
}

/** How things stand with the file outside of the browser, kept up to date. */
export function useKeptFile(): KeptFile | undefined {
  return useLiveQuery(() => keptFile(studioDatabase()), []);
}

export const keepInFile = {
  choose: (name: string): Promise<boolean> => chooseKeptFile(studioDatabase(), name),
  allow: (): Promise<boolean> => allowKeptFile(studioDatabase()),
  leave: (): Promise<void> => leaveKeptFile(studioDatabase()),
  /** Only from a studio that is there: what is left of one is saved when the teacher says so. */
  write: async (): Promise<boolean> => studioState() === 'open' && (await writeKeptFile(studioDatabase(), fileText)),
};
