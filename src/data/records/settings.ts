import { array, boolean, object, string, type InferType } from 'yup';
import {
  BAR_WORDS,
  FINGER_WORDS,
  FIRST_DAYS,
  LANGUAGE_NAMES,
  LENGTHS,
  NOTE_NAMES,
  RHYTHM_WORDS,
  USUAL_WORDING,
  type Wording,
} from '@/core/explain';
import { handFields, USUAL_HAND } from './hand-fields';
import { day } from './pupil-record';
import { templateSchema } from './sheet-fields';
import { ids } from './stage-fields';
import type { Shape } from './understand';
import { oneOf, oneOfWritten } from '@/contract/one-of';
import { CLOSE_CHORD_SCHOOLS, DIALS, FIFTH_SIXTH_SCHOOLS, TONIC_HANDS } from '@/core/fingering';
import { KEYBOARD_SIZES } from '@/core/keyboard';
import { COURTESIES } from '@/core/notation';
import { FINGERS_WANTED } from '@/contract/piece-asked';
import { KEY_ORDERS } from '@/core/survey';
import { SPELLINGS } from '@/core/transpose';

export const LOOKS = ['system', 'paper', 'lamplight'] as const;

const dial = oneOf(DIALS);

/** The teacher's settings. */
const settingsSchema = object({
  look: oneOf(LOOKS),
  fingering: oneOf(FINGERS_WANTED),
  /** Any hand: where no pupil is chosen. */
  ...handFields,
  /** From which level on chords in close position open the hand by a step. */
  closeChords: oneOf(CLOSE_CHORD_SCHOOLS),
  tonicHand: oneOf(TONIC_HANDS),
  fifthSixth: oneOf(FIFTH_SIXTH_SCHOOLS),
  thumbOffBlack: dial,
  keepPrinted: dial,
  moveOverStretch: dial,
  keyOrder: oneOf(KEY_ORDERS),
  spelling: oneOf(SPELLINGS),
  courtesy: oneOf(COURTESIES),
  /** How many keys the pupil's keyboard has. */
  keyboard: oneOfWritten(KEYBOARD_SIZES),
  /** Whether notes that the signature alters are marked for beginners. */
  reminders: oneOf(['none', 'signature']),
  /** Whether the demo studio was put away, so that it does not come back by itself. */
  demoPutAway: boolean().required(),
  /** Keys for entering that the teacher changed: what it is for, and the key. */
  entryKeys: array(object({ deed: string().required(), key: string().required() })).required(),
  /** Tonics in the teacher's own order, as `Bb`; those that are not there follow by ease. */
  ownOrder: array(string().required()).required(),
  /** Kinds of stages in the teacher's own order, and kinds that are not wanted, for all pieces. */
  stageOrder: ids,
  stagesLeft: ids,
  /** After how many days without a studio file one is asked for; never. */
  fileReminder: oneOf(['week', 'month', 'never']),
  /** How the teacher calls things. */
  language: oneOf(LANGUAGE_NAMES),
  barWord: oneOf(BAR_WORDS),
  rhythmWords: oneOf(RHYTHM_WORDS),
  noteNames: oneOf(NOTE_NAMES),
  fingerWords: oneOf(FINGER_WORDS),
  lengths: oneOf(LENGTHS),
  firstDay: oneOf(FIRST_DAYS),
  /** What stands at the foot of printed sheets: the studio's name and a line of its own. */
  studioName: string().defined().max(80),
  footLine: string().defined().max(120),
  /** Sheets that the teacher keeps under names. */
  sheetTemplates: array(templateSchema.required()).required(),
  /** When there are no lessons. */
  holidays: array(object({ from: day, to: day, name: string().defined().max(60) })).required(),
});
export type Settings = InferType<typeof settingsSchema>;

export const USUAL_SETTINGS: Settings = {
  look: 'system',
  fingering: 'plan',
  ...USUAL_HAND,
  closeChords: 'level-2',
  tonicHand: 'tonic',
  fifthSixth: 'open',
  thumbOffBlack: 'usual',
  keepPrinted: 'usual',
  moveOverStretch: 'usual',
  keyOrder: 'ease',
  spelling: 'strict',
  courtesy: 'bar',
  keyboard: '88',
  reminders: 'none',
  demoPutAway: false,
  entryKeys: [],
  ownOrder: [],
  stageOrder: [],
  stagesLeft: [],
  fileReminder: 'month',
  language: USUAL_WORDING.language,
  barWord: USUAL_WORDING.bar,
  rhythmWords: USUAL_WORDING.rhythm,
  noteNames: USUAL_WORDING.names,
  fingerWords: USUAL_WORDING.fingers,
  lengths: USUAL_WORDING.lengths,
  firstDay: USUAL_WORDING.week,
  studioName: '',
  footLine: '',
  sheetTemplates: [],
  holidays: [],
};

/** How the teacher calls things, as the core wants it. */
export function wordingOf(settings: Settings): Wording {
  return {
    language: settings.language,
    bar: settings.barWord,
    rhythm: settings.rhythmWords,
    names: settings.noteNames,
    fingers: settings.fingerWords,
    lengths: settings.lengths,
    week: settings.firstDay,
  };
}

export const SETTINGS: Shape<Settings> = { schema: settingsSchema, usual: USUAL_SETTINGS };
