import { ROOM_MARK } from '@/core/write';

/** Makes an engraved picture lighter for the browser without changing what is seen: signs are drawn in place instead of being referred to (each
 * reference is a tree of its own), the five lines of a staff are one shape, groups that nothing points at are taken out, and text
 * stands in one element. A page has about half of its elements left. */
export function lighten(svg: string): string {
  return ungrouped(plainText(oneShape(withSigns(svg.replace(OWN_STYLE, '')))));
}

/** Each picture brings a style sheet of its own: the page has one for all of them. */
const OWN_STYLE = /<desc>[\s\S]*?<\/desc>|<style[\s\S]*?<\/style>/g;

/** Staff lines: paths next to each other that are nothing but a straight line of one width. */
const LINES = /(?:<path d="M[\d.-]+ [\d.-]+ L[\d.-]+ [\d.-]+" stroke-width="13"\/>){2,}/g;

function oneShape(svg: string): string {
  return svg.replace(LINES, (lines) => `<path d="${[...lines.matchAll(/d="([^"]*)"/g)].map(([, d]) => d).join('')}" stroke-width="13"/>`);
}

const SIGN = /<g id="([^"]+)"><path transform="scale\(1,-1\)" d="([^"]*)"\/><\/g>/g;
const REFERENCE = /<use href="#([^"]+)" transform="translate\((-?[\d.]+),? (-?[\d.]+)\) scale\((-?[\d.]+),? (-?[\d.]+)\)"([^>]*)\/>/g;

function withSigns(svg: string): string {
  const signs = new Map([...svg.matchAll(SIGN)].map(([, id, d]) => [id, d]));
  return svg.replace(SIGN, '').replace(REFERENCE, (reference, id: string, x: string, y: string, sx: string, sy: string, rest: string) => {
    const d = signs.get(id);
    return d === undefined ? reference : `<path class="sign" transform="translate(${x} ${y}) scale(${sx} ${-Number(sy)})" d="${d}"${rest}/>`;
  });
}

function plainText(svg: string): string {
  return svg.replace(
    /<text([^>]*?) font-size="0px"([^>]*)><tspan[^>]*><tspan([^>]*)>([^<]*)<\/tspan><\/tspan><\/text>/g,
    (_, before: string, after: string, own: string, words: string) => (words === ROOM_MARK ? '' : `<text${before}${after}${own}>${words}</text>`),
  );
}

/** Groups that style sheets, tests or the screen point at. */
const POINTED_AT = /class="(?:note|notehead|fing|tempo|ending|reh|dir|dynam|mNum|verse|clef|keySig|keyAccid|accid|barLine|definition-scale|page-margin)\b/;

function ungrouped(svg: string): string {
  const open: boolean[] = [];
  return svg.replace(/<g\b[^>]*>|<\/g>/g, (tag) => {
    if (tag === '</g>') return open.pop() ? tag : '';
    const isKept = POINTED_AT.test(tag) || /transform=|stroke|fill|font/.test(tag);
    if (tag.endsWith('/>')) return '';
    open.push(isKept);
    return isKept ? tag : '';
  });
}
