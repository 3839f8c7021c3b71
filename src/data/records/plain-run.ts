import { PLAY_FAULT_KINDS, STRICTNESSES } from '@/core/practice';
import { STEP_WAYS } from '@/core/homework';
import { isPlain } from './field';
import { PLAYED_ON, type RunRecord } from './run-record';

/** Whether a stored run is exactly as New Thumb writes it. Two years of a studio hold 50,000 of them: what is plain need not be read through its schema. What is not
 * plain may still be a run: that the schema tells. Checked by: plain-run.test.ts (never yes where the schema says no). */
export function isPlainRun(value: unknown): value is RunRecord {
  if (!isPlain(value)) return false;
  const { bars, faults, form } = value;
  return (
    TEXTS.every((name) => isText(value[name])) &&
    FREE_TEXTS.every((name) => typeof value[name] === 'string') &&
    TEXTS_OR_NONE.every((name) => value[name] === null || typeof value[name] === 'string') &&
    COUNTS.every((name) => isCount(value[name])) &&
    Object.entries(CHOICES).every(([name, choices]) => choices.includes(value[name])) &&
    isNumber(value['atMs']) &&
    isNumber(value['tookMs']) &&
    value['tookMs'] >= 0 &&
    isCount(value['tempo']) &&
    value['tempo'] >= 1 &&
    value['tempo'] <= 300 &&
    (value['bpm'] === null || (isNumber(value['bpm']) && value['bpm'] > 0)) &&
    (value['countIn'] === null || (isNumber(value['countIn']) && value['countIn'] >= 0)) &&
    (form === undefined || (isCount(form) && form >= 1)) &&
    (bars === null || (isPlain(bars) && isCount(bars['from']) && isCount(bars['to']))) &&
    Array.isArray(faults) &&
    faults.every(isPlainFault)
  );
}

/** The runs among some values. */
export function plainRuns(values: readonly unknown[]): readonly RunRecord[] {
  return values.filter(isPlainRun);
}

const TEXTS = ['id', 'piece', 'key'];
const FREE_TEXTS = ['title'];
const TEXTS_OR_NONE = ['pupil', 'edition', 'stage', 'step', 'midi'];
const COUNTS = ['written', 'right'];
const CHOICES: Readonly<Record<string, readonly unknown[]>> = {
  music: ['piece', 'warm-up'],
  hand: ['both', 'right', 'left'],
  way: STEP_WAYS,
  ear: STRICTNESSES,
  playedOn: PLAYED_ON,
  outcome: ['clean', 'unclean', 'ticked'],
};
const KINDS: readonly unknown[] = PLAY_FAULT_KINDS;
const HANDS: readonly unknown[] = ['right', 'left', null, undefined];

function isPlainFault(fault: unknown): boolean {
  return (
    isPlain(fault) &&
    KINDS.includes(fault['kind']) &&
    typeof fault['bar'] === 'string' &&
    isNumber(fault['beat']) &&
    HANDS.includes(fault['hand']) &&
    Array.isArray(fault['notes']) &&
    fault['notes'].every(isText)
  );
}

/** A text that is required is not empty. */
function isText(value: unknown): boolean {
  return typeof value === 'string' && value !== '';
}

function isNumber(value: unknown): value is number {
  return typeof value === 'number' && !Number.isNaN(value);
}

function isCount(value: unknown): value is number {
  return Number.isInteger(value) && (value as number) >= 0;
}
