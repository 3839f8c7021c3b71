import type { Words } from '@/core/explain';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { array, mixed, number, object, string } from 'yup';
import { err, ok, type Result } from '@/core/base';
import { recordInForm5 } from '../migrations';
import { isPlain } from '../records/field';
import { understandIn, type AsideRecord } from '../records/tables';
import { LISTS, type StudioContents } from './contents';
import { stampSchema, type Stamp } from '../join/stamp';
import { FILE_KINDS, type FileKind } from './rights';
import { salvage } from './salvage';
import { oneOf } from '@/contract/one-of';

/** The form of the file: it rises with every change of form. 1 was written until the database's fourth version; 2 to 4 never were. */
export const FILE_VERSION = 5;

/** Why a studio file was refused. */
export interface StudioFileTrouble {
  readonly message: string;
  readonly hint: string;
}

/** A studio file as it was read. Nothing of it is in the studio yet. */
export interface ReadFile {
  readonly kind: FileKind;
  readonly contents: StudioContents;
  readonly savedAt: string;
  /** What the teacher should know of it: that it is damaged, or from another version. */
  readonly remarks: readonly string[];
  /** What could not be read at all, by its line in the file. */
  readonly lost: readonly { readonly line: number; readonly words: string }[];
}

const KNOWN_FIELDS = [
  'newThumb',
  'version',
  'savedAt',
  'counts',
  'checksum',
  'settings',
  'desk',
  'aside',
  'finds',
  'stamps',
  ...LISTS,
];

/** Everything in the studio as the text of one file: one record a line, so that a damaged file loses the lines that are damaged and no more. */
export function studioFileText(contents: StudioContents, savedAt: string, kind: FileKind = 'studio'): string {
  const { settings, desk, carried } = contents;
  const lists = [...LISTS, 'aside' as const, 'stamps' as const].map(
    (name) => `${JSON.stringify(name)}: ${lines(contents[name])}`,
  );
  const head = [
    `"newThumb": ${JSON.stringify(kind)}`,
    `"version": ${FILE_VERSION}`,
    `"savedAt": ${JSON.stringify(savedAt)}`,
    `"counts": ${JSON.stringify(Object.fromEntries([...LISTS, 'aside' as const].map((name) => [name, contents[name].length])))}`,
  ];
  const others = Object.entries(carried)
    .filter(([name]) => !KNOWN_FIELDS.includes(name))
    .map(([name, value]) => `${JSON.stringify(name)}: ${JSON.stringify(value)}`);
  const body = [`"settings": ${JSON.stringify(settings)}`, `"desk": ${JSON.stringify(desk)}`, ...lists, ...others];
  // The date is no part of what is summed up: the same studio has the same checksum on every day.
  const checksum = checksumOf(body);
  return `{\n${[...head, `"checksum": "${checksum}"`, ...body].join(',\n')}\n}\n`;
}

function lines(records: readonly unknown[]): string {
  return records.length === 0 ? '[]' : `[\n${records.map((record) => JSON.stringify(record)).join(',\n')}\n]`;
}

function checksumOf(body: readonly string[]): string {
  return bytesToHex(sha256(utf8ToBytes(body.join(',\n'))));
}

/** The checksum that the text of a file should have: of everything behind the line that says it. */
function checksumIn(text: string): string {
  const from = text.indexOf('\n', text.indexOf('"checksum": '));
  return checksumOf([text.slice(from + 1, text.lastIndexOf('\n}'))]);
}

const fileSchema = object({
  newThumb: oneOf(FILE_KINDS),
  version: number().integer().min(1).required(),
  savedAt: string().defined(),
  counts: mixed<Record<string, number>>().optional(),
  checksum: string().optional(),
  pieces: array(mixed()).default(undefined),
  settings: object().default(undefined),
});

type FileWords = Words['store'];

/** Reads the text of a studio file of any version: all of it, or of a damaged one all that can be saved. Nothing is changed. */
export function readStudioFile(says: FileWords, text: string): Result<ReadFile, StudioFileTrouble> {
  const saved = salvage(says, text);
  if (!saved || !isPlain(saved.value)) return err({ message: says.nothingReadable, hint: says.chooseStudioFile });
  const value = saved.value;
  if (!fileSchema.isValidSync({ savedAt: '', ...value }, { strict: true }))
    return err({ message: says.noStudioFile, hint: says.chooseStudioFile });
  const version = Number(value['version']);
  const remarks = [
    ...versionRemarks(says, version),
    ...damageRemarks(says, text, value, saved.isWhole),
    ...countRemarks(says, value),
  ];
  return ok({
    kind: value['newThumb'] as FileKind,
    contents: contentsIn(value, version),
    savedAt: String(value['savedAt'] ?? ''),
    remarks,
    lost: saved.lost,
  });
}

