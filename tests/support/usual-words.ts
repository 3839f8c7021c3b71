import { USUAL_LANGUAGE, USUAL_WORDING, wordsOf } from '@/core/explain';
import { englishTerms } from '@/core/explain/en/terms';

/** What is said where no teacher has said how: sentences of the core, terms of English, words of the screens. */
export const SAYS = USUAL_LANGUAGE;
export const TERMS = englishTerms(USUAL_WORDING, null);
export const WORDS = wordsOf(USUAL_WORDING);
