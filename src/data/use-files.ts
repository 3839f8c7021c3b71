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
import { loadedView, viewOf } from './door/view';
import type { StudioContents, TakingIn } from './file/contents';
import { handOverContents, handOverIn, pupilContents, type HandOver, type HandOverAsked } from './file/hand-over';
import { comingIn, harmIn, refusedIn, type ComingRecord, type RefusedRecord } from './file/coming';
import { joinContents } from './file/join-in';
import type { Conflict } from './join/join';
import { knownStamps } from './door/stamping';
import { studioFileText, type ReadFile } from './file/studio-file';
import { compareWith, wantedByTakingIn, type Comparison } from './file/take-in';
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

/** What would come in with a file that was handed over, before anything of it does; what of it would go beyond the rights of such a file, and what of it
 * cannot be understood. None of the last two comes in. */
export interface LookedOver {
  readonly handed: HandOver;
  readonly coming: readonly ComingRecord[];
  readonly refused: readonly RefusedRecord[];
  readonly unclear: number;
  readonly conflicts: readonly Conflict[];
}

/** A hand-over is joined with what is here. Of a pupil who was kept for later what is not here comes back, also where it was taken out since. */
export async function lookOver({ kind, contents }: Handed): Promise<LookedOver> {
  const [database, view] = [studioDatabase(), viewOf(studioDatabase())];
  const { wanted, refused, conflicts } =
    kind === 'pupil'
      ? { ...(await wantedByTakingIn(view, contents, 'keep', kind)), conflicts: [] }
      : await joinContents(view, (ids) => knownStamps(database, ids), contents, kind);
  return {
    handed: handOverIn(contents),
    coming: await comingIn(view, contents, wanted),
    // What could not be understood would come among what is set aside: it is told by its number.
    refused: await refusedIn(
      view,
      contents,
      refused.filter(({ table }) => table !== 'aside'),
    ),
    unclear: contents.aside.length,
    conflicts,
  };
}

/** Takes in what was handed over, as it was looked at. Whether it was done; a refusal is told by itself. */
export async function takeInHanded(
  { kind, contents }: Handed,
  coming: LookedOver['coming'],
  label: string,
): Promise<boolean> {
  const listed = harmIn(coming);
  const command =
    kind === 'pupil'
      ? ({ kind: 'studio.take-in', contents, how: 'keep', file: kind, listed } as const)
      : ({ kind: 'studio.join', contents, file: kind, listed } as const);
  return (await change(command, label)) === null;
}

/** What a studio file would change and take out, if it were taken in so, record by record. */
export async function harmOfFile(contents: StudioContents, how: TakingIn): Promise<readonly ComingRecord[]> {
  const view = await loadedView(studioDatabase());
  const { wanted } = await wantedByTakingIn(view, contents, how, 'studio');
  const coming = await comingIn(view, contents, wanted);
  return coming.filter(({ deed }) => deed !== 'add');
}

export function compareWithStudio(contents: StudioContents): Promise<readonly Comparison[]> {
  return compareWith(viewOf(studioDatabase()), contents);
}

/** How things stand with the file outside of the browser, kept up to date. */
export function useKeptFile(): KeptFile | undefined {
  return useLiveQuery(() => keptFile(studioDatabase()), []);
}

export const keepInFile = {
  choose: (suggestedName: string, description: string): Promise<boolean> =>
    chooseKeptFile(studioDatabase(), { suggestedName, description }),
  allow: (): Promise<boolean> => allowKeptFile(studioDatabase()),
  leave: (): Promise<void> => leaveKeptFile(studioDatabase()),
  /** Only from a studio that is there: what is left of one is saved when the teacher says so. */
  write: async (): Promise<boolean> => studioState() === 'open' && (await writeKeptFile(studioDatabase(), fileText)),
};
