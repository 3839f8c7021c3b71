import type { Day, Week } from '@/core/calendar';
import type { PracticeStep } from '@/core/homework';
import type { Finger } from '@/core/score';
import type { KeyState } from '@/core/teaching';
import type { Whose } from '../decided';
import type { StudioContents, TakingIn } from '../file/contents';
import type { FileKind } from '../file/rights';
import type { Field } from '../records/field';
import type { Desk } from '../records/desk';
import type { LessonRecord } from '../records/lesson-record';
import type { PlanEntry } from '../records/plan-record';
import type { PupilRecord } from '../records/pupil-record';
import type { Decided, FindRecord, NewPiece, PieceRecord } from '../records/records';
import type { RunRecord } from '../records/run-record';
import type { Settings } from '../records/settings';
import type { RecordPlace } from './history-records';

/** What may be asked of the studio. Each command names what it changes and touches nothing else: there is none that puts a whole record in the
 * place of another, so that nothing a screen has not looked at is ever written back. */
export type EditCommand =
  | { readonly kind: 'piece.add'; readonly pieces: readonly NewPiece[] }
  | { readonly kind: 'piece.remove'; readonly id: string }
  | { readonly kind: 'piece.tag'; readonly id: string; readonly tag: string; readonly as: 'put' | 'taken' }
  | { readonly kind: 'piece.place'; readonly id: string; readonly place: PieceRecord['place'] }
  | { readonly kind: 'piece.part'; readonly id: string; readonly part: string }
  | { readonly kind: 'piece.own-key'; readonly id: string; readonly ownKey: string | null }
  /** `entry` is a respelling as it is kept; `as`: under the other letter, or as the key has it. */
  | { readonly kind: 'piece.respell'; readonly id: string; readonly entry: string; readonly as: 'other' | 'own' }
  /** The music read anew from its MIDI file, called `next`; only where it is still the one that `edition` names. */
  | {
      readonly kind: 'piece.grid';
      readonly id: string;
      readonly edition: string | null;
      readonly next: string;
      readonly grid: number;
      readonly musicXml: string;
      readonly remarks: PieceRecord['remarks'];
    }
  | {
      readonly kind: 'piece.fingers';
      readonly id: string;
      readonly whose: Whose;
      readonly wanted: readonly { readonly note: string; readonly finger: Finger | null }[];
    }
  | { readonly kind: 'piece.let-go'; readonly id: string; readonly whose: Whose; readonly notes: readonly string[] }
  | {
      readonly kind: 'piece.put-aside';
      readonly id: string;
      readonly whose: Whose;
      readonly flag: string;
      readonly reason: string | null;
    }
  | {
      readonly kind: 'piece.mark';
      readonly id: string;
      readonly whose: Whose;
      readonly mark: Decided['marks'][number]['kind'];
      readonly notes: readonly string[];
      readonly text: string;
    }
  | {
      readonly kind: 'piece.stages';
      readonly id: string;
      readonly change: Partial<Pick<PieceRecord, 'stageOrder' | 'stagesLeft' | 'stagesAdded'>>;
    }
  | {
      readonly kind: 'piece.own-stage';
      readonly id: string;
      readonly stage: PieceRecord['ownStages'][number];
      readonly as: 'put' | 'taken';
    }
  | {
      readonly kind: 'piece.stage-fingers';
      readonly id: string;
      readonly stage: string;
      readonly whose: Whose;
      readonly wanted: readonly { readonly note: string; readonly finger: Finger }[];
    }
  /** Gives notes of a stage back to the plan, whether they were decided in this key or in every key. */
  | {
      readonly kind: 'piece.stage-let-go';
      readonly id: string;
      readonly stage: string;
      readonly whose: Whose;
      readonly notes: readonly string[];
    }
  | { readonly kind: 'pupil.add'; readonly pupil: PupilRecord }
  | {
      readonly kind: 'pupil.change';
      readonly id: string;
      readonly change: PupilChange;
      readonly groups?: readonly { readonly group: string; readonly as: 'put' | 'taken' }[];
    }
  /** A measure of the hand on a day, or none any more. The newest one counts. Unit: mm. */
  | { readonly kind: 'pupil.measure'; readonly id: string; readonly day: Day; readonly mm: number | null }
  /** What the teacher says of keys; null where the record alone is to say it. */
  | {
      readonly kind: 'pupil.judge';
      readonly id: string;
      readonly keys: readonly string[];
      readonly state: KeyState | null;
      readonly day: Day;
      readonly why: string;
    }
  /** With everything that belongs to the pupil: plan, lessons, runs, answers, and what was decided in pieces for this pupil. */
  | { readonly kind: 'pupil.remove'; readonly id: string }
  /** A run of keys of one piece behind what the pupil has to learn already; keys of the piece that are planned already are passed over. */
  | {
      readonly kind: 'plan.add';
      readonly pupil: string;
      readonly piece: string;
      readonly keys: readonly PlannedKey[];
      readonly atMs: number;
    }
  /** Cards behind those that a pupil has in that week, each with the name that it gets. */
  | { readonly kind: 'plan.cards'; readonly cards: readonly NewCard[]; readonly atMs: number }
  | { readonly kind: 'plan.change'; readonly ids: readonly string[]; readonly change: CardChange }
  /** Puts a card into a week (null: it waits), in front of another card there, or behind all of them. */
  | { readonly kind: 'plan.move'; readonly id: string; readonly week: Week | null; readonly before: string | null }
  /** Carries cards over from their weeks into others; what waited is set. */
  | { readonly kind: 'plan.carry'; readonly cards: readonly { readonly id: string; readonly to: Week }[] }
  | { readonly kind: 'plan.remove'; readonly ids: readonly string[] }
  | { readonly kind: 'lesson.note'; readonly pupil: string; readonly day: Day; readonly note: string }
  /** The teacher's lists of steps for a piece, each for a pupil and a key or for all; null takes a list away. */
  | {
      readonly kind: 'piece.homework';
      readonly id: string;
      readonly lists: readonly { readonly whose: Whose; readonly steps: readonly PracticeStep[] | null }[];
    }
  | { readonly kind: 'run.remove'; readonly ids: readonly string[] }
  | { readonly kind: 'settings.change'; readonly change: Partial<Settings> }
  | ({ readonly kind: 'demo.bring' } & DemoRecords)
  | { readonly kind: 'demo.put-away' }
  /** Takes a file in. `file` is its kind, which says what it may do; `listed` what of it was looked at that changes or takes something out: where it would do
   * more than that by now, nothing is done. Not said where nobody looked. */
  | {
      readonly kind: 'studio.take-in';
      readonly contents: StudioContents;
      readonly how: TakingIn;
      readonly file: FileKind;
      readonly listed?: readonly string[];
    }
  /** Joins what another device of the studio holds, a pupil’s above all, with what is here. */
  | {
      readonly kind: 'studio.join';
      readonly contents: StudioContents;
      readonly file: FileKind;
      readonly listed?: readonly string[];
    }
  /** Chooses between values that two devices wrote without knowing of each other. Of a whole record (`field` is empty) true keeps it, and false takes it out. */
  | { readonly kind: 'studio.settle'; readonly place: RecordPlace; readonly field: Field; readonly value: unknown }
  /** Deletes something that could not be understood: a whole record, or what stands in one of its fields. */
  | { readonly kind: 'aside.delete'; readonly place: RecordPlace; readonly field: Field; readonly value: unknown };

