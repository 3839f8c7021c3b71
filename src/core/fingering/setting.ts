import type { Passage } from './passage';
import type { Demands } from './player';
import type { View } from './key-view';

/** What every cost depends on: the notes, the keys they lie on, and who plays them. */
export interface Setting {
  readonly passage: Passage;
  readonly view: View;
  readonly demands: Demands;
}
