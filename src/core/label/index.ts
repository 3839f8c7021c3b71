export { LABEL_KINDS, labelsOf } from './labels';
export type { Label, LabelKind } from './labels';
