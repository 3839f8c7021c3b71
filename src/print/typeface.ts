import { create, type Font } from 'fontkit';
import { memo } from '@/core/base';
import type { Weight } from './page';

/** A font file that sheets are set in. */
export interface Face {
  readonly name: string;
  readonly bytes: Uint8Array;
  readonly font: Font;
}

/** The fonts of sheets: for each weight the one that words are set in, and those that have the letters and signs it lacks. `music` has the notes among words. */
export interface Typeface {
  readonly regular: readonly Face[];
  readonly bold: readonly Face[];
  readonly music: Face;
  /** How texts fall into fonts, by weight and text: words come again and again on a sheet. */
  readonly known: ReturnType<typeof memo<readonly TextRun[]>>;
}

/** So many texts are remembered: the words of a few sheets. */
const KNOWN_TEXTS = 4000;

/** The files of the typeface, as scripts/print-fonts.mjs puts them. */
export const FONT_FILES = {
  regular: ['sans-400.ttf', 'sans-ext-400.ttf', 'signs-400.ttf'],
  bold: ['sans-700.ttf', 'sans-ext-700.ttf', 'signs-700.ttf'],
  music: 'music.ttf',
} as const;

/** Reads the fonts; `load` gives the bytes of a file by its name. */
export async function readTypeface(load: (name: string) => Promise<Uint8Array>): Promise<Typeface> {
  const face = async (name: string): Promise<Face> => {
    const bytes = await load(name);
    return { name: name.replace(/\..*$/, ''), bytes, font: create(bytes as Buffer) as Font };
  };
  const [regular, bold, music] = await Promise.all([
    Promise.all(FONT_FILES.regular.map(face)),
    Promise.all(FONT_FILES.bold.map(face)),
    face(FONT_FILES.music),
  ]);
  return { regular, bold, music, known: memo(KNOWN_TEXTS) };
}

/** Letters that follow one another in one font. `width` is in parts of the size, without spacing. */
export interface TextRun {
  readonly face: Face;
  readonly text: string;
  readonly width: number;
}

/** A text by the fonts that have its letters; what none has is set in the first, which shows that it is missing. */
export function runsOf(typeface: Typeface, text: string, weight: Weight): readonly TextRun[] {
  return typeface.known.get(`${weight} ${text}`, () => newRuns(typeface, text, weight));
}

/** What turns the direction of writing, joins or parts letters, or breaks lines, and has no picture of its own: no font has it, and the one that shapes words fails over it. */
const UNSEEN = /[\p{Cc}\p{Cf}\p{Zl}\p{Zp}]/gu;

function newRuns(typeface: Typeface, text: string, weight: Weight): readonly TextRun[] {
  const faces = typeface[weight];
  const runs: { face: Face; text: string }[] = [];
  for (const letter of text.replace(UNSEEN, '')) {
    const code = letter.codePointAt(0) ?? 0;
    const face = faces.find(({ font }) => font.hasGlyphForCodePoint(code)) ?? (faces[0] as Face);
    const last = runs.at(-1);
    if (last?.face === face) last.text += letter;
    else runs.push({ face, text: letter });
  }
  return runs.map((run) => ({ ...run, width: run.face.font.layout(run.text).advanceWidth / run.face.font.unitsPerEm }));
}

/** How words are set. Size in points; `spacing` is what each letter is wider. */
export interface TextStyle {
  readonly size: number;
  readonly weight: Weight;
  readonly spacing: number;
}

/** How wide a text is. Unit: points. */
export function textWidth(typeface: Typeface, text: string, { size, weight, spacing }: TextStyle): number {
  const width = runsOf(typeface, text, weight).reduce((sum, run) => sum + run.width, 0);
  return width * size + spacing * [...text].length;
}

/** A text broken into lines that are no wider than the room; `left` is what is taken of the first line already. A word that is wider than a line goes on in the next. */
export function brokenText(
  typeface: Typeface,
  text: string,
  style: TextStyle,
  room: number | { readonly width: number; readonly left: number },
): readonly string[] {
  const { width, left } = typeof room === 'number' ? { width: room, left: 0 } : room;
  const lines: string[] = [];
  const space = textWidth(typeface, ' ', style);
  let used = left;
  const words = text.split(/\s+/).filter(Boolean);
  for (const word of words.flatMap((one) => partsOf(typeface, one, style, width))) {
    const own = textWidth(typeface, word, style);
    const line = lines.at(-1);
    if (line === undefined || used + space + own > width) {
      lines.push(word);
      used = (line === undefined ? left : 0) + own;
    } else {
      lines[lines.length - 1] = `${line} ${word}`;
      used += space + own;
    }
  }
  return lines;
}

/** A word in parts that are no wider than a line; nearly every word is one. */
function partsOf(typeface: Typeface, word: string, style: TextStyle, width: number): readonly string[] {
  if (textWidth(typeface, word, style) <= width) return [word];
  const parts: string[] = [];
  for (const letter of word) {
    const longer = `${parts.at(-1) ?? ''}${letter}`;
    if (parts.length > 0 && textWidth(typeface, longer, style) <= width) parts[parts.length - 1] = longer;
    else parts.push(letter);
  }
  return parts;
}
