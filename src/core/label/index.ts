export { LABEL_KINDS, countText, degreeText, labelsOf } from './labels';
export type { Label, LabelKind } from './labels';
