import type { AskedMusic } from '@/core/asked';
import { askedIn } from '@/core/piece';
import { ladderKeys } from '@/core/survey';
import { keyText } from '@/core/pitch';
import { DEMO_FILES } from './demo-pieces';
import { moved, open } from './open';
import { chance } from './histories';

const ALL = { hand: 'both', bars: null } as const;

/** Every demo piece in some keys drawn by seed, as a pupil is asked to play it. */
export function demoMusic(
  keysEach: number,
  seed: number,
): readonly { readonly name: string; readonly music: AskedMusic }[] {
  const luck = chance(seed);
  return DEMO_FILES.flatMap(({ id, text }) => {
    const piece = open(text);
    const keys = [...ladderKeys(piece, piece.key.key.mode)];
    return Array.from({ length: keysEach }, () => {
      const [key] = keys.splice(luck.below(keys.length), 1);
      if (!key) throw new Error('too many keys');
      return {
        name: `${id} in ${keyText(key)}`,
        music: askedIn(piece, moved(piece, keyText(key), { fingering: 'plan' }), ALL),
      };
    });
  });
}
