import { it } from '@jest/globals';
import { demoMusic } from '../../../../tests/support/practising';
import { isMeant, mixedPerformance } from '../../../../tests/support/mixed-performances';
import { judgePlaying } from '../judge-playing';
it('x', () => {
  const all = demoMusic(4, 17);
  let named = 0, of = 0, few = 0, n = 0, worst = 0;
  for (let seed = 1; seed <= 210; seed += 1) {
    const mixed = mixedPerformance(seed, all);
    if (!mixed) continue;
    n += 1;
    const t0 = performance.now();
    const { faults, right, written } = judgePlaying(mixed.music, mixed.keys, { strictness: 'usual', bpm: null, countIn: null });
    const ms = performance.now() - t0; worst = Math.max(worst, ms);
    const hit = mixed.meant.map((m) => faults.some((f) => isMeant(mixed.music, m, f)));
    of += hit.length; named += hit.filter(Boolean).length;
    const beside = faults.length - hit.filter(Boolean).length;
    if (beside <= 2) few += 1;
    if (hit.includes(false) || beside > 2)
      console.log(mixed.name, JSON.stringify(mixed.meant), `${right}/${written}`, '\n', faults.map((f) => `${f.kind} ${f.hand} ${f.bar}${f.stretch ? '-' + f.stretch.toBar + ' ' + JSON.stringify(f.stretch.shift) + f.stretch.beats : ''}`).join('; '));
  }
  console.log({ n, of, named, few, worst });
});
