import { describe, expect, it } from '@jest/globals';
import { keyText } from '@/core/pitch';
import { readQuery } from '@/features/shared/address/use-query';
import { SHAPE } from './atlas-address';

const atlas = (said: string) => readQuery(SHAPE, new URLSearchParams(said));

describe('the address of the Atlas', () => {
  it('holds the part, the key and what it is compared with', () => {
    const { part, key, from, order } = atlas('part=cards&key=Eb-minor&from=G-major&order=shape');
    expect([part, keyText(key), keyText(from), order]).toEqual(['cards', 'Eb-minor', 'G-major', 'shape']);
  });

  it('holds a drill: its keys in order, rhythm and hands', () => {
    expect(atlas('part=drills&drill=skips&rhythm=lilt&hands=left&keys=D-major,A-minor,D-major')).toMatchObject({
      drill: 'skips',
      rhythm: 'lilt',
      hands: 'left',
      keys: ['D-major', 'A-minor'],
    });
  });

  it('begins with positions of D against C, five fingers in quarters for both hands, and the first game', () => {
    const bare = atlas('');
    expect(bare).toMatchObject({
      part: 'positions',
      order: 'ease',
      drill: 'five-fingers',
      rhythm: 'quarters',
      hands: 'both',
      keys: [],
      game: 'all-of',
      pupil: null,
    });
    expect([keyText(bare.key), keyText(bare.from)]).toEqual(['D-major', 'C-major']);
  });

  it.each(['key=D-dorian', 'key=H-major', 'key=', 'key=G%23-major'])('%s falls back to D', (said) =>
    expect(keyText(atlas(said).key)).toBe('D-major'),
  );

  it('takes no more keys than there are', () =>
    expect(atlas(`keys=${Array.from({ length: 31 }, () => 'C-major').join()}`).keys).toEqual([]));
});