function versionRemarks(says: FileWords, version: number): readonly string[] {
  return version > FILE_VERSION ? [says.savedByNewer(version)] : [];
}

function damageRemarks(
  says: FileWords,
  text: string,
  value: Readonly<Record<string, unknown>>,
  isWhole: boolean,
): readonly string[] {
  if (!isWhole) return [says.damaged];
  const { checksum } = value;
  return typeof checksum === 'string' && checksum !== checksumIn(text) ? [says.changedSince] : [];
}

function countRemarks(says: FileWords, value: Readonly<Record<string, unknown>>): readonly string[] {
  const { counts } = value;
  if (!isPlain(counts)) return [];
  return LISTS.flatMap((name) => {
    const list = value[name];
    const found = Array.isArray(list) ? list.length : 0;
    const wanted = counts[name];
    return typeof wanted === 'number' && wanted !== found ? [says.held(wanted, says.lists[name], found)] : [];
  });
}

function contentsIn(value: Readonly<Record<string, unknown>>, version: number): StudioContents {
  const aside: AsideRecord[] = [];
  for (const name of ['aside', 'stamps', 'desk'] as const) {
    const isKnown = name === 'desk' ? isPlain(value[name]) : Array.isArray(value[name]);
    if (value[name] !== undefined && !isKnown)
      aside.push(asideOf(name, name, 'it is not what stands there', value[name]));
  }
  (Array.isArray(value['aside']) ? value['aside'] : []).forEach((one: unknown, i) =>
    aside.push(isAside(one) ? one : asideOf(`aside/number ${i + 1}`, 'aside', 'it cannot be read', one)),
  );
  // Answers had another name once: where a file has both, the newer counts.
  if (value['answers'] !== undefined && value['finds'] !== undefined)
    aside.push(asideOf('finds', 'answers', 'there are newer ones beside them', value['finds']));
  const listOf = (name: (typeof LISTS)[number]): readonly unknown[] => {
    // Answers had another name once.
    const list = value[name] ?? (name === 'answers' ? value['finds'] : undefined) ?? [];
    if (!Array.isArray(list)) {
      aside.push(asideOf(name, name, 'it is no list', list));
      return [];
    }
    const seen = new Set<string>();
    return list.flatMap((one: unknown, i): readonly unknown[] => {
      const record = version < FILE_VERSION ? recordInForm5(name, one) : one;
      const read = understandIn(name, record);
      const id = isPlain(record) && typeof record['id'] === 'string' ? record['id'] : `number ${i + 1}`;
      if (read.kind === 'record' && !seen.has(id)) {
        seen.add(id);
        return [record];
      }
      aside.push(
        asideOf(
          `${name}/${id}${seen.has(id) ? ` (number ${i + 1})` : ''}`,
          name,
          read.kind === 'record' ? 'there are two with one name' : read.why,
          one,
        ),
      );
      return [];
    });
  };
  const lists = Object.fromEntries(LISTS.map((name) => [name, listOf(name)])) as Pick<
    StudioContents,
    (typeof LISTS)[number]
  >;
  const carried = Object.fromEntries(Object.entries(value).filter(([name]) => !KNOWN_FIELDS.includes(name)));
  return {
    ...lists,
    settings: value['settings'] ?? {},
    desk: isPlain(value['desk']) ? value['desk'] : {},
    aside: aside.toSorted((a, b) => (a.id < b.id ? -1 : 1)),
    stamps: stampsIn(value['stamps']),
    carried,
  };
}

/** What cannot be understood of who wrote what is as if nobody had said it. */
function stampsIn(value: unknown): readonly Stamp[] {
  return (Array.isArray(value) ? value : []).filter((one): one is Stamp =>
    stampSchema.isValidSync(one, { strict: true }),
  );
}

function isAside(value: unknown): value is AsideRecord {
  return understandIn('aside', value).kind === 'record';
}

function asideOf(id: string, table: string, why: string, value: unknown): AsideRecord {
  return { id, form: FILE_VERSION, from: 'a studio file', table, why, value: value as AsideRecord['value'] };
}
