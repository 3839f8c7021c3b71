import { median, timed } from './figures.mjs';

/** How reading, moving and writing grow with the length of a piece, and how long odd files take to be refused. */
export async function measureLongAndOdd() {
  const { asWritten, moveTo, openPiece, saveAs } = await import('../../src/core/piece/index.ts');
  const { parseKey } = await import('../../src/core/pitch/index.ts');
  const { musicXml } = await import('../../tests/support/build-piece.ts');
  const { generatedPiece, mutilatedFiles } = await import('../../tests/support/odd-files.ts');
  const { USUAL } = await import('../../tests/support/open.ts');
  const options = { format: null, key: null, part: null };

  const pieceOf = (bars) => {
    const line = (bar) => Array.from({ length: bars }, () => bar).join(' | ');
    return new TextEncoder().encode(
      musicXml({ right: line('C4q/1 D4q/2 F#4q/4 G4q/5'), left: line('C3h/5 G3h/1'), mode: 'major' }),
    );
  };
  const wayOf = (bytes) => {
    const piece = openPiece(bytes, options).value;
    return saveAs(piece, moveTo(piece, asWritten(piece), { ...USUAL, to: parseKey('Eb', 'major') }).value, 'musicxml');
  };
  const [short, long] = [pieceOf(500), pieceOf(5000)];
  const shortMs = median(timed(3, () => wayOf(short)));
  const longMs = median(timed(3, () => wayOf(long)));

  const abcOf = (bars) =>
    new TextEncoder().encode(
      `X:1\nT:a\nM:4/4\nL:1/4\nK:C\n${Array.from({ length: bars }, (_, i) => ['CDEF', 'GABc', 'cBAG', 'FEDC'][i % 4] + (i % 4 === 3 ? '|\n' : '|')).join('')}`,
    );
  const opening = (bars) => median(timed(5, () => openPiece(abcOf(bars), options)));
  opening(100);
  const abcRatio = opening(400) / opening(100);

  const odd = [
    ...mutilatedFiles(100),
    ...Array.from({ length: 200 }, (_, seed) => new TextEncoder().encode(generatedPiece(seed))),
  ];
  let slowest = 0;
  let most = 0;
  for (const bytes of odd) {
    const heap = process.memoryUsage().heapUsed;
    const start = performance.now();
    openPiece(bytes, options);
    slowest = Math.max(slowest, performance.now() - start);
    most = Math.max(most, process.memoryUsage().heapUsed - heap);
  }
  return [
    ['500 bars read, moved and written', `${shortMs.toFixed(0)} ms`],
    ['5,000 bars', `${longMs.toFixed(0)} ms`],
    ['ratio (held to 12)', (longMs / shortMs).toFixed(1)],
    ['ABC of 400 bars opened, against 100 (held to 5 times)', abcRatio.toFixed(1)],
    ['slowest of 100 mutilated and 200 generated files (held to 1 s)', `${slowest.toFixed(0)} ms`],
    ['most memory one of them took (held to 200 MB)', `${(most / 1024 / 1024).toFixed(0)} MB`],
  ];
}
