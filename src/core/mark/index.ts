export { MARK_KINDS, markWords } from './mark';
export type { Mark, MarkKind, MarkWords } from './mark';
export { findsOf } from './find';
export type { Find } from './find';
