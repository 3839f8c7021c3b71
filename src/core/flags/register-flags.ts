import { groupBy } from '../base';
import { isOnKeyboard, type KeyboardSize } from '../keyboard';
import type { HandNote } from '../score';
import type { Flag } from './flag';
import { placeOf } from './place-of';

/** Ledger lines are told of from this number on. Source: the scripting interface. */
const MANY_LEDGER_LINES = 3;

/** Notes on three or more ledger lines; a run of them in one hand is one flag. */
export function ledgerFlags(notes: readonly HandNote[]): readonly Flag[] {
  return runsOf(notes, (note) => note.ledgerLines >= MANY_LEDGER_LINES).map((run) => ({
    evidence: { kind: 'ledger-lines', lines: Math.max(...run.map((note) => note.ledgerLines)) },
    severity: 'watch',
    byBlackKey: false,
    wasThere: false,
    costs: null,
    ...placeOf(run),
  }));
}

/** Notes that the pupil's keyboard does not have. */
export function offKeyboardFlags(notes: readonly HandNote[], keyboard: KeyboardSize): readonly Flag[] {
  return runsOf(notes, (note) => !isOnKeyboard(note.midi, keyboard)).map((run) => ({
    evidence: { kind: 'off-keyboard', pitch: (run[0] as HandNote).pitch, keyboard },
    severity: 'must',
    byBlackKey: false,
    wasThere: false,
    costs: null,
    ...placeOf(run),
  }));
}

/** Double sharps and double flats, one flag a pitch. */
export function doubleAccidentalFlags(notes: readonly HandNote[]): readonly Flag[] {
  const doubled = notes.filter((note) => Math.abs(note.pitch.alter) >= 2);
  return [...groupBy(doubled, (note) => `${note.hand}/${note.pitch.step}/${note.pitch.alter}`).values()].map(
    (group) => ({
      evidence: { kind: 'double-accidental', pitch: (group[0] as HandNote).pitch },
      severity: 'watch',
      byBlackKey: false,
      wasThere: false,
      costs: null,
      ...placeOf(group),
    }),
  );
}

function runsOf(notes: readonly HandNote[], test: (note: HandNote) => boolean): readonly (readonly HandNote[])[] {
  const runs: HandNote[][] = [];
  for (const hand of ['right', 'left'] as const) {
    let run: HandNote[] = [];
    for (const note of notes.filter((item) => item.hand === hand)) {
      if (test(note)) run.push(note);
      else if (run.length > 0) {
        runs.push(run);
        run = [];
      }
    }
    if (run.length > 0) runs.push(run);
  }
  return runs;
}
