import { describe, expect, it } from '@jest/globals';
import { musicXml, type PieceText } from '../../../tests/support/build-piece';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { moved, open } from '../../../tests/support/open';
import { USUAL_PLAYER } from '../fingering';
import { asWritten } from '../piece';
import { handNotes, type HandNote, type Part } from '../score';
import { stageNotes } from './stage-notes';
import {
  NO_HABIT,
  NO_SET,
  arrange,
  ownStage,
  readBars,
  stageId,
  stageRow,
  stageScore,
  stagesOf,
  subjectOf,
  wayTo,
  type OwnStage,
  type Stage,
} from './index';

const proposed = (text: string, key?: string): readonly Stage[] => {
  const piece = open(text);
  return stagesOf(piece, key === undefined ? asWritten(piece) : moved(piece, key, { fingering: 'plan' })).proposed;
};
const ids = (stages: readonly Stage[]): readonly string[] => stages.map(({ name }) => stageId(name));

/** Eight bars of parallel hands in which only bars 3 and 7 have different fingers at one moment. */
const BARS = (text: Partial<Record<number, string>>, usual: string): string =>
  Array.from({ length: 8 }, (_, i) => text[i + 1] ?? usual).join(' | ');
const APART: PieceText = {
  right: BARS({}, 'E4h/3 E4h/3'),
  left: BARS({ 3: 'E3h/3 C3h/5', 7: 'E3h/3 C3h/5' }, 'E3h/3 E3h/3'),
  mode: 'major',
};

describe('the order that is proposed', () => {
  it('begins with what is hardest: bars 3 and 7, where both hands have different fingers', () => {
    const [first, ...rest] = proposed(musicXml(APART));
    expect(first).toMatchObject({ name: { kind: 'different-fingers' }, why: { bars: ['3', '7'] }, bars: [2, 6] });
    expect(ids(rest)).toEqual(['right-alone', 'left-alone', 'line-1', 'line-2', 'whole']);
  });

  it('has nothing that changes nothing: one hand in four bars is the whole piece', () => {
    expect(ids(proposed(musicXml({ right: 'C4q/1 D4q/2 E4h/3 | C4w/1', mode: 'major' })))).toEqual(['whole']);
  });

  it('has no drill of nearly all bars: that is the piece', () => {
    expect(ids(proposed(demoFile('lantern-walk')))).not.toContain('different-fingers');
  });

  it('is another in another key: what black keys change there is drilled there', () => {
    const landings = (key: string) =>
      ids(proposed(demoFile('mill-wheel'), key)).filter((id) => id.startsWith('landing'));
    expect([landings('F').length, landings('Bb').length]).toEqual([2, 3]);
  });

  it('drills the bars with other fingers than those that are known', () => {
    const scale = musicXml({
      right: `C4q/1 D4q/2 E4q/3 F4q/1 | G4q/2 A4q/3 B4q/4 C5q/5 | Rw | Rw${' | C4q/1 D4q/2 C4h/1'.repeat(8)}`,
      mode: 'major',
    });
    expect(ids(proposed(scale))).not.toContain('other-fingers');
    expect(proposed(scale, 'F').find(({ name }) => name.kind === 'other-fingers')?.why).toMatchObject({
      bars: expect.arrayContaining(['1', '2']) as unknown,
    });
  });

  it('gives a leap by octave its landings first, then the tune in one place, then the whole', () => {
    const order = ids(proposed(demoFile('echo-well')));
    expect(order.slice(0, 3)).toEqual(['landing-1', 'landing-2', 'landing-3']);
    expect(order.indexOf('one-place')).toBeGreaterThan(order.indexOf('right-alone'));
    expect(order.at(-1)).toBe('whole');
  });

  it('says of each what is easier', () => {
    const stages = proposed(demoFile('mill-wheel'));
    const easier = (id: string) => stages.find(({ name }) => stageId(name) === id)?.easier;
    expect(easier('beats')).toEqual(expect.arrayContaining(['right-hand', 'broken-octaves', 'together']));
    expect(easier('blocked')).toContain('broken-octaves');
    expect(easier('whole')).toEqual([]);
  });
});

