// Writes the demo studio's tunes as MusicXML 4.0 into public/demo, with an index for the application.
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { readLine } from './notation.mjs';
import { STUDIO, TUNES } from './tunes.mjs';

const TARGET = join(import.meta.dirname, '../../public/demo');
const FIFTHS = { C: 0, G: 1, D: 2, F: -1, Am: 0, Em: 1, Dm: -1 };
const SHARPS = ['F', 'C', 'G', 'D', 'A', 'E', 'B'];
const SIGNS = { '-2': 'flat-flat', '-1': 'flat', 0: 'natural', 1: 'sharp', 2: 'double-sharp' };
const MIDDLE = { right: 34, left: 22 };

const signatureAlter = (fifths, step) =>
  fifths > 0 ? Number(SHARPS.slice(0, fifths).includes(step)) : -Number(SHARPS.slice(7 + fifths).includes(step));
const place = ({ step, octave }) => 'CDEFGAB'.indexOf(step) + 7 * octave;
const escape = (text) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');

/** The sign of a note by the bar rule, with a courtesy sign where the bar before altered it. */
function signOf(pitch, state) {
  const line = `${pitch.step}${pitch.octave}`;
  const holding = state.bar.get(line) ?? signatureAlter(state.fifths, pitch.step);
  const isFirst = !state.bar.has(line);
  state.bar.set(line, pitch.alter);
  if (pitch.alter !== holding) return `<accidental>${SIGNS[pitch.alter]}</accidental>`;
  const before = state.before.get(line);
  const isOwed =
    isFirst && before !== undefined && before !== pitch.alter && before !== signatureAlter(state.fifths, pitch.step);
  return isOwed ? `<accidental cautionary="yes" parentheses="yes">${SIGNS[pitch.alter]}</accidental>` : '';
}

function notations(event, i, hand, state) {
  const finger = event.fingers[i];
  const side = hand === 'right' ? 'above' : 'below';
  const first = i === 0;
  // Slurs of the two hands overlap, so each hand has a number of its own.
  const number = hand === 'right' ? 1 : 2;
  const parts = [
    state.tieOpen ? '<tied type="stop"/>' : '',
    event.tied ? '<tied type="start"/>' : '',
    first && event.slurStops ? `<slur type="stop" number="${number}"/>` : '',
    first && event.slurStarts ? `<slur type="start" number="${number}" placement="${side}"/>` : '',
    finger ? `<technical><fingering placement="${side}">${finger}</fingering></technical>` : '',
    first && event.staccato ? '<articulations><staccato/></articulations>' : '',
    first && event.fermata ? '<fermata type="upright"/>' : '',
  ].join('');
  return parts === '' ? '' : `<notations>${parts}</notations>`;
}

function stemOf(event, hand) {
  if (event.type === 'whole') return '';
  const places = event.pitches.map(place);
  const farthest = Math.max(...places) - MIDDLE[hand] > MIDDLE[hand] - Math.min(...places);
  return `<stem>${farthest || Math.min(...places) >= MIDDLE[hand] ? 'down' : 'up'}</stem>`;
}

function noteXml(event, hand, state, lyric) {
  const voice = hand === 'right' ? 1 : 5;
  const staff = hand === 'right' ? 1 : 2;
  const length = `<duration>${event.duration}</duration>`;
  const shape = `<voice>${voice}</voice><type>${event.type}</type>${event.dotted ? '<dot/>' : ''}`;
  if (event.pitches.length === 0) {
    const isWhole = event.duration === state.barLength;
    const rest = isWhole ? `<rest measure="yes"/>${length}<voice>${voice}</voice>` : `<rest/>${length}${shape}`;
    return `      <note>${rest}<staff>${staff}</staff></note>\n`;
  }
  const lines = event.pitches.map((pitch, i) => {
    const alter = pitch.alter ? `<alter>${pitch.alter}</alter>` : '';
    const ties = `${state.tieOpen ? '<tie type="stop"/>' : ''}${event.tied ? '<tie type="start"/>' : ''}`;
    const sign = state.tieOpen ? '' : signOf(pitch, state);
    return (
      `      <note>${i > 0 ? '<chord/>' : ''}<pitch><step>${pitch.step}</step>${alter}<octave>${pitch.octave}</octave></pitch>` +
      `${length}${ties}${shape}${sign}${stemOf(event, hand)}<staff>${staff}</staff>` +
      `${notations(event, i, hand, state)}${i === 0 ? lyric : ''}</note>\n`
    );
  });
  state.tieOpen = event.tied;
  return lines.join('');
}

function markXml(mark, staff) {
  const wrap = (inside, sound = '') =>
    `      <direction placement="below"><direction-type>${inside}</direction-type><staff>${staff}</staff>${sound}</direction>\n`;
  if (mark.startsWith('key ')) return '';
  if (mark === '<') return wrap('<wedge type="crescendo" number="1"/>');
  if (mark === '>') return wrap('<wedge type="diminuendo" number="1"/>');
  if (mark === '!') return wrap('<wedge type="stop" number="1"/>');
  if (/^(p+|f+|m[pf])$/.test(mark)) return wrap(`<dynamics><${mark}/></dynamics>`);
  return `      <direction placement="above"><direction-type><words font-style="italic">${mark}</words></direction-type><staff>${staff}</staff></direction>\n`;
}

