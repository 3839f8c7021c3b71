import { remarkBar, type Language } from '../explain';
import { nameText, signatureOf, type Key } from '../pitch';
import type { Remark } from '../base';

/** A key by its tonic (`Bb`), its mode and its signature (sharps count up, flats down). */
export interface KeyView {
  readonly tonic: string;
  readonly mode: string;
  readonly fifths: number;
}

/** A remark in words, with the bar that it is about, where it is about one. */
export interface RemarkView {
  readonly code: string;
  readonly message: string;
  readonly bar?: string;
}

export function keyView(key: Key): KeyView {
  return { tonic: nameText(key.tonic), mode: key.mode, fifths: signatureOf(key) };
}

export function remarkView(says: Language, remark: Remark): RemarkView {
  const bar = remarkBar(remark);
  const said = { code: remark.code, message: says.remarkWords(remark) };
  return bar === null ? said : { ...said, bar };
}
