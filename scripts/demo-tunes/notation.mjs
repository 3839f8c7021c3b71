// Reads the short notation of tunes.mjs into bars of events. Lengths are in eighths of a quarter's half: a quarter is 2.
const LENGTHS = { w: 8, h: 4, q: 2, e: 1 };
const TYPES = { w: 'whole', h: 'half', q: 'quarter', e: 'eighth' };
const NOTE =
  /^(\(*)((?:[A-G](?:##|#|bb|b)?\d)(?:\+[A-G](?:##|#|bb|b)?\d)*|R)([whqe])(\.?)([1-5](?:-[1-5])*)?(['^~]*)(\)*)$/;
const ALTERS = { '##': 2, '#': 1, '': 0, b: -1, bb: -2 };

/** One hand's line as bars; each bar is a list of marks (`[p]`) and notes. Throws on a token it does not know. */
export function readLine(text) {
  return text
    .split('|')
    .map((bar) => bar.trim())
    .map((bar) => bar.match(/\[[^\]]*\]|\S+/g) ?? [])
    .map((tokens) => tokens.map(readToken));
}

function readToken(token) {
  if (token.startsWith('[')) return { mark: token.slice(1, -1) };
  const match = NOTE.exec(token);
  if (!match) throw new Error(`not a note: ${token}`);
  const [, opens, pitches, length, dot, fingers, signs, closes] = match;
  return {
    pitches: pitches === 'R' ? [] : pitches.split('+').map(readPitch),
    duration: LENGTHS[length] * (dot ? 1.5 : 1),
    type: TYPES[length],
    dotted: dot !== '',
    fingers: fingers ? fingers.split('-').map(Number) : [],
    slurStarts: opens !== '',
    slurStops: closes !== '',
    tied: signs.includes('~'),
    staccato: signs.includes("'"),
    fermata: signs.includes('^'),
  };
}

export function readPitch(text) {
  const [, step, sign, octave] = /^([A-G])(##|#|bb|b)?(\d)$/.exec(text);
  return { step, alter: ALTERS[sign ?? ''], octave: Number(octave) };
}