/** As docs/stages.md has them, with why each is right. */
const DEFENDED: Readonly<Record<string, string>> = {
  'bridge-to-the-other-bank': 'landing-1 landing-2 right-alone left-alone line-3 line-1 line-2 line-4 whole',
  'cat-on-the-landing': 'right-alone left-alone line-1 line-2 whole',
  'echo-well': 'landing-1 landing-2 landing-3 right-alone left-alone one-place line-2 line-1 whole',
  'fog-over-the-sluice': 'right-alone left-alone line-2 line-1 whole',
  'harbour-stairs': 'right-alone left-alone line-1 line-2 whole',
  'lantern-walk': 'right-alone left-alone line-1 line-2 whole',
  'market-chords': 'flagged right-alone left-alone roots line-1 line-2 whole',
  'mill-wheel': 'landing-1 landing-2 beats left-alone right-alone tapping beats-together blocked line-1 line-2 whole',
  'night-baker': 'right-alone left-alone line-1 line-2 whole',
  'slow-ferris': 'right-alone left-alone line-1 line-2 whole',
  'the-sixth-step': 'landing-2 landing-1 flagged right-alone left-alone line-1 line-2 whole',
  'two-boats': 'flagged different-fingers right-alone left-alone tapping line-2 line-1 whole',
};

describe('the orders of the demo pieces', () => {
  it.each(Object.entries(DEFENDED))('%s: as a teacher would defend it', (id, order) => {
    expect(ids(proposed(demoFile(id))).join(' ')).toBe(order);
  });
});

describe('a teacher’s order', () => {
  const all = proposed(demoFile('mill-wheel'));
  const arranged = (set: Partial<typeof NO_SET>, habit: Partial<typeof NO_HABIT> = {}, own: readonly Stage[] = []) =>
    ids(arrange({ proposed: all, others: [], own }, { ...NO_SET, ...set }, { ...NO_HABIT, ...habit }));

  it('goes before the one that is proposed; what is not named stays behind what it stood behind', () => {
    const before = ids(all);
    const order = ['whole', 'right-alone'];
    const after = arranged({ order });
    expect(after.filter((id) => order.includes(id))).toEqual(order);
    expect(after).toHaveLength(before.length);
    expect(after[after.indexOf('right-alone') + 1]).toBe(before[before.indexOf('right-alone') + 1]);
  });

  it('leaves out what is not wanted, for this piece or, by kind, for all; the whole always stays', () => {
    expect(arranged({ left: ['blocked', 'whole'] })).not.toContain('blocked');
    expect(arranged({ left: ['blocked', 'whole'] })).toContain('whole');
    const withoutLines = arranged({}, { left: ['line'] });
    expect(withoutLines.filter((id) => id.startsWith('line'))).toEqual([]);
    expect(arranged({}, { order: ['line', 'landing'] }).slice(0, 2)).toEqual(['line-1', 'line-2']);
  });
});

describe('an own stage', () => {
  const OWN: OwnStage = {
    id: 'mine',
    title: 'Bars 3 and 7, left hand',
    words: '',
    hand: 'left',
    bars: [
      { bar: '3', note: 'n9' },
      { bar: '7', note: 'gone' },
      { bar: '12', note: null },
    ],
    easings: [],
  };
  const subject = (text: PieceText) => {
    const piece = open(musicXml(text));
    return subjectOf(piece, asWritten(piece));
  };

  it('finds its bars by the notes that they had, else by number, and says which are gone', () => {
    const { stage, lost } = ownStage(subject(APART), OWN);
    expect(stage.bars).toEqual([2, 6]);
    expect(stage.hands).toEqual(['left']);
    expect(lost).toEqual(['12']);
  });

  it.each([
    ['3-4, 7', ['3', '4', '7']],
    ['7; 3', ['3', '7']],
    ['2–3', ['2', '3']],
    ['5', ['5']],
  ])('reads the bars “%s”', (text, expected) => {
    expect((readBars(subject(APART), text) as readonly { bar: string }[]).map(({ bar }) => bar)).toEqual(expected);
  });

  it.each(['9', '4-3', 'x', '3-'])('reads no bars in “%s”', (text) => {
    expect(readBars(subject(APART), text)).toBeNull();
  });

  it('means all bars where none is named', () => expect(readBars(subject(APART), ' ')).toBe('all'));
});

