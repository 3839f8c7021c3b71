import { barFactWords } from './bars';
import { barsText, listed } from './common';
import { chordStepsWords, chordWords } from './chords';
import { decisionWords } from './decisions';
import { editWords, entryWords, miscountWords, NOTHING_ENTERED, noticeWords, sumWords } from './edits';
import { faultWords } from './faults';
import { sourceWords } from './finger-sources';
import { flagWords } from './flags';
import { changesWords, handsWords, positionParts, positionWords, sharedPlaceWords, spanText } from './hands';
import { inARowWords, stepTitle, stepTold } from './homework';
import { kindNames } from './kinds';
import { LABEL_NAMES, labelWords } from './labels';
import { kindWords, MARK_NAMES, markText } from './marks';
import { heardFactWords, nextThingWords, playFaultWords, rightWords } from './playing';
import { pupilWords } from './pupil';
import { remarkWords } from './remarks';
import { costWords, priceWords } from './rules';
import { roteWords } from './rote/rote-words';
import { serviceFaultWords } from './services';
import { sheetWords } from './sheets';
import {
  difficultyWords,
  stageIdTitle,
  stageLine,
  stageMisfitWords,
  stageTitle,
  stageWhy,
  tappingWords,
} from './stages';
import { effortWords, leaveOutWords } from './survey';
import {
  blackWordsOf,
  cardLines,
  drillAims,
  DRILL_NAMES,
  drillTitle,
  FIND_NAMES,
  questionWords,
  rhythmNames,
  signatureWords,
  turningWords,
  verdictWords,
} from './atlas';
import {
  acrossWords,
  faultCountWords,
  faultyBarWords,
  nextKeyWords,
  pieceOverTimeWords,
  standingWords,
  weeksWords,
} from './teaching';
import type { Terms } from './terms';
import { gridWords, lengthWords } from './values';
import { withTerms } from '../with-terms';

/** Sentences that name bars, notes, fingers or lengths, each with the terms first. */
const WITH_TERMS = {
  acrossWords,
  barFactWords,
  barsText,
  cardLines,
  changesWords,
  chordStepsWords,
  chordWords,
  decisionWords,
  difficultyWords,
  drillAims,
  drillTitle,
  editWords,
  effortWords,
  entryWords,
  faultCountWords,
  faultWords,
  faultyBarWords,
  flagWords,
  gridWords,
  handsWords,
  heardFactWords,
  kindNames,
  kindWords,
  labelWords,
  leaveOutWords,
  lengthWords,
  markText,
  miscountWords,
  nextKeyWords,
  nextThingWords,
  noticeWords,
  pieceOverTimeWords,
  playFaultWords,
  positionParts,
  positionWords,
  pupilWords,
  questionWords,
  remarkWords,
  rhythmNames,
  rightWords,
  roteWords,
  sharedPlaceWords,
  signatureWords,
  sourceWords,
  spanText,
  stageLine,
  stageMisfitWords,
  stageTitle,
  stageWhy,
  standingWords,
  stepTitle,
  stepTold,
  verdictWords,
  weeksWords,
} as const;

/** What the core says, in English, as a teacher calls things. */
export function english(t: Terms) {
  const { key, length, lengthNumber, lengthUnit, letter, modeName, name, pitch, place, weekdays } = t;
  return {
    key,
    length,
    lengthNumber,
    lengthUnit,
    letter,
    modeName,
    name,
    pitch,
    place,
    weekdays,
    ...withTerms(t, WITH_TERMS),
    blackWordsOf,
    costWords,
    inARowWords,
    listed,
    priceWords,
    serviceFaultWords,
    stageIdTitle,
    sumWords,
    tappingWords,
    turningWords,
    drillNames: DRILL_NAMES,
    findNames: FIND_NAMES,
    labelNames: LABEL_NAMES,
    markNames: MARK_NAMES,
    nothingEntered: NOTHING_ENTERED,
    sheet: sheetWords(t),
  };
}
