import type { Settings } from '@/data';
import { type Words } from '@/features/shared/words/use-words';

/** A setting as a question with its choices, each with who would take it. */
export interface Question {
  readonly name:
    | 'look'
    | 'fingering'
    | 'level'
    | 'outer'
    | 'inner'
    | 'repeat'
    | 'closeChords'
    | 'tonicHand'
    | 'fifthSixth'
    | 'thumbOffBlack'
    | 'keepPrinted'
    | 'moveOverStretch'
    | 'keyOrder'
    | 'spelling'
    | 'courtesy'
    | 'reminders'
    | 'keyboard'
    | 'fileReminder'
    | 'barWord'
    | 'rhythmWords'
    | 'noteNames'
    | 'fingerWords'
    | 'lengths'
    | 'firstDay';
  readonly title: string;
  readonly note?: string;
  readonly choices: readonly {
    readonly value: Settings[Question['name']];
    readonly words: string;
    readonly who?: string;
  }[];
}

/** Where teachers disagree, the choice is a setting (handbook, section 5). */
// eslint-disable-next-line max-lines-per-function -- a table: a question after the other
export const questions = (w: Words): readonly Question[] => [
  {
    name: 'look',
    title: w.settings.lightOrDark,
    choices: [
      { value: 'system', words: w.settings.asThisDeviceIsSet },
      { value: 'paper', words: w.settings.paper, who: w.settings.lightForDaylightAndPrinting },
      { value: 'lamplight', words: w.settings.lamplight, who: w.settings.darkForEvening },
    ],
  },
  {
    name: 'keyOrder',
    title: w.settings.orderOfKeys,
    note: w.settings.howKeyStripOnBench,
    choices: [
      { value: 'ease', words: w.settings.byEase, who: w.settings.fewestBlackKeysFirstThen },
      { value: 'fifths', words: w.settings.byFifths, who: w.settings.fromPiecesOwnKeyOutwards },
      {
        value: 'shape',
        words: w.settings.byShapeOfTonicTriad,
        who: w.settings.keysWhoseTriadLooksAlike,
      },
    ],
  },
  {
    name: 'spelling',
    title: w.shared.spelling,
    choices: [
      { value: 'strict', words: w.settings.strict, who: w.settings.everyIntervalAsWrittenDouble },
      {
        value: 'plain',
        words: w.settings.plain,
        who: w.settings.forBeginnersNoDoubleSigns,
      },
    ],
  },
  {
    name: 'courtesy',
    title: w.settings.courtesyAccidentals,
    choices: [
      { value: 'bar', words: w.settings.inNextBar, who: w.settings.signInParenthesesWhereBar },
      { value: 'octaves', words: w.settings.inNextBarAndIn, who: w.settings.forThoseWhoReadBy },
      { value: 'bar-plain', words: w.settings.inNextBarWithoutParentheses, who: w.settings.forBeginnersWhoHaveNot },
      { value: 'octaves-plain', words: w.settings.inNextBarAndInOther },
      { value: 'none', words: w.settings.none, who: w.settings.onlyWhatBarRuleAsks },
    ],
  },
  {
    name: 'reminders',
    title: w.settings.remindersOfKeySignature,
    note: w.settings.softRingAroundEveryNote,
    choices: [
      { value: 'none', words: w.settings.none },
      { value: 'signature', words: w.settings.markNotesThatSignatureAlters, who: w.settings.forBeginnersInNewKey },
    ],
  },
  {
    name: 'keyboard',
    title: w.settings.pupilsKeyboard,
    choices: [
      { value: '88', words: w.settings.keys88, who: w.settings.piano },
      { value: '76', words: w.settings.keys76, who: w.settings.range76 },
      { value: '61', words: w.settings.keys61, who: w.settings.range61 },
    ],
  },
];