function lyricSource(words) {
  const syllables = (words ?? '').split(/\s+/).filter(Boolean);
  let inWord = false;
  return () => {
    const text = syllables.shift();
    if (text === undefined) return '';
    const continues = text.endsWith('-');
    const syllabic = inWord ? (continues ? 'middle' : 'end') : continues ? 'begin' : 'single';
    inWord = continues;
    return `<lyric number="1"><syllabic>${syllabic}</syllabic><text>${escape(text.replace(/-$/, ''))}</text></lyric>`;
  };
}

function compose(tune) {
  const right = readLine(tune.right);
  const left = readLine(tune.left);
  if (right.length !== left.length) throw new Error(`${tune.id}: ${right.length} and ${left.length} bars`);
  const [beats, beatType] = tune.meter.split('/').map(Number);
  const barLength = (beats * 8) / beatType;
  const pickup = (tune.pickup ?? 0) * 2;
  const lyric = lyricSource(tune.words);
  const states = ['right', 'left'].map(() => ({
    fifths: FIFTHS[tune.key],
    bar: new Map(),
    before: new Map(),
    tieOpen: false,
    barLength,
  }));

  const bars = right.map((_, index) => {
    const expected =
      pickup && index === 0 ? pickup : pickup && index === right.length - 1 ? barLength - pickup : barLength;
    const keyMark = right[index].find(({ mark }) => mark?.startsWith('key '));
    const hands = [right[index], left[index]].map((events, staffIndex) => {
      const hand = staffIndex === 0 ? 'right' : 'left';
      const state = states[staffIndex];
      state.before = state.bar;
      state.bar = new Map();
      if (keyMark) state.fifths = FIFTHS[keyMark.mark.slice(4)];
      const length = events.reduce((sum, event) => sum + (event.duration ?? 0), 0);
      if (length !== expected) throw new Error(`${tune.id} bar ${index}: ${hand} hand is ${length}, not ${expected}`);
      return events
        .map((event) =>
          event.mark === undefined
            ? noteXml(event, hand, state, hand === 'right' && event.pitches.length ? lyric() : '')
            : markXml(event.mark, staffIndex + 1),
        )
        .join('');
    });
    const mode = tune.key.endsWith('m') ? 'minor' : 'major';
    const attributes =
      index === 0
        ? `      <attributes><divisions>2</divisions><key><fifths>${FIFTHS[tune.key]}</fifths><mode>${mode}</mode></key><time><beats>${beats}</beats><beat-type>${beatType}</beat-type></time><staves>2</staves><clef number="1"><sign>G</sign><line>2</line></clef><clef number="2"><sign>F</sign><line>4</line></clef></attributes>\n` +
          `      <direction placement="above"><direction-type><metronome><beat-unit>quarter</beat-unit><per-minute>${tune.tempo}</per-minute></metronome></direction-type><staff>1</staff><sound tempo="${tune.tempo}"/></direction>\n`
        : keyMark
          ? `      <attributes><key><fifths>${FIFTHS[keyMark.mark.slice(4)]}</fifths><mode>major</mode></key></attributes>\n`
          : '';
    const number = pickup ? index : index + 1;
    const implicit = pickup && index === 0 ? ' implicit="yes"' : '';
    const barline =
      index === right.length - 1
        ? '      <barline location="right"><bar-style>light-heavy</bar-style></barline>\n'
        : right[index + 1]?.some(({ mark }) => mark?.startsWith('key '))
          ? '      <barline location="right"><bar-style>light-light</bar-style></barline>\n'
          : '';
    return `    <measure number="${number}"${implicit}>\n${attributes}${hands[0]}      <backup><duration>${expected}</duration></backup>\n${hands[1]}${barline}    </measure>\n`;
  });

  return `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">
<score-partwise version="4.0">
  <work><work-title>${escape(tune.title)}</work-title></work>
  <identification>
    <creator type="composer">${STUDIO}</creator>
    <rights>Composed for the demo studio of New Thumb</rights>
    <miscellaneous><miscellaneous-field name="shows">${escape(tune.shows)}</miscellaneous-field></miscellaneous>
  </identification>
  <part-list>
    <score-part id="P1"><part-name>Piano</part-name></score-part>
  </part-list>
  <part id="P1">
${bars.join('')}  </part>
</score-partwise>
`;
}

mkdirSync(TARGET, { recursive: true });
for (const tune of TUNES) writeFileSync(join(TARGET, `${tune.id}.musicxml`), compose(tune));
const index = { studio: STUDIO, pieces: TUNES.map(({ id, shows }) => ({ id, shows })) };
writeFileSync(join(TARGET, 'index.json'), `${JSON.stringify(index, null, 2)}\n`);
console.log(`${TUNES.length} tunes written`);
