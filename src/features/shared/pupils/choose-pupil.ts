'use client';

import { change } from '@/data';
import { ANY_HAND } from './pupil-select';
import { changeQuery } from '../address/use-query';

/** Chooses for whom a screen is; the same pupil is then chosen on the others. */
export function choosePupil(id: string): void {
  changeQuery({ pupil: id });
  keepChosen(id);
}

/** The pupil for whom the screens are that are opened next. */
export function keepChosen(id: string): void {
  void change({ kind: 'note.desk', change: { pupil: id === ANY_HAND ? null : id } });
}