/** What the pupil's hand does, and by which school. The span is asked beside them. */
// eslint-disable-next-line max-lines-per-function -- a table: a question after the other
export const handQuestions = (w: Words): readonly Question[] => [
  {
    name: 'level',
    title: w.shared.whatHandMayDo,
    note: w.settings.fingersArePlannedWithinThis,
    choices: [
      { value: '1', words: w.settings.level1StayInOne, who: w.settings.firstPiecesFiveFingersFive },
      {
        value: '2',
        words: w.settings.level2MoveBetweenClosed,
        who: w.settings.piecesInTwoOrThree,
      },
      {
        value: '3',
        words: w.settings.level3OpenHandChange,
        who: w.settings.sixNotesAndMoreWith,
      },
      {
        value: '4',
        words: w.settings.level4Cross,
        who: w.settings.scalesAndArpeggiosThumbUnder,
      },
    ],
  },
  {
    name: 'fingering',
    title: w.settings.printedFingersInNewKey,
    choices: [
      {
        value: 'plan',
        words: w.settings.keepThemWhereTheyWork,
        who: w.settings.pieceWithoutFingersGetsThem,
      },
      { value: 'keep', words: w.settings.leaveThemAsTheyAre, who: w.settings.whatWouldBeBetterIs },
    ],
  },
  {
    name: 'outer',
    title: w.settings.outerOnBlack,
    choices: [
      { value: 'allow', words: w.settings.allowAndMention, who: w.settings.handMovesInAsWhole },
      { value: 'avoid', words: w.settings.avoid, who: w.settings.suchKeysAreMarkedLeave },
    ],
  },
  {
    name: 'inner',
    title: w.settings.fingerBeside5InOctave,
    choices: [
      { value: 'interval', words: w.settings.byInterval4UpTo, who: w.settings.oneRuleForAllKeys },
      {
        value: 'black',
        words: w.settings.finger3WhereItFalls,
        who: w.settings.longFingerLiesMoreEasily,
      },
    ],
  },
  {
    name: 'repeat',
    title: w.shared.repeatedKeys,
    choices: [
      { value: 'keep', words: w.settings.sameFinger, who: w.settings.unlessChangeTakesHandTo },
      { value: 'change', words: w.settings.anotherFingerEachTime, who: w.settings.forLooseHandFromLevel },
    ],
  },
  {
    name: 'closeChords',
    title: w.settings.primaryChordsInClosePosition,
    choices: [
      { value: 'level-2', words: w.settings.fromLevel2On, who: w.settings.handOpensByStepC },
      { value: 'level-3', words: w.settings.fromLevel3On, who: w.settings.handOfLevel2Stays },
    ],
  },
  {
    name: 'tonicHand',
    title: w.settings.fewNotesFromTonic,
    choices: [
      { value: 'tonic', words: w.settings.onTheTonic, who: w.settings.fifthFingerOnTonic },
      { value: 'nearest', words: w.settings.nearestFingers, who: w.settings.strongFingersFirst },
    ],
  },
  {
    name: 'fifthSixth',
    title: w.settings.fifthThenSixth,
    choices: [
      { value: 'open', words: w.settings.openTheHand, who: w.settings.handIsOpenFromStart },
      { value: 'move', words: w.settings.moveTheThumb, who: w.settings.thumbGoesToSixth },
    ],
  },
  {
    name: 'thumbOffBlack',
    title: w.settings.keepingThumbAndFinger5,
    choices: [
      { value: 'less', words: w.settings.lessFirmly, who: w.settings.handsThatAreAtHome },
      { value: 'usual', words: w.settings.asUsual },
      { value: 'more', words: w.settings.moreFirmly, who: w.settings.smallHandsWhoseWristTwists },
    ],
  },
  {
    name: 'keepPrinted',
    title: w.settings.holdingOnToFingersThat,
    choices: [
      { value: 'less', words: w.settings.lessFirmly, who: w.settings.pieceThatIsNewIn },
      { value: 'usual', words: w.settings.asUsual },
      { value: 'more', words: w.settings.moreFirmly, who: w.settings.pupilWhoKnowsPieceWell },
    ],
  },
  {
    name: 'moveOverStretch',
    title: w.settings.movingHandRatherThanOpening,
    choices: [
      { value: 'less', words: w.settings.openSooner, who: w.settings.largeHandsOrPupilsWho },
      { value: 'usual', words: w.settings.neither },
      { value: 'more', words: w.settings.moveSooner, who: w.settings.smallOrTenseHands },
    ],
  },
];

export const studioQuestions = (w: Words): readonly Question[] => [
  {
    name: 'fileReminder',
    title: w.settings.reminderOfStudioFile,
    note: w.settings.whereLastFileIsOlder,
    choices: [
      { value: 'week', words: w.settings.afterWeek, who: w.settings.teachersWhoChangeSomethingEvery },
      { value: 'month', words: w.settings.afterMonth },
      { value: 'never', words: w.shared.never, who: w.settings.whereFileIsKeptUp },
    ],
  },
];