/** Fields of a pupil that are changed as a whole. */
export type PupilChange = Partial<
  Omit<PupilRecord, 'id' | 'form' | 'origin' | 'addedAt' | 'spans' | 'judged' | 'groups' | 'keysKnown'>
>;

/** A card before it has a place: what is left out is what is usual. */
export type NewCard = Pick<PlanEntry, 'id' | 'pupil'> &
  Partial<Pick<PlanEntry, 'piece' | 'key' | 'stage' | 'bars' | 'steps' | 'note' | 'week' | 'origin'>>;

export type CardChange = Partial<Pick<PlanEntry, 'key' | 'stage' | 'bars' | 'steps' | 'note' | 'state'>>;

/** What the demo studio holds. */
export interface DemoRecords {
  readonly pieces: readonly NewPiece[];
  readonly pupils: readonly PupilRecord[];
  readonly plan: readonly PlanEntry[];
  readonly lessons: readonly LessonRecord[];
  readonly runs: readonly RunRecord[];
}

/** A key that is planned, in a stage or whole, and the name that its entry gets. */
export interface PlannedKey {
  readonly id: string;
  readonly key: string;
  /** The stage in which the piece is planned; the whole where nothing is said. */
  readonly stage?: string | null;
}

/** What was entered into a piece: its music now, and the changes of its history that are new or were turned. Only where the music is still the one
 * that was gone on from. */
export interface EnterCommand {
  readonly kind: 'piece.enter';
  readonly id: string;
  /** What the music that this goes on from is called. */
  readonly from: string | null;
  /** The state of the history that this leads to, as the core names it; null where nothing is done. */
  readonly state: string | null;
  readonly musicXml: string;
  /** On which other change of the music the entering goes on, and what that music was called, as `enteredSteps` told it. */
  readonly stretch: number;
  readonly base: string | null;
  readonly changed: readonly EnteredChange[];
  /** How many changes the history has now. */
  readonly count: number;
  /** Where entering stands now, as the core has it in text; not said where the piece is not open. */
  readonly typing?: string | null | undefined;
}

/** One change of a history of entering: its place, whether it is done, itself as the core keeps it, and what it is in words. */
export interface EnteredChange {
  readonly number: number;
  readonly state: 'done' | 'undone';
  readonly change: string;
  readonly words: string;
}

/** What is noted without being an edit: nobody would take it back. */
export type NoteCommand =
  | { readonly kind: 'note.key'; readonly id: string; readonly key: string }
  | { readonly kind: 'note.used'; readonly id: string; readonly atMs: number }
  | { readonly kind: 'note.desk'; readonly change: Partial<Desk> }
  | { readonly kind: 'note.find'; readonly find: Omit<FindRecord, 'form'> }
  | { readonly kind: 'note.run'; readonly run: Omit<RunRecord, 'form'> }
  | { readonly kind: 'note.saved'; readonly atMs: number }
  /** The demo studio on a first visit: there is nothing before it to go back to. Changes nothing where anything is there. */
  | ({ readonly kind: 'note.first-visit' } & DemoRecords);

export type Command = EditCommand | EnterCommand | NoteCommand;

/** Why a command was refused. Nothing of it was done. */
export type StoreFault =
  | { readonly code: 'store.gone'; readonly place: RecordPlace }
  | { readonly code: 'store.there'; readonly place: RecordPlace }
  | { readonly code: 'store.music-changed'; readonly id: string }
  | { readonly code: 'store.unclear'; readonly place: RecordPlace; readonly field: Field }
  | { readonly code: 'store.invalid'; readonly place: RecordPlace; readonly field: Field; readonly why: string }
  /** A file would do more by now than was looked at. */
  | { readonly code: 'store.not-as-looked-at' }
  | { readonly code: 'store.full' }
  /** The browser has taken the studio away under the page. */
  | { readonly code: 'store.lost' }
  | { readonly code: 'store.unreachable'; readonly detail: string };
