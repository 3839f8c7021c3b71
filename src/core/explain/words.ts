import { lastingMemo } from '../base';
import { englishScreens } from './en/screens';
import { englishTerms } from './en/terms';
import { languageOf, type Language } from './language';
import { longer } from './longer';
import type { LanguageName, Wording } from './wording';

/** Everything that stands on the screens. English has all of it; another language has the same. */
export type Screens = ReturnType<typeof englishScreens>;

/** What a teacher's screens say: their own words, and the sentences of the core. */
export interface Words extends Screens {
  readonly says: Language;
  readonly wording: Wording;
}

const SCREENS: Readonly<Record<LanguageName, (wording: Wording) => Screens>> = {
  en: (wording) => englishScreens(englishTerms(wording, null)),
  longer: (wording) => longer(englishScreens(englishTerms(wording, null))),
};

const words = lastingMemo<Words>(4);

/** The words of a teacher. */
export function wordsOf(wording: Wording): Words {
  return words.get(JSON.stringify(wording), () => ({
    ...SCREENS[wording.language](wording),
    says: languageOf(wording),
    wording,
  }));
}
