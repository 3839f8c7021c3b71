export { LABEL_KINDS, labelsOf } from './labels';
export type { Label, LabelKind } from './labels';
export { MARK_KINDS, markWords } from './mark';
export type { Mark, MarkKind, MarkWords } from './mark';
export { notesByKind } from './notes-of-kind';
export type { NotesOfKind } from './notes-of-kind';
