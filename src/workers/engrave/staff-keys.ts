import { parseXml, element, isElement, serialiseXml, withChildren, type XmlElement } from '@/core/xml';
import type { StaffKeyChange } from '@/core/write';

/** Gives every staff its own signature at the key changes inside a piece. The engraver's import of MusicXML takes the
 * first part's for all; its own format (MEI), which it hands out and takes back, can say it staff by staff. Null where what was handed out is no XML. */
export function withStaffKeys(mei: string, changes: readonly StaffKeyChange[]): string | null {
  const read = parseXml(mei);
  if (!read.ok) return null;
  const wanted = new Map(changes.map(({ bar, fifths }) => [bar, fifths]));
  const { root } = read.value;
  const changed = changedIn(root, wanted, { bars: 0 });
  return changed === root ? mei : serialiseXml({ ...read.value, root: changed });
}

/** How many bars begin before the place that is looked at. */
interface Counted {
  bars: number;
}

function changedIn(parent: XmlElement, wanted: ReadonlyMap<number, readonly number[]>, counted: Counted): XmlElement {
  const children = parent.children.map((child) => {
    if (!isElement(child)) return child;
    if (child.name === 'measure') {
      counted.bars += 1;
      return child;
    }
    const fifths = wanted.get(counted.bars);
    // What stands in front of the first bar says how the piece begins.
    if (child.name === 'scoreDef' && counted.bars > 0) return fifths ? withKeys(child, fifths) : child;
    return changedIn(child, wanted, counted);
  });
  return children.every((child, i) => child === parent.children[i]) ? parent : withChildren(parent, children);
}

/** A change of signature for all staves, staff by staff. */
function withKeys(change: XmlElement, fifths: readonly number[]): XmlElement {
  const at = change.children.findIndex((child) => isElement(child) && child.name === 'keySig');
  if (at < 0) return change;
  const staves = fifths.map((value, i) =>
    element('staffDef', { n: String(i + 1) }, [element('keySig', { sig: signText(value) })]),
  );
  return withChildren(change, change.children.with(at, element('staffGrp', {}, staves)));
}

/** A signature as MEI writes it: `2s` for two sharps, `3f` for three flats. Source: MEI 5, `data.KEYSIGNATURE`, from memory. */
function signText(fifths: number): string {
  if (fifths === 0) return '0';
  return `${Math.abs(fifths)}${fifths > 0 ? 's' : 'f'}`;
}
