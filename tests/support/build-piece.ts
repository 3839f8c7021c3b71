/** Builds small MusicXML pieces from a line of text a hand, for tests.
 * A note is `C4q`: pitch (`F#4`, `Bb3`, `R` for a rest), length (w h q e), then optionally a finger (`/3`), a tie to the
 * next note (`~`), a staccato (`'`), an end of slur (`)`); chords are joined with `+`. Bars are parted by `|`. */
export interface PieceText {
  readonly right: string;
  readonly left?: string;
  readonly fifths?: number;
  readonly mode?: string;
  readonly meter?: readonly [number, number];
  readonly title?: string;
  /** Inserted at the front of a bar, by its number from 1: `{ 3: '<attributes>…</attributes>' }`. */
  readonly extra?: Readonly<Record<number, string>>;
  readonly header?: string;
  readonly attributes?: string;
}

const LENGTHS: Readonly<Record<string, readonly [number, string]>> = {
  w: [8, 'whole'],
  h: [4, 'half'],
  q: [2, 'quarter'],
  e: [1, 'eighth'],
};

export function musicXml(text: PieceText): string {
  const right = text.right.split('|');
  const left = text.left?.split('|');
  const [beats, beatType] = text.meter ?? [4, 4];
  const mode = text.mode === undefined ? '' : `<mode>${text.mode}</mode>`;
  const opening =
    `<attributes><divisions>2</divisions><key><fifths>${text.fifths ?? 0}</fifths>${mode}</key>` +
    `<time><beats>${beats}</beats><beat-type>${beatType}</beat-type></time>` +
    (left
      ? '<staves>2</staves><clef number="1"><sign>G</sign><line>2</line></clef><clef number="2"><sign>F</sign><line>4</line></clef>'
      : '') +
    `${text.attributes ?? ''}</attributes>`;
  const readRight = lineReader(1);
  const readLeft = lineReader(2);
  const bars = right.map((bar, i) => {
    const upper = readRight(bar);
    const lower = left ? readLeft(left[i] ?? '') : null;
    return (
      `<measure number="${i + 1}">${i === 0 ? opening : ''}${text.extra?.[i + 1] ?? ''}${upper.xml}` +
      `${lower ? `<backup><duration>${upper.length}</duration></backup>${lower.xml}` : ''}</measure>`
    );
  });
  return (
    '<?xml version="1.0" encoding="UTF-8"?>\n<score-partwise version="4.0">' +
    `<work><work-title>${text.title ?? 'Test'}</work-title></work>${text.header ?? ''}` +
    `<part-list><score-part id="P1"><part-name>Piano</part-name></score-part></part-list>` +
    `<part id="P1">${bars.join('')}</part></score-partwise>`
  );
}

export function bytesOf(text: string): Uint8Array {
  return new TextEncoder().encode(text);
}

/** Reads the bars of one hand one after the other: a tie may reach over the bar line. */
function lineReader(staff: number): (bar: string) => { readonly xml: string; readonly length: number } {
  let isTied = false;
  return (bar) => {
    let length = 0;
    const xml = bar
      .trim()
      .split(/\s+/)
      .filter(Boolean)
      .map((token) => {
        const match = /^([A-GR#b0-9+]+?)([whqe])((?:\/[1-5])*)([~')]*)$/.exec(token);
        if (!match) throw new Error(`not a note: ${token}`);
        const [, pitches = '', size = 'q', fingers = '', signs = ''] = match;
        const [duration, type] = LENGTHS[size] as readonly [number, string];
        length += duration;
        const fingerList = fingers.split('/').filter(Boolean);
        const notes = pitches.split('+').map((pitch, i) => {
          const finger = fingerList[i] ? `<technical><fingering>${fingerList[i]}</fingering></technical>` : '';
          const tied = `${isTied ? '<tied type="stop"/>' : ''}${signs.includes('~') ? '<tied type="start"/>' : ''}`;
          const marks = `${tied}${signs.includes(')') ? '<slur type="stop"/>' : ''}${finger}${signs.includes("'") ? '<articulations><staccato/></articulations>' : ''}`;
          return (
            `<note>${i > 0 ? '<chord/>' : ''}${pitchXml(pitch)}<duration>${duration}</duration>` +
            `${isTied ? '<tie type="stop"/>' : ''}${signs.includes('~') ? '<tie type="start"/>' : ''}` +
            `<voice>${staff}</voice><type>${type}</type><staff>${staff}</staff>${marks ? `<notations>${marks}</notations>` : ''}</note>`
          );
        });
        isTied = signs.includes('~');
        return notes.join('');
      })
      .join('');
    return { xml, length };
  };
}

function pitchXml(pitch: string): string {
  if (pitch === 'R') return '<rest/>';
  const match = /^([A-G])(##|#|bb|b)?(\d)$/.exec(pitch);
  if (!match) throw new Error(`not a pitch: ${pitch}`);
  const alter = { '##': 2, '#': 1, '': 0, b: -1, bb: -2 }[match[2] ?? ''];
  return `<pitch><step>${match[1]}</step>${alter ? `<alter>${alter}</alter>` : ''}<octave>${match[3]}</octave></pitch>`;
}
