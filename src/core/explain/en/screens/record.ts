import type { Terms } from '../terms';
import { playFaultNames } from '../playing';

export const record = (t: Terms) => ({
  opening: 'Opening the record …',
  heading: (pupil: string | null, piece: string | null) =>
    [pupil === null ? 'What was played' : `What ${pupil} played`, ...(piece === null ? [] : [piece])].join(': '),
  allPieces: 'All pieces',
  toSteps: 'To the steps',
  nothingYet: 'Nothing is in the record yet. A run goes into it once it was begun and played.',
  runs: 'Runs, the last first',
  more: (count: number) => `${count} more`,
  theRun: 'The run',
  title: (piece: string, key: string, when: string) => `${piece}, ${key}, ${when}`,
  outcomes: { clean: 'clean', unclean: 'not clean yet', ticked: 'ticked' },
  warmUp: 'warm-up',
  tempo: (perCent: number) => `${perCent} %`,
  right: (right: number, written: number) => `${right} of ${written} notes right`,
  took: (ms: number) => (ms < 90_000 ? `${Math.round(ms / 1000)} seconds` : `${Math.round(ms / 60_000)} minutes`),
  faults: (kind: string, count: number) => {
    const name = playFaultNames(t)[kind as keyof ReturnType<typeof playFaultNames>] ?? kind;
    return count === 1 ? name : `${name} (${count} times)`;
  },
  unclear: (count: number) => (count === 1 ? 'one note not heard clearly' : `${count} notes not heard clearly`),
  simulated: 'the simulated pupil',
  delete: (title: string) => `Delete this run: ${title}`,
  deleted: (title: string) => `run deleted: ${title}`,
  pieceIsGone: 'The piece is not there any more. What was played can still be heard.',
  musicChanged: 'The notes of the piece were changed since: it is held against the page as it is now.',
});
