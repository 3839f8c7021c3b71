import { asWritten, saveAs } from '@/core/piece';
import { FILE_FORMATS, type FileFormat } from '@/core/base';
import { bytesOf, musicXml } from './build-piece';
import { DEMO_FILES } from './demo-pieces';
import { open } from './open';

/** A small generator of numbers with a seed, so that a failure can be had again (mulberry32). */
export function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** The demo pieces in a format. */
export function goodFiles(format: FileFormat): readonly Uint8Array[] {
  return DEMO_FILES.map(({ text }) => {
    const piece = open(text);
    const { content } = saveAs(piece, asWritten(piece), format);
    return typeof content === 'string' ? bytesOf(content) : content;
  });
}

/** So many good files, each cut, overwritten, shortened or doubled somewhere. */
export function mutilatedFiles(count: number): readonly Uint8Array[] {
  const inFormats = FILE_FORMATS.map(goodFiles);
  const sources = DEMO_FILES.flatMap((_, i) => inFormats.map((files) => files[i] as Uint8Array));
  return Array.from({ length: count }, (_, seed) => {
    const random = numbers(seed);
    return mutilated(sources[Math.floor(random() * sources.length)] as Uint8Array, random);
  });
}

export function mutilated(bytes: Uint8Array, random: () => number): Uint8Array {
  const place = (): number => Math.floor(random() * bytes.length);
  switch (Math.floor(random() * 4)) {
    case 0:
      return bytes.slice(0, place());
    case 1: {
      const copy = bytes.slice();
      for (let i = 0; i < 12; i += 1) copy[place()] = Math.floor(random() * 256);
      return copy;
    }
    case 2: {
      const [from, to] = [place(), place()].sort((a, b) => a - b) as [number, number];
      return Uint8Array.from([...bytes.slice(0, from), ...bytes.slice(to)]);
    }
    default: {
      const [from, to] = [place(), place()].sort((a, b) => a - b) as [number, number];
      return Uint8Array.from([...bytes.slice(0, to), ...bytes.slice(from)]);
    }
  }
}

const LENGTHS = { w: 8, h: 4, q: 2, e: 1 } as const;

/** A valid piece of one to eight bars that no one would compose, the same for the same seed. */
export function generatedPiece(seed: number): string {
  const random = numbers(seed + 1000);
  const pick = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)] as T;
  const bar = (octaves: readonly number[]): string => {
    const notes: string[] = [];
    let left = 8;
    while (left > 0) {
      const length = pick((['w', 'h', 'q', 'e'] as const).filter((value) => LENGTHS[value] <= left));
      const pitch = (): string =>
        `${pick(['C', 'D', 'E', 'F', 'G', 'A', 'B'])}${pick(['', '', '', '#', 'b', '##', 'bb'])}${pick(octaves)}`;
      notes.push(
        random() < 0.15
          ? `R${length}`
          : `${random() < 0.2 ? `${pitch()}+${pitch()}` : pitch()}${length}${random() < 0.5 ? `/${pick([1, 2, 3, 4, 5])}` : ''}${random() < 0.2 ? '~' : ''}`,
      );
      left -= LENGTHS[length];
    }
    return notes.join(' ');
  };
  const bars = 1 + Math.floor(random() * 8);
  const line = (octaves: readonly number[]): string => Array.from({ length: bars }, () => bar(octaves)).join(' | ');
  return musicXml({
    right: line([4, 5, 6]),
    left: line([2, 3]),
    fifths: Math.floor(random() * 15) - 7,
    mode: pick(['major', 'minor', 'dorian']),
  });
}
