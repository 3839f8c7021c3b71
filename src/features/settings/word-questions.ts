import type { Words } from '@/features/shared/words/use-words';
import type { Question } from './questions';

/** How the teacher calls things (handbook, section 5). */
export const wordQuestions = ({ naming: w }: Words): readonly Question[] => [
  {
    name: 'barWord',
    title: w.bar,
    choices: [
      { value: 'bar', words: w.bars },
      { value: 'measure', words: w.measures },
    ],
  },
  {
    name: 'rhythmWords',
    title: w.rhythm,
    choices: [
      { value: 'quarter', words: w.quarters },
      { value: 'crotchet', words: w.crotchets },
    ],
  },
  {
    name: 'noteNames',
    title: w.names,
    choices: [
      { value: 'letters', words: w.letters, who: w.lettersWho },
      { value: 'letters-h', words: w.lettersH, who: w.lettersHWho },
      { value: 'fixed-do', words: w.fixedDo, who: w.fixedDoWho },
      { value: 'do-minor', words: w.doMinor, who: w.movableWho },
      { value: 'la-minor', words: w.laMinor },
    ],
  },
  {
    name: 'fingerWords',
    title: w.fingers,
    choices: [
      { value: 'thumb', words: w.thumb },
      { value: 'numbers', words: w.numbers },
      { value: 'names', words: w.fingerNames },
    ],
  },
  {
    name: 'lengths',
    title: w.lengths,
    choices: [
      { value: 'mm', words: w.mm },
      { value: 'inches', words: w.inches },
    ],
  },
  {
    name: 'firstDay',
    title: w.week,
    note: w.weekNote,
    choices: [
      { value: 'monday', words: w.monday },
      { value: 'sunday', words: w.sunday },
    ],
  },
];
