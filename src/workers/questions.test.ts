import { describe, expect, it } from '@jest/globals';
import type { EngraveLayout } from '@/contract/engraving-questions';
import { layoutName, remembering } from './questions';

describe('remembering', () => {
  it('works the same question out once, also while the answer is on its way', async () => {
    let asked = 0;
    const ask = remembering(async (a: number, b: { readonly c: string }) => {
      asked += 1;
      return `${a}${b.c}`;
    });
    expect(await Promise.all([ask(1, { c: 'x' }), ask(1, { c: 'x' }), ask(1, { c: 'y' })])).toEqual(['1x', '1x', '1y']);
    expect(asked).toBe(2);
  });

  it('tries again what came to grief, and keeps what was refused for a reason', async () => {
    const codes = ['worker.died', 'read.no-notes'].values();
    const ask = remembering(async (what: string) => ({
      ok: false as const,
      trouble: { code: codes.next().value ?? 'asked too often', what },
    }));
    expect((await ask('page')).trouble.code).toBe('worker.died');
    expect((await ask('page')).trouble.code).toBe('read.no-notes');
    expect((await ask('page')).trouble.code).toBe('read.no-notes');
  });

  it('forgets the oldest answers, not those that are asked for again and again', async () => {
    const asked: number[] = [];
    const ask = remembering(async (what: number) => {
      asked.push(what);
      return what;
    });
    await ask(0);
    for (let i = 1; i < 40; i += 1) {
      await ask(i);
      await ask(0);
    }
    expect(asked.filter((what) => what === 0)).toHaveLength(1);
    await ask(1);
    expect(asked.filter((what) => what === 1)).toHaveLength(2);
  });
});

describe('a layout', () => {
  const layout: EngraveLayout = { widthPx: 860, zoom: 40, breaks: 'encoded' };

  it('has one name whether or not it says what is usual: what was engraved ahead is then not engraved again', () => {
    expect(layoutName({ breaks: 'encoded', spread: 'wide', zoom: 40, widthPx: 860 })).toBe(layoutName(layout));
  });

  it.each<Partial<EngraveLayout>>([{ widthPx: 840 }, { zoom: 45 }, { breaks: 'none' }, { spread: 'natural' }])(
    'has another name for another page: %j',
    (change) => {
      expect(layoutName({ ...layout, ...change })).not.toBe(layoutName(layout));
    },
  );
});
