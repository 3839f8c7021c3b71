/** A sentence of a rote sheet, with the line of the text in which it begins, counted from 1. */
export interface Sentence {
  readonly text: string;
  readonly line: number;
}

/** The foot of a printed page, which may stand between two sentences. */
const FOOT = /^\s*Page \d+ of \d+/;

/** A text as sentences: a sentence ends with a point or a colon, and may go over the ends of lines and pages. */
export function sentencesOf(text: string): readonly Sentence[] {
  const sentences: Sentence[] = [];
  let open: { words: string[]; line: number } | null = null;
  text
    .replace(/[\f\v\r]/g, '\n')
    .split('\n')
    .forEach((whole, i) => {
      if (FOOT.test(whole)) return;
      for (const word of whole.split(/\s+/).filter(Boolean)) {
        open ??= { words: [], line: i + 1 };
        open.words.push(word);
        if (!/[.:]$/.test(word)) continue;
        sentences.push({ text: open.words.join(' '), line: open.line });
        open = null;
      }
    });
  const left = open as { words: string[]; line: number } | null;
  if (left) sentences.push({ text: left.words.join(' '), line: left.line });
  return sentences;
}
