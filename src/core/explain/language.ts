import { lastingMemo } from '../base';
import type { Key } from '../pitch';
import { english } from './en';
import { englishTerms } from './en/terms';
import { longer } from './longer';
import { USUAL_WORDING, type LanguageName, type Wording } from './wording';

/** Everything that the core can say. English has all of it; another language has the same. */
export type Sentences = ReturnType<typeof english>;

/** A language as a teacher speaks it. */
export interface Language extends Sentences {
  /** The same language about a piece in this key: where do is movable, its notes are called by their syllables. */
  readonly inKey: (key: Key) => Language;
}

const LANGUAGES: Readonly<Record<LanguageName, (wording: Wording, key: Key | null) => Sentences>> = {
  en: (wording, key) => english(englishTerms(wording, key)),
  longer: (wording, key) => longer(english(englishTerms(wording, key))),
};

/** A teacher's words, with and without a key, are made once: so many are kept. */
const languages = lastingMemo<Language>(40);

/** The language of a teacher, in which no key is spoken of. */
export function languageOf(wording: Wording): Language {
  return languageIn(wording, null);
}

function languageIn(wording: Wording, key: Key | null): Language {
  return languages.get(JSON.stringify([wording, key]), () => ({
    ...LANGUAGES[wording.language](wording, key),
    inKey: (other) => languageIn(wording, other),
  }));
}

/** What is said where no teacher has said how: in messages to other programs, and in tests. */
export const USUAL_LANGUAGE = languageOf(USUAL_WORDING);
