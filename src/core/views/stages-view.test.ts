import { describe, expect, it } from '@jest/globals';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { moved, open } from '../../../tests/support/open';
import { SAYS } from '../../../tests/support/usual-words';
import { keyText } from '../pitch';
import { ladderKeys } from '../survey';
import { NO_HABIT, NO_SET, type OwnStage } from '../stages';
import { stagesView, type StagesKept } from './stages-view';

const PIECE = open(demoFile('mill-wheel'));
const NOTHING: StagesKept = { set: NO_SET, habit: NO_HABIT, own: [], fingers: [] };
const viewIn = (key: string, kept: Partial<StagesKept> = {}) =>
  stagesView(SAYS, PIECE, moved(PIECE, key, { fingering: 'plan' }), { ...NOTHING, ...kept });
const WALL: OwnStage = {
  id: 'wall',
  title: 'The wall',
  words: 'for Tuesday',
  hand: 'left',
  bars: [{ bar: '2', note: PIECE.notes.find(({ bar, hand }) => bar === '2' && hand === 'left')?.id ?? '' }],
  easings: ['blocked'],
};

describe('stagesView', () => {
  it('says of each stage in one line what is easier now and what comes back next', () => {
    const beats = viewIn('F').stages.find(({ id }) => id === 'beats');
    expect(beats?.line).toBe(
      'Easier now: no right hand, no broken octaves and the hands stay. Next: Left hand alone, with broken octaves and moves of the hand.',
    );
    expect(viewIn('F').stages.at(-1)?.line).toBe('Nothing is left out.');
  });

  it('shows what is left out in the whole, unless notes stand elsewhere', () => {
    const { stages } = viewIn('D');
    const leftOut = (id: string) => stages.find((stage) => stage.id === id)?.leftOut;
    expect(leftOut('right-alone')).toHaveLength(30);
    expect(leftOut('blocked')).toBeNull();
    expect(leftOut('tapping')).toBeNull();
  });

  it('has the teacher’s own stages, in their words, in every key', () => {
    for (const key of ['F', 'D', 'Gb']) {
      const own = viewIn(key, { own: [WALL] }).stages.at(-2);
      expect(own).toMatchObject({ id: 'wall', title: 'The wall', why: 'for Tuesday', bars: ['2'], hands: ['left'] });
    }
  });

  it('has no two stages of one name', () => {
    for (const { id, text } of DEMO_FILES) {
      const piece = open(text);
      for (const key of ladderKeys(piece, piece.key.key.mode)) {
        const { stages, others } = stagesView(SAYS, piece, moved(piece, keyText(key), { fingering: 'plan' }), NOTHING);
        const titles = [...stages, ...others].map(({ title }) => title);
        expect([id, keyText(key), titles]).toEqual([id, keyText(key), [...new Set(titles)]]);
      }
    }
  });

  it('keeps what is left out at hand, and what could be taken in', () => {
    const view = viewIn('F', { set: { ...NO_SET, left: ['blocked'], added: ['phrase-1'] } });
    expect(view.left.map(({ id }) => id)).toEqual(['blocked']);
    expect(view.stages.map(({ id }) => id)).toContain('phrase-1');
    expect(view.others.map(({ id }) => id)).toContain('blocked-alone');
    expect(view.others.map(({ id }) => id)).not.toContain('phrase-1');
  });

  it('tells where what was changed in a stage is not in it any more', () => {
    const right = PIECE.notes.find(({ hand }) => hand === 'right')?.id ?? '';
    const left = PIECE.notes.find(({ hand }) => hand === 'left')?.id ?? '';
    const fingers = [right, left].map((note) => ({ stage: 'beats', key: null, note, finger: 4 as const }));
    const elsewhere = { stage: 'beats', key: 'D-major', note: right, finger: 5 as const };
    const gone = { ...WALL, bars: [{ bar: '40', note: 'nowhere' }] };
    const { stages } = viewIn('F', { fingers: [...fingers, elsewhere], own: [gone] });
    expect(stages.find(({ id }) => id === 'beats')?.misfits).toEqual([
      { words: 'A note that was given 4 here is not in this stage any more.', note: right },
    ]);
    expect(stages.find(({ id }) => id === 'wall')?.misfits).toEqual([
      { words: 'Bar 40 is not in the piece any more.', note: null },
    ]);
  });
});
