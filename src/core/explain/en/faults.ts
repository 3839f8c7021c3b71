import { assertNever, type Fault } from '../../base';
import { HAND, shortened, toldFacts } from './common';
import type { Terms } from './terms';

/** What is wrong, and what to do. */
export interface FaultWords {
  readonly message: string;
  readonly hint: string;
}

const EXPORT_HINT =
  'Export the piece as MusicXML (.musicxml, .xml or .mxl) from the program it was written in, and bring that file in; ABC and MIDI files are read too.';
const AGAIN_HINT = 'Export the piece again from the program it was written in.';

const ARCHIVE = {
  damaged: { message: 'The compressed file is damaged or cut off.', hint: AGAIN_HINT },
  'no-score': { message: 'There is no MusicXML score inside this compressed file.', hint: EXPORT_HINT },
  'too-large': {
    message: 'The compressed file unpacks to more than 50 MB.',
    hint: 'A beginner’s piece is far smaller: look whether this is the right file.',
  },
} as const;

const ROTE = {
  head: 'there is not the beginning of a rote sheet',
  key: 'there is no key',
  sentence: 'a sentence cannot be read',
  contradiction: 'the finger and the way to it do not agree',
  reference: 'something is named that is not there',
} as const;
const ROTE_HINT = 'Write it as it stands on the rote sheet, sentence by sentence.';

