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
import { handOverContents, handOverIn, type HandOver } from './file/hand-over';
import { studioFileText } from './file/studio-file';
import { compareWith, type Comparison } from './file/take-in';
import { pieceById } from './reading';
import { sameHeld } from './records/field';
import { change, studio, studioDatabase } from './use-studio';

/** The text of a studio file of everything that is here now, also of what could not be written. */
export async function fileText(): Promise<string> {
  return studioFileText(await studio().contents(), new Date().toISOString());
}

/** The text of a file with what a pupil takes home. */
export async function handOverText(pupil: string): Promise<string> {
  return studioFileText(handOverContents(await studio().contents(), pupil), new Date().toISOString(), 'hand-over');
}

/** Takes in what was handed over: what is new comes in, what is here stays, and the teacher's steps are renewed. Gives what it holds; null where it was refused. */
export async function takeInHandOver(contents: StudioContents, label: string): Promise<HandOver | null> {
  const handed = handOverIn(contents);
  if (await change({ kind: 'studio.take-in', contents, how: 'keep' }, label)) return null;
  for (const { piece, lists } of handed.homework) {
    const here = (await pieceById(studioDatabase(), piece))?.homework ?? [];
    const renewed = lists.filter(
      ({ pupil, key, steps }) =>
        !here.some((own) => own.pupil === pupil && own.key === key && sameHeld(own.steps, steps)),
    );
    if (renewed.length === 0) continue;
    await change(
      {
        kind: 'piece.homework',
        id: piece,
        lists: renewed.map(({ pupil, key, steps }) => ({ whose: { pupil, key }, steps })),
      },
      label,
    );
  }
  return handed;
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
  write: (): Promise<boolean> => writeKeptFile(studioDatabase(), fileText),
};
