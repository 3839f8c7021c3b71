import { err, ok, type Fault, type Result } from '../../../base';
import { keyOfSignature, MODES, type Key, type Mode } from '../../../pitch';
import type { Meter } from '../../../time';
import { countWord } from '../common';
import { englishTerms } from '../terms';
import { USUAL_WORDING } from '../../wording';
import { BEAT_VALUES } from './beat-values';
import { namesRead, tonicsRead, type NamesRead } from './names-read';
import type { RoteStyle } from './rote-told';
import type { Sentence } from './sentences';

/** What the head of a rote sheet says. */
export interface RoteHead {
  readonly title: string;
  readonly key: Key;
  readonly meter: Meter;
  readonly quartersPerMinute: number | null;
  readonly system: RoteStyle['names'];
  readonly names: NamesRead;
}

/** Reads everything before “To begin:”. Errors: `read.rote`. */
export function readHead(sentences: readonly Sentence[]): Result<RoteHead, Fault> {
  const begins = sentences.findIndex(({ text }) => KEY.test(text));
  const said = sentences[begins];
  if (!said) return err(roteFault('head', sentences[0] ?? { text: '', line: 1 }));
  const title = [...sentences.slice(0, begins).map(({ text }) => text), said.text.replace(KEY, '')].join(' ').trim();
  const head = sentences.slice(begins + 1);
  const system = systemOf(head);
  const key = readKey(KEY.exec(said.text)?.[1] ?? '', system);
  const meter = readMeter(head);
  if (!key) return err(roteFault('key', said));
  if (!meter) return err(roteFault('head', said));
  const tempo = matchIn(head, /^Play ([\d.]+) (?:quarter notes?|crotchets?) a minute\.$/);
  return ok({
    title,
    key,
    meter,
    quartersPerMinute: tempo ? Number(tempo[1]) : null,
    system,
    names: namesRead(system, key),
  });
}

/** The title has no end of its own: it stands before these words. */
const KEY = /(?:^|\s)The key is (.+)\.$/;

function matchIn(sentences: readonly Sentence[], wanted: RegExp): RegExpExecArray | null {
  return sentences.map(({ text }) => wanted.exec(text)).find((found) => found !== null) ?? null;
}

function systemOf(head: readonly Sentence[]): RoteStyle['names'] {
  const says = (wanted: RegExp): boolean => matchIn(head, wanted) !== null;
  if (says(/^Keys are called by letters\.$/)) return 'letters';
  if (says(/^Keys are called by letters, with H\.$/)) return 'letters-h';
  if (says(/^Keys are called by syllables, C is always do\.$/)) return 'fixed-do';
  if (says(/^Keys are called by syllables, \S+ is la\.$/)) return 'la-minor';
  return says(/^Keys are called by syllables/) ? 'do-minor' : 'none';
}

/** A key by its name, `B♭ major`, or by its signs, `major, two flats`. */
export function readKey(words: string, system: RoteStyle['names']): Key | null {
  const bySigns = /^(\S+), (no|\S+) (?:signs|(sharp|flat)s?)$/.exec(words);
  if (bySigns) {
    const mode = modeOf(bySigns[1] ?? '');
    const count = COUNTS.indexOf(bySigns[2] ?? '');
    const key = mode && count >= 0 ? keyOfSignature(bySigns[3] === 'flat' ? -count : count, mode) : null;
    return key?.ok ? key.value : null;
  }
  const [, tonicName = '', modeName = ''] = /^(\S+) (\S+)$/.exec(words) ?? [];
  const tonic = tonicsRead(system).get(tonicName);
  const mode = modeOf(modeName);
  return tonic && mode ? { tonic, mode } : null;
}

const COUNTS = Array.from({ length: 8 }, (_, i) => countWord(i));

function modeOf(text: string): Mode | null {
  return MODES.find((mode) => mode === text) ?? null;
}

function readMeter(head: readonly Sentence[]): Meter | null {
  const beats = Number(matchIn(head, /^Count (\d+) in each (?:bar|measure)\.$/)?.[1]);
  const beatType = readBeat(matchIn(head, /^A (?:beat|count) is one (.+)\.$/)?.[1] ?? '');
  return beats > 0 && beatType !== null ? { beats, beatType } : null;
}

/** The lower number of a meter by the name of its note, in either English; null where it is no such name. */
export function readBeat(words: string): number | null {
  const found = BEAT_VALUES.find(([type]) => BOTH_ENGLISHES.some((t) => t.valueNote(type) === words));
  return found?.[1] ?? null;
}

const BOTH_ENGLISHES = (['quarter', 'crotchet'] as const).map((rhythm) =>
  englishTerms({ ...USUAL_WORDING, rhythm }, null),
);

/** Why a rote sheet could not be read, at a sentence. */
export function roteFault(
  reason: Extract<Fault, { readonly code: 'read.rote' }>['reason'],
  { text, line }: Sentence,
): Fault {
  return { code: 'read.rote', reason, said: text, at: { line, column: 1 } };
}
