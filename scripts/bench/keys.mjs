import { exampleTunes } from './example-tunes.mjs';

/** How often the key of an example tune is found as its own `K:` line says, tonic and mode. */
export async function measureKeys() {
  const examples = await exampleTunes();
  if (!examples) return [['not measured', 'install Debian’s abcm2ps and abcmidi for their example tunes']];
  const { openPiece } = await import('../../src/core/piece/index.ts');
  const { rankKeysOf } = await import('../../src/core/transpose/index.ts');
  const { firstSignature } = await import('../../src/core/score/index.ts');
  const { keyText, pitchClass } = await import('../../src/core/pitch/index.ts');
  const misses = { signature: [], notes: [] };
  const isSame = (found, said) => pitchClass(found.tonic) === pitchClass(said.tonic) && found.mode === said.mode;
  for (const { name, tune, key } of examples.tunes) {
    const piece = openPiece(tune, { format: 'abc', key: null, part: null });
    if (!piece.ok) {
      misses.signature.push(`${name} (${piece.error.code})`);
      misses.notes.push(`${name} (${piece.error.code})`);
      continue;
    }
    const ask = (signature) => rankKeysOf(piece.value.notes, signature, null)[0]?.key;
    for (const [way, found] of [
      ['signature', ask(firstSignature(piece.value.part).fifths)],
      ['notes', ask(null)],
    ]) {
      if (!found || !isSame(found, key))
        misses[way].push(`${name} is ${keyText(key)}, found ${found ? keyText(found) : 'nothing'}`);
    }
  }
  const count = examples.tunes.length;
  const share = (missed) =>
    `${count - missed.length} of ${count}, ${((100 * (count - missed.length)) / count).toFixed(0)} %`;
  return [
    ['tunes (left out beforehand, naming no key)', `${count} (${examples.leftOut}, ${examples.withoutKey})`],
    ['key found with signature and notes (held to 90 %)', share(misses.signature)],
    ...misses.signature.map((miss) => ['  missed', miss]),
    ['key found from notes alone (held to 75 %)', share(misses.notes)],
    ...misses.notes.map((miss) => ['  missed', miss]),
  ];
}
