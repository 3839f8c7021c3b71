import type { Words } from '@/core/explain';
import { isPlain } from '../records/field';

/** What could be read of the text of a file. */
export interface Salvaged {
  readonly value: unknown;
  readonly isWhole: boolean;
  readonly lost: readonly { readonly line: number; readonly words: string }[];
}

/** Reads a file whole; where it is damaged or cut off, field by field and record by record, by its lines: a studio file has one record a line, older
 * ones a record in lines that are set in alike. Null where nothing can be read. */
export function salvage(says: Words['store'], text: string): Salvaged | null {
  const value = parsed(text);
  if (value) return { value: value.value, isWhole: true, lost: [] };
  if (!text.includes('"newThumb"')) return null;
  const fields: Record<string, unknown> = {};
  const lost: { line: number; words: string }[] = [];
  const rows = text.split('\n');
  let list: { readonly name: string; readonly records: unknown[] } | null = null;
  for (let i = 0; i < rows.length; i += 1) {
    const row = rows[i] as string;
    if (['{', '}', '},', ''].includes(row.trim()) && !(list && /^\s+\{$/.test(row))) continue;
    if (list && /^\s*\],?$/.test(row)) {
      list = null;
      continue;
    }
    const field = /^ {0,2}("(?:[^"\\]|\\.)*"): ?(.*)$/.exec(row);
    const name = field ? parsed(field[1] as string)?.value : undefined;
    if (typeof name === 'string' && /^\[$/.test(field?.[2] ?? '')) {
      list = { name, records: [] };
      fields[name] = list.records;
      continue;
    }
    const block = blockFrom(rows, i, typeof name === 'string' && !list ? (field?.[2] ?? '') : row);
    if (block) {
      if (list) list.records.push(block.value);
      else if (typeof name === 'string') fields[name] = block.value;
      i = block.end;
    } else {
      lost.push({
        line: i + 1,
        words: list ? says.recordOf(list.name) : typeof name === 'string' ? says.field(name) : says.something,
      });
      // What is set in deeper belongs to what was lost.
      const indent = indentOf(row);
      while (i + 1 < rows.length && indentOf(rows[i + 1] as string) > indent) i += 1;
    }
  }
  return isPlain(fields) && Object.keys(fields).length > 0 ? { value: fields, isWhole: false, lost } : null;
}

function indentOf(row: string): number {
  return row.length - row.trimStart().length;
}

function parsed(text: string): { readonly value: unknown } | null {
  try {
    return { value: JSON.parse(text) as unknown };
  } catch {
    return null;
  }
}

/** So many lines are joined at most for one value of an older file: a long piece with all that was decided of it. */
const MOST_LINES = 20_000;

/** The value that begins in a line: in it alone, or up to the bracket that closes it where the line is set in alike. */
function blockFrom(
  rows: readonly string[],
  from: number,
  first: string,
): { readonly value: unknown; readonly end: number } | null {
  const alone = parsed(first.replace(/,\s*$/, ''));
  if (alone) return { ...alone, end: from };
  if (!/[{[]$/.test(first)) return null;
  const indent = /^\s*/.exec(rows[from] as string)?.[0] ?? '';
  for (let to = from + 1; to < Math.min(rows.length, from + MOST_LINES); to += 1) {
    const row = rows[to] as string;
    if (!row.startsWith(indent) || !/^[}\]],?\s*$/.test(row.slice(indent.length))) continue;
    const value = parsed([first, ...rows.slice(from + 1, to), row.replace(/,\s*$/, '')].join('\n'));
    return value ? { ...value, end: to } : null;
  }
  return null;
}