/** A refusal in words for teachers, in English. */
// eslint-disable-next-line max-lines-per-function -- one case a code: all of them are wanted, in one place
export function faultWords(t: Terms, found: Fault): FaultWords {
  const fault = toldFacts(found);
  switch (fault.code) {
    case 'read.empty':
      return { message: 'The file is empty.', hint: AGAIN_HINT };
    case 'read.too-large':
      return {
        message: `The file is larger than ${fault.limitMb} MB.`,
        hint: 'A beginner’s piece is far smaller: look whether this is the right file.',
      };
    case 'read.unknown-format':
      return { message: 'This is not a music file that New Thumb knows.', hint: EXPORT_HINT };
    case 'read.not-a-score':
      return {
        message: `This is an XML file, but not a score: it begins with <${fault.rootName}>.`,
        hint: EXPORT_HINT,
      };
    case 'read.encoding':
      return {
        message: `The file is written in the character set “${fault.encoding}”, which New Thumb does not read.`,
        hint: 'Save it as UTF-8.',
      };
    case 'read.malformed':
      return { message: `The file is damaged in line ${fault.at.line}: ${malformedWords(fault)}.`, hint: AGAIN_HINT };
    case 'read.cut-off':
      return {
        message: `The file is cut off: it ends in line ${fault.at.line}, before the score is complete.`,
        hint: 'Copy or download it once more; if it stays short, export it again.',
      };
    case 'read.entity':
      return {
        message: `The file uses an abbreviation that is not allowed here (line ${fault.at.line}).`,
        hint: AGAIN_HINT,
      };
    case 'read.midi-damaged':
      return { message: `The MIDI file is damaged or cut off (${midiWords(fault)}).`, hint: AGAIN_HINT };
    case 'read.archive':
      return ARCHIVE[fault.detail];
    case 'read.own-file':
      return {
        message: `This New Thumb piece file is not complete: ${ownFileWords(fault)}.`,
        hint: 'Save the piece once more with “Save”, and bring that file in.',
      };
    case 'read.no-notes':
      return {
        message: 'There is not a single note in this file.',
        hint: 'Look whether the right piece was exported.',
      };
    case 'read.rote':
      return { message: `In line ${fault.at.line} ${ROTE[fault.reason]}: “${fault.said}”.`, hint: ROTE_HINT };
    case 'read.rote-sum':
      return {
        message: `In ${t.bar} ${fault.bar} (line ${fault.at.line}) what the ${HAND[fault.hand]} does does not fill the ${t.bar}.`,
        hint: 'Look at the lengths and rests of that hand.',
      };
    case 'read.too-many-bars':
      return { message: `The piece has more than ${fault.limit} ${t.bars}.`, hint: 'Split it into its movements.' };
    case 'read.bad-value':
      return {
        message: `In ${t.bar} ${fault.bar} (line ${fault.at.line}) “${fault.value}” is no valid ${fault.element}.`,
        hint: AGAIN_HINT,
      };
    case 'read.missing':
      return {
        message: `In ${t.bar} ${fault.bar} (line ${fault.at.line}) a ${fault.inside} has no ${fault.element}.`,
        hint: AGAIN_HINT,
      };
    case 'read.unpitched':
      return {
        message: `${t.Bar} ${fault.bar} (line ${fault.at.line}) holds a percussion note without a pitch, which cannot be moved to another key.`,
        hint: 'Take the percussion part out of the score and export it again.',
      };
    case 'read.quarter-tone':
      return {
        message: `${t.Bar} ${fault.bar} (line ${fault.at.line}) holds a quarter tone, which no piano key plays.`,
        hint: 'Write it as the nearest half step.',
      };
    case 'read.key-steps':
      return {
        message: `${t.Bar} ${fault.bar} (line ${fault.at.line}) has a key signature of single signs, not one of the fifteen.`,
        hint: 'Use one of the fifteen signatures and write the other signs at the notes.',
      };
    case 'pitch.out-of-range':
      return {
        message: `This cannot be written: ${fault.unit === 'fifths' ? `${fault.amount} fifths from C` : `an interval of ${fault.amount} semitones`}.`,
        hint: 'Choose another key.',
      };
    case 'move.out-of-range':
      return {
        message: `${t.Bar} ${fault.bar} would go beyond the highest or lowest octave that can be written.`,
        hint: 'Choose the other direction or fewer octaves.',
      };
    case 'query.missing':
      return {
        message: `The query “${fault.name}” is missing.`,
        hint: `Add it to the address, for example ?${fault.name}=D`,
      };
    case 'query.file-missing':
      return {
        message: `The file “${fault.name}” is missing.`,
        hint: `Send it as a file of a form, under the name “${fault.name}”.`,
      };
    case 'query.value':
      return { message: `“${fault.value}” is no value for “${fault.name}”.`, hint: `Use ${fault.allowed}.` };
    case 'query.part':
      return {
        message: `The piece has no part “${fault.value}”.`,
        hint: `Use ${shortened(fault.parts.map((id, i) => `${id} or ${i + 1}`).join(', '))}.`,
      };
    case 'print.engraver':
      return {
        message: 'The music of this piece could not be engraved.',
        hint: 'Look whether the file opens in the program it was written in, and export it again.',
      };
    case 'print.too-much':
      return {
        message: `${fault.bars} ${t.bars} were asked for at once, and at most ${fault.most} are printed in one file.`,
        hint: `Ask for fewer keys, or for a part of the piece: a line or a stage.`,
      };
    case 'query.slow':
      return {
        message: `The piece had not come in whole after ${fault.seconds} seconds.`,
        hint: 'Send it again over a faster connection, or send a smaller file.',
      };
    case 'job.busy':
      return {
        message: 'Too many pieces are being worked on at once.',
        hint: `Send it again in ${fault.seconds === 1 ? 'a second' : `${fault.seconds} seconds`}.`,
      };
    case 'job.stopped':
      return { message: 'The work was stopped before it was done.', hint: 'Ask again to begin it anew.' };
    case 'job.too-long':
      return {
        message: `The work on this piece was not done after ${fault.seconds} seconds.`,
        hint: 'Send it again later, or ask for less at once: fewer keys, or a part of the piece.',
      };
    case 'job.too-large':
      return {
        message: 'This piece takes more memory than one piece may have.',
        hint: 'Send a part of it, or a file without pictures and layout.',
      };
    case 'job.failed':
      return {
        message: 'New Thumb itself failed at this piece; nothing of it was kept.',
        hint: 'Export it again from the program it was written in. If that does not help, the fault is ours.',
      };
    default:
      return assertNever(fault);
  }
}

type FaultOf<C extends Fault['code']> = Extract<Fault, { readonly code: C }>;

function malformedWords(fault: FaultOf<'read.malformed'>): string {
  if ('said' in fault) return fault.said;
  return 'tune' in fault
    ? 'from there on the tune cannot be followed'
    : `elements are nested more than ${fault.maxDepth} deep`;
}

function midiWords({ reason, said }: FaultOf<'read.midi-damaged'>): string {
  switch (reason) {
    case 'ends-early':
      return 'a track ends before its end';
    case 'film-frames':
      return 'its time is in film frames, not in beats';
    case 'format-2':
      return 'it is of format 2, which holds separate patterns';
    case 'unreadable':
      return said ?? 'it cannot be read';
  }
}

function ownFileWords(fault: FaultOf<'read.own-file'>): string {
  switch (fault.reason) {
    case 'cut-off':
      return 'it was cut off';
    case 'incomplete':
      return 'something is missing';
    case 'newer':
      return `it was saved by a newer New Thumb (form ${fault.version})`;
    case 'invalid':
      return fault.said;
  }
}
