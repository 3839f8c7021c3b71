import type { Settings } from '@/data';

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
    | 'thumbOffBlack'
    | 'keepPrinted'
    | 'moveOverStretch'
    | 'keyOrder'
    | 'spelling'
    | 'courtesy'
    | 'reminders'
    | 'keyboard'
    | 'fileReminder';
  readonly title: string;
  readonly note?: string;
  readonly choices: readonly {
    readonly value: Settings[Question['name']];
    readonly words: string;
    readonly who?: string;
  }[];
}

/** Where teachers disagree, the choice is a setting (handbook, section 5). */
export const QUESTIONS: readonly Question[] = [
  {
    name: 'look',
    title: 'Light or dark',
    choices: [
      { value: 'system', words: 'As this device is set' },
      { value: 'paper', words: 'Paper', who: 'light, for daylight and printing' },
      { value: 'lamplight', words: 'Lamplight', who: 'dark, for the evening' },
    ],
  },
  {
    name: 'keyOrder',
    title: 'Order of keys',
    note: 'How the key strip on the Bench is ordered, from left to right.',
    choices: [
      { value: 'ease', words: 'By ease', who: 'fewest black keys first, then by the finger under them' },
      { value: 'fifths', words: 'By fifths', who: 'from the piece’s own key outwards, one sign at a time' },
      {
        value: 'shape',
        words: 'By the shape of the tonic triad',
        who: 'keys whose triad looks alike on the keyboard together',
      },
    ],
  },
  {
    name: 'spelling',
    title: 'Spelling',
    choices: [
      { value: 'strict', words: 'Strict', who: 'every interval as written, double sharps and flats where they arise' },
      {
        value: 'plain',
        words: 'Plain',
        who: 'for beginners: no double signs, no B♯, E♯, C♭ or F♭ that the signature does not hold',
      },
    ],
  },
  {
    name: 'courtesy',
    title: 'Courtesy accidentals',
    choices: [
      { value: 'bar', words: 'In the next bar', who: 'a sign in parentheses where the bar before was altered' },
      { value: 'octaves', words: 'In the next bar and in other octaves', who: 'for those who read by the letter' },
      { value: 'bar-plain', words: 'In the next bar, without parentheses', who: 'for beginners who have not met them' },
      { value: 'octaves-plain', words: 'In the next bar and in other octaves, without parentheses' },
      { value: 'none', words: 'None', who: 'only what the bar rule asks for' },
    ],
  },
  {
    name: 'reminders',
    title: 'Reminders of the key signature',
    note: 'A soft ring around every note that the signature alters. It is a mark for the eye on the Bench, no accidental.',
    choices: [
      { value: 'none', words: 'None' },
      { value: 'signature', words: 'Mark the notes that the signature alters', who: 'for beginners in a new key' },
    ],
  },
  {
    name: 'keyboard',
    title: 'The pupil’s keyboard',
    choices: [
      { value: '88', words: '88 keys', who: 'a piano' },
      { value: '76', words: '76 keys', who: 'E1 to G7' },
      { value: '61', words: '61 keys', who: 'C2 to C7' },
    ],
  },
];

/** What the pupil's hand does, and by which school. The span is asked beside them. */
export const HAND_QUESTIONS: readonly Question[] = [
  {
    name: 'level',
    title: 'What the hand may do',
    note: 'Fingers are planned within this level; what it does not allow is told as “must”.',
    choices: [
      { value: '1', words: 'Level 1: stay in one closed position', who: 'first pieces: five fingers, five keys' },
      {
        value: '2',
        words: 'Level 2: move between closed positions',
        who: 'pieces in two or three places, with time to move',
      },
      {
        value: '3',
        words: 'Level 3: open the hand, change finger on a repeated key',
        who: 'six notes and more with five fingers',
      },
      {
        value: '4',
        words: 'Level 4: cross',
        who: 'scales and arpeggios: thumb under, finger over, the hand open to an octave',
      },
    ],
  },
  {
    name: 'fingering',
    title: 'Printed fingers in a new key',
    choices: [
      {
        value: 'plan',
        words: 'Keep them where they work, change them where the hand needs it',
        who: 'a piece without fingers gets them',
      },
      { value: 'keep', words: 'Leave them as they are', who: 'what would be better is told all the same' },
    ],
  },
  {
    name: 'outer',
    title: 'Thumb or finger 5 on a black key in a fixed position',
    choices: [
      { value: 'allow', words: 'Allow and mention', who: 'the hand moves in as a whole' },
      { value: 'avoid', words: 'Avoid', who: 'such keys are marked “leave out” in the key strip and come last' },
    ],
  },
  {
    name: 'inner',
    title: 'The finger beside 5 in octave chords',
    choices: [
      { value: 'interval', words: 'By the interval: 4 up to a third, else 3', who: 'one rule for all keys' },
      {
        value: 'black',
        words: 'Finger 3 where it falls on a black key',
        who: 'the long finger lies more easily there: D–F♯–A–D with 5-3-2-1',
      },
    ],
  },
  {
    name: 'repeat',
    title: 'Repeated keys',
    choices: [
      { value: 'keep', words: 'The same finger', who: 'unless the change takes the hand to where it must be' },
      { value: 'change', words: 'Another finger each time', who: 'for a loose hand; from level 3 on' },
    ],
  },
  {
    name: 'closeChords',
    title: 'Primary chords in close position',
    choices: [
      { value: 'level-2', words: 'From level 2 on', who: 'the hand opens by a step: C–F–A and B–F–G beside C–E–G' },
      { value: 'level-3', words: 'From level 3 on', who: 'a hand of level 2 stays closed, chords too' },
    ],
  },
  {
    name: 'thumbOffBlack',
    title: 'Keeping thumb and finger 5 off black keys',
    choices: [
      { value: 'less', words: 'Less firmly', who: 'hands that are at home between the black keys' },
      { value: 'usual', words: 'As usual' },
      { value: 'more', words: 'More firmly', who: 'small hands whose wrist twists' },
    ],
  },
  {
    name: 'keepPrinted',
    title: 'Holding on to the fingers that were learnt',
    choices: [
      { value: 'less', words: 'Less firmly', who: 'a piece that is new in this key' },
      { value: 'usual', words: 'As usual' },
      { value: 'more', words: 'More firmly', who: 'a pupil who knows the piece well' },
    ],
  },
  {
    name: 'moveOverStretch',
    title: 'Moving the hand rather than opening it',
    choices: [
      { value: 'less', words: 'Open sooner', who: 'large hands, or pupils who lose their place' },
      { value: 'usual', words: 'Neither' },
      { value: 'more', words: 'Move sooner', who: 'small or tense hands' },
    ],
  },
];

export const STUDIO_QUESTIONS: readonly Question[] = [
  {
    name: 'fileReminder',
    title: 'Reminder of the studio file',
    note: 'Where the last file is older than that, a line above the screens says so.',
    choices: [
      { value: 'week', words: 'After a week', who: 'teachers who change something every day' },
      { value: 'month', words: 'After a month' },
      { value: 'never', words: 'Never', who: 'where the file is kept up to date by itself, or saved in another way' },
    ],
  },
];
