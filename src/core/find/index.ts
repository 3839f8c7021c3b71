export { FIND_KINDS, findQuestion, isGuideNote, judge } from './question';
export type { FindKind, FindQuestion, FindRange, Random, Verdict } from './question';
