export { LABEL_KINDS, labelsOf, movableSyllable } from './labels';
export type { Label, LabelKind } from './labels';
export { MARK_KINDS, markWords } from './mark';
export type { Mark, MarkKind, MarkWords } from './mark';
export { notesByKind } from './notes-of-kind';
export { FIXED_SYLLABLES } from './syllables.table';
export type { NotesOfKind } from './notes-of-kind';