describe('the way to the whole piece', () => {
  const stages = [
    { id: 'right-alone', difficulties: ['keys', 'right-hand', 'length'], keys: ['C', 'D'] },
    { id: 'left-alone', difficulties: ['keys', 'left-hand', 'chords', 'length'], keys: ['C', 'D'] },
    { id: 'roots', difficulties: ['keys', 'left-hand', 'right-hand', 'together', 'length'], keys: ['C', 'D'] },
    {
      id: 'whole',
      difficulties: ['keys', 'left-hand', 'right-hand', 'together', 'chords', 'length'],
      keys: ['C', 'D'],
    },
  ] as const;

  it('brings one new thing a step, in the key that is known, and the new key at last', () => {
    const way = wayTo({ stages, known: ['C'], level: 2, wanted: 'D', home: 'C' });
    expect(way?.every(({ news }) => news.length <= 2)).toBe(true);
    expect(way?.at(-1)).toMatchObject({ stage: 'whole', key: 'D' });
    expect(way?.filter(({ key }) => key === 'D')).toHaveLength(1);
  });

  it('is shorter for a hand that does more', () => {
    const length = (level: 1 | 4) => wayTo({ stages, known: ['C', 'D'], level, wanted: 'D', home: 'C' })?.length ?? 0;
    expect(length(4)).toBeLessThanOrEqual(length(1));
  });

  it('needs no key on the closed lid, and only there', () => {
    const piece = open(demoFile('mill-wheel'));
    const { proposed } = stagesOf(piece, asWritten(piece));
    const rows = proposed.map((stage) => stageRow(piece, stage, USUAL_PLAYER));
    expect(rows.filter(({ needsKey }) => !needsKey).map(({ id }) => id)).toEqual(['tapping']);
  });

  it('does not count the key as new where none is needed', () => {
    const lid = {
      id: 'tapping',
      difficulties: ['right-hand', 'left-hand', 'together', 'length'],
      keys: ['C', 'D'],
    } as const;
    const way = wayTo({ stages: [lid, ...stages], known: [], level: 2, wanted: 'D', home: 'C' });
    expect(way?.find(({ stage }) => stage === 'tapping')?.news).not.toContain('key');
    expect(way?.flatMap(({ news }) => news).filter((one) => one === 'key')).toHaveLength(1);
  });

  it('is none where the whole cannot be played in the key', () => {
    const shut = stages.map((stage) => (stage.id === 'whole' ? { ...stage, keys: ['C'] } : stage));
    expect(wayTo({ stages: shut, known: ['C'], level: 4, wanted: 'D', home: 'C' })).toBeNull();
  });
});

describe('what is told of a stage', () => {
  it.each(DEMO_FILES.map(({ id, text }) => [id, text] as const))(
    '%s: rests on the very notes that the stage has as a score',
    (_id, text) => {
      const piece = open(text);
      const version = asWritten(piece);
      const said = (notes: readonly HandNote[]): readonly string[] =>
        notes
          .map(({ id, bar, beat, midi, duration, tieStop, finger }) =>
            [id, bar, beat, midi, duration, tieStop, finger].join(),
          )
          .toSorted();
      const { proposed: first, others } = stagesOf(piece, version);
      for (const { name, transformations } of [...first, ...others]) {
        const { score } = stageScore(version.score, { partId: piece.part.id, courtesy: 'bar' }, transformations);
        const told = stageNotes(version.notes, piece.part, score.ticksPerQuarter, transformations);
        const written = handNotes(score.parts[0] as Part, score.ticksPerQuarter);
        expect([stageId(name), ...said(withBeats(told, piece.part, score.ticksPerQuarter))]).toEqual([
          stageId(name),
          ...said(written),
        ]);
      }
    },
  );
});

/** Notes that were moved in time, with the beats on which they are then. */
function withBeats(notes: readonly HandNote[], part: Part, ticksPerQuarter: number): readonly HandNote[] {
  return notes.map((note) => {
    const { meter, lead } = part.measures[note.barIndex] as Part['measures'][number];
    return { ...note, beat: 1 + ((note.item.onset + lead) * meter.beatType) / (4 * ticksPerQuarter) };
  });
}
