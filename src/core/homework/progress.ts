import { NOT_SCORED, type PlayFaultKind } from '../practice';
import type { PracticeStep, StepWay } from './practice-step';

/** What came of one run through a step. */
export interface StepRun {
  readonly step: string;
  readonly atMs: number;
  readonly outcome: 'clean' | 'unclean' | 'ticked';
}

/** What is told of a run that was judged. */
export interface JudgedRun {
  readonly clean: boolean;
  readonly notes: { readonly written: number; readonly right: number };
  readonly faults: readonly { readonly kind: PlayFaultKind }[];
}

/** What is a matter of time, and of no weight where each moment is waited for. */
const OF_TIME: readonly PlayFaultKind[] = ['early', 'late', 'hesitation', 'stopped', 'spread-chord'];

/** Whether a run counts as clean: where each moment is waited for, right notes alone are wanted. */
export function outcomeOf(way: StepWay, { clean, notes, faults }: JudgedRun): 'clean' | 'unclean' {
  if (way !== 'wait') return clean ? 'clean' : 'unclean';
  const weighing = faults.filter(({ kind }) => !OF_TIME.includes(kind) && !NOT_SCORED.includes(kind));
  return notes.written > 0 && weighing.length === 0 ? 'clean' : 'unclean';
}

/** How a step stands: how often in a row it was clean just now, whether it was once clean as often as asked, and whether it may be begun. */
export interface StepProgress {
  readonly id: string;
  readonly inARow: number;
  readonly isDone: boolean;
  readonly isOpen: boolean;
}

/** How the steps of a list stand after these runs, in whatever order they come. What was once done stays done. */
export function progressOf(steps: readonly PracticeStep[], runs: readonly StepRun[]): readonly StepProgress[] {
  const inTime = runs.toSorted((a, b) => a.atMs - b.atMs);
  const rows = steps.map((step) =>
    rowsOf(
      step,
      inTime.filter((run) => run.step === step.id),
    ),
  );
  return steps.map(({ id, opens }, i) => {
    const { inARow, isDone } = rows[i] as Row;
    const isOpen = isDone || opens === 'any-time' || i === 0 || rows[i - 1]?.isDone === true;
    return { id, inARow, isDone, isOpen };
  });
}

interface Row {
  readonly inARow: number;
  readonly isDone: boolean;
}

function rowsOf({ way, times }: PracticeStep, runs: readonly StepRun[]): Row {
  if (way === 'tick') return { inARow: 0, isDone: runs.some(({ outcome }) => outcome === 'ticked') };
  return runs.reduce<Row>(
    ({ inARow, isDone }, { outcome }) => {
      const now = outcome === 'clean' ? inARow + 1 : 0;
      return { inARow: now, isDone: isDone || now >= times };
    },
    { inARow: 0, isDone: false },
  );
}

/** The step that comes next: the first that is open and not done; null when nothing is left to do. */
export function nextStep(progress: readonly StepProgress[]): StepProgress | null {
  return progress.find(({ isOpen, isDone }) => isOpen && !isDone) ?? null;
}
