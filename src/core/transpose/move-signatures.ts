import { keyOfSignature, keyText, type Key, type Mode } from '../pitch';
import { unwrap, type Remark } from '../base';
import type { KeySignature, Measure, MeasureItem, Part } from '../score';
import { enharmonicTurn } from './respell';

/** From which key to which a piece goes. */
interface FromTo {
  readonly from: Key;
  readonly to: Key;
}

/** Moves the signatures of a measure. One that would pass seven signs is written in its enharmonic key, and told. */
export function moveSignatures(
  measure: Measure,
  part: Part,
  {
    fifthsMoved,
    request,
    remarks,
  }: { readonly fifthsMoved: number; readonly request: FromTo; readonly remarks: Remark[] },
): Measure {
  const items = measure.items.map((item): MeasureItem => {
    if (item.kind !== 'attributes' || item.keys.length === 0) return item;
    return {
      ...item,
      keys: item.keys.map((key) => moveSignature(key, measure, { part, fifthsMoved, request, remarks })),
    };
  });
  return { ...measure, items };
}

function moveSignature(
  key: KeySignature,
  measure: Measure,
  {
    part,
    fifthsMoved,
    request,
    remarks,
  }: { readonly part: Part; readonly fifthsMoved: number; readonly request: FromTo; readonly remarks: Remark[] },
): KeySignature {
  const strict = key.fifths + fifthsMoved;
  const turn = enharmonicTurn(strict);
  const fifths = strict + turn.fifths;
  if (turn.fifths !== 0) {
    const mode = movedMode(key.mode, request) ?? request.to.mode;
    remarks.push({
      code: 'respelled-key',
      bar: measure.number,
      part: part.name,
      fromSigns: strict,
      to: keyName(fifths, mode),
    });
  }
  return { ...key, fifths, mode: movedMode(key.mode, request) };
}

/** The mode that a signature names, where it names one: the piece's new one. */
function movedMode(mode: Mode | null, { from, to }: FromTo): Mode | null {
  return mode !== null && from.mode !== to.mode ? to.mode : mode;
}

/** The key of a signature that can be written. */
function keyName(fifths: number, mode: Key['mode']): string {
  return keyText(unwrap(keyOfSignature(fifths, mode)));
}
