import { parseMidi, writeMidi } from 'midi-file';
import { exampleTunes } from './example-tunes.mjs';

/** How many notes of the example tunes are spelled as written, once they went through MIDI without a key signature. */
export async function measureSpelling() {
  const examples = await exampleTunes();
  if (!examples) return [['not measured', 'install Debian’s abcm2ps and abcmidi for their example tunes']];
  const { openPiece, asWritten, saveAs } = await import('../../src/core/piece/index.ts');
  const { fifthsOf, nameText, parseName } = await import('../../src/core/pitch/index.ts');
  const { struckNotes } = await import('../../src/core/score/index.ts');
  let notes = 0;
  let right = 0;
  let rightTurned = 0;
  const worst = [];
  for (const { name, tune } of examples.tunes) {
    const piece = openPiece(tune, { format: 'abc', key: null, part: null });
    if (!piece.ok) continue;
    const midi = withoutKeys(saveAs(piece.value, asWritten(piece.value), 'midi').content);
    const back = openPiece(midi, { format: 'midi', key: null, part: null });
    if (!back.ok) continue;
    const told = (opened) =>
      struckNotes(opened.notes)
        .filter(({ isGrace }) => !isGrace)
        .map(({ midi: key, onset, pitch }) => ({
          place: `${Math.round((24 * onset) / opened.score.ticksPerQuarter)}/${key}`,
          name: nameText(pitch),
        }));
    const heard = new Map(told(back.value).map(({ place, name: spelled }) => [place, spelled]));
    const pairs = told(piece.value).filter(({ place }) => heard.has(place));
    const wrong = pairs.filter(({ place, name: spelled }) => heard.get(place) !== spelled);
    const isTurned = (turn) =>
      pairs.filter(
        ({ place, name: spelled }) => fifthsOf(parseName(heard.get(place))) - fifthsOf(parseName(spelled)) === turn,
      ).length;
    rightTurned += Math.max(isTurned(0), isTurned(12), isTurned(-12));
    notes += pairs.length;
    right += pairs.length - wrong.length;
    if (wrong.length > 0) worst.push({ name, count: wrong.length, of: pairs.length });
  }
  worst.sort((a, b) => b.count - a.count);
  return [
    ['notes spelled as written (held to 98 %)', `${right} of ${notes}, ${((100 * right) / notes).toFixed(1)} %`],
    ['the same, a whole tune turned enharmonically not counted', `${((100 * rightTurned) / notes).toFixed(1)} %`],
    ...worst.slice(0, 12).map(({ name, count, of }) => [`  ${name}`, `${count} of ${of} otherwise`]),
  ];
}

function withoutKeys(bytes) {
  const { header, tracks } = parseMidi(bytes);
  const kept = tracks.map((track) => {
    let waiting = 0;
    return track.flatMap((event) => {
      waiting += event.deltaTime;
      if (event.type === 'keySignature') return [];
      const moved = { ...event, deltaTime: waiting };
      waiting = 0;
      return [moved];
    });
  });
  return Uint8Array.from(writeMidi({ header, tracks: kept }));
}
