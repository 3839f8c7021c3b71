import type { EngravedSystem } from '@/contract/engraving-questions';
import { pageSize, type HandoutPart, type PageSize, type PaperChoice, type Print } from '@/core/paper';
import type { Ink, PageMark, PagePart, TextMark, Weight } from './page';
import { textWidth, type TextStyle, type Typeface } from './typeface';

/** Something that stands on one page whole. Marks are placed from its own upper left corner; `keeps` where the next is to stand on the same page. */
export interface PagePiece {
  readonly role: PagePart['role'];
  readonly alt: string;
  readonly height: number;
  /** Free room above it, where it does not begin a page. */
  readonly above: number;
  readonly keeps: boolean;
  readonly marks: readonly PageMark[];
  /** Of a handout: the part that it belongs to. */
  readonly part?: HandoutPart | undefined;
}

/** What everything on a sheet is set with. */
export interface Setting {
  readonly typeface: Typeface;
  readonly paper: PaperChoice;
  readonly page: PageSize;
  /** Width between the margins, in points. */
  readonly width: number;
  readonly sizes: TextSizes;
  /** The music of a block, system by system. */
  readonly systems: (musicXml: string) => readonly EngravedSystem[];
}

/** Sizes of words in points; `spacing` a letter, `leading` how far base lines are apart in parts of the size. */
export interface TextSizes {
  readonly title: number;
  readonly heading: number;
  readonly text: number;
  readonly small: number;
  readonly rote: number;
  readonly spacing: number;
  readonly leading: number;
}

/** Source: common practice of reading books for children (11–12 pt); large print from 16 pt; wider letters and lines as advised for readers with dyslexia. From memory. */
const SIZES: Readonly<Record<Print, TextSizes>> = {
  usual: { title: 22, heading: 14, text: 11.5, small: 9.5, rote: 14, spacing: 0, leading: 1.32 },
  large: { title: 28, heading: 19, text: 17, small: 14, rote: 19, spacing: 0, leading: 1.35 },
  spaced: { title: 22, heading: 15, text: 12.5, small: 11, rote: 15, spacing: 0.6, leading: 1.6 },
};

export function settingOf(typeface: Typeface, paper: PaperChoice, systems: Setting['systems']): Setting {
  const page = pageSize(paper);
  return { typeface, paper, page, width: page.width - 2 * page.margin, sizes: SIZES[paper.print], systems };
}

interface WordsLook {
  readonly size: number;
  readonly weight?: Weight;
  readonly ink?: Ink;
  readonly anchor?: 'start' | 'middle' | 'end';
}

export function styleOf({ sizes }: Setting, { size, weight = 'regular' }: WordsLook): TextStyle {
  return { size, weight, spacing: sizes.spacing };
}

/** Words on a line, from a place, around it or up to it. */
export function words(setting: Setting, text: string, at: readonly [x: number, y: number], look: WordsLook): TextMark {
  const style = styleOf(setting, look);
  const width = look.anchor === undefined || look.anchor === 'start' ? 0 : textWidth(setting.typeface, text, style);
  const x = at[0] - (look.anchor === 'middle' ? width / 2 : width);
  return { kind: 'text', x, y: at[1], text, ...style, ink: look.ink ?? 'black' };
}

/** Where the base line of the first line of words is below their top, in parts of the size. */
export const RISE = 0.95;
