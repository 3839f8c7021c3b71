import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { moved, open } from '../../../tests/support/open';
import { player } from '../../../tests/support/planning';
import {
  demandsOf,
  neutralView,
  passageOf,
  playHand,
  playSlice,
  realView,
  type Fingering,
  type HandPlan,
} from '../fingering';
import { costsByRule, surroundings, type RuleCost } from '../forced';
import type { OpenedPiece, Version } from '../piece';
import { struckNotes } from '../score';
import { signatureLine } from '../notation';
import type { Flag } from './flag';

const SCALE = musicXml({
  right: 'C4q/1 D4q/2 E4q/3 F4q/1 | G4q/2 A4q/3 B4q/4 C5q/5 | B4q/4 A4q/3 G4q/2 F4q/1 | E4q/3 D4q/2 C4h/1',
  mode: 'major',
});
const told = (flags: readonly Flag[]): readonly string[] =>
  flags.map(({ severity, evidence, byBlackKey }) => `${severity} ${evidence.kind}${byBlackKey ? ' by black key' : ''}`);
const kinds = (version: Version, kind: Flag['evidence']['kind']): readonly Flag[] =>
  version.flags.filter(({ evidence }) => evidence.kind === kind);

describe('finger-change', () => {
  it('is one flag a run, with cause, fingers, and what else would do', () => {
    const [change, ...more] = kinds(moved(open(SCALE), 'F', { fingering: 'plan' }), 'finger-change');
    expect(more).toEqual([]);
    expect(change).toMatchObject({
      severity: 'should',
      byBlackKey: true,
      bar: '1',
      evidence: {
        before: [1, 2, 3, 4, 5, 4, 3, 2, 1],
        after: [4, 1, 2, 3, 4, 3, 2, 1, 4],
        cause: 'colour',
        isApplied: true,
      },
    });
  });

  it('is only proposed where fingers are kept', () => {
    const kept = moved(open(SCALE), 'F', { fingering: 'keep' });
    expect(kinds(kept, 'finger-change')[0]?.evidence).toMatchObject({ isApplied: false });
    expect(kept.notes.map(({ finger }) => finger)).toEqual(
      moved(open(SCALE), 'C', { fingering: 'keep' }).notes.map(({ finger }) => finger),
    );
  });

  it('is none where all stays as it is', () => {
    expect(kinds(moved(open(SCALE), 'G', { fingering: 'plan' }), 'finger-change')).toEqual([]);
  });

  it('rests on what a teacher would say: in F the printed fingers put the thumb on B♭, the new ones do not', () => {
    const { costs } = kinds(moved(open(SCALE), 'F', { fingering: 'plan' }), 'finger-change')[0] as Flag;
    const rules = (side: readonly RuleCost[] = []): readonly string[] => side.map(({ rule }) => rule);
    const total = (side: readonly RuleCost[] = []): number => side.reduce((sum, { cost }) => sum + cost, 0);
    expect(rules(costs?.worse)).toContain('thumbBlack');
    expect(rules(costs?.better)).not.toContain('thumbBlack');
    expect(total(costs?.worse)).toBeGreaterThan(total(costs?.better));
  });

  it('keeps its costs, which come out the same when they are worked out again from the flag', () => {
    for (const key of ['F', 'Bb', 'Eb', 'Ab']) {
      const piece = open(SCALE);
      const version = moved(piece, key, { fingering: 'plan' });
      for (const flag of kinds(version, 'finger-change')) {
        const { evidence, costs } = flag;
        if (evidence.kind !== 'finger-change' || !costs) throw new Error('no costs');
        const planned = fingersIn(piece, version);
        const replay = (fingers: readonly (number | null)[]): readonly RuleCost[] => {
          const given = planned.fingering.map((finger, i) => {
            const at = flag.notes.indexOf(planned.lattice.passage.notes[i]?.note.id ?? '');
            return at < 0 ? finger : (fingers[at] as Fingering[number]);
          });
          const events = planned.lattice.passage.events.flatMap(({ struck }, t) =>
            struck.some((i) => flag.notes.includes(planned.lattice.passage.notes[i]?.note.id ?? '')) ? [t] : [],
          );
          const [first, last] = [events[0] as number, events.at(-1) as number];
          const [begin, end] = surroundings(planned, first, last);
          return costsByRule(playSlice(planned.lattice, given, begin, end), first - begin, last - begin);
        };
        expect(replay(evidence.before)).toEqual(costs.worse);
        expect(replay(evidence.after)).toEqual(costs.better);
      }
    }
  });
});

/** The fingers of a version, played on its keys, by way of what a report says of it. */
function fingersIn(piece: OpenedPiece, version: Version): HandPlan {
  const signatures = signatureLine(piece.part);
  const passage = passageOf('right', struckNotes(piece.notes), piece.score.ticksPerQuarter, {
    tonic: piece.key.key.tonic.step,
    alterOf: (note, step) => signatures.alterAt(note.barIndex, note.item.onset, note.item.staff, step),
  });
  const there = new Map(version.notes.map((note) => [note.id, note]));
  const own = passage.notes.map(({ note }) => there.get(note.id) ?? note);
  return playHand(
    passage,
    realView(
      passage,
      own.map(({ midi }) => midi),
    ),
    demandsOf(player()),
    own.map(({ finger }) => finger),
  );
}

describe('flags of fingers on black keys', () => {
  it('keep the cost of the keys: more than the same fingers would cost on white ones', () => {
    const piece = open(musicXml({ right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5', mode: 'major' }));
    const version = moved(piece, 'Bb', { fingering: 'plan' });
    const thumb = kinds(version, 'thumb-on-black')[0] as Flag;
    const plan = fingersIn(piece, version);
    const onWhite = playHand(
      plan.lattice.passage,
      neutralView(plan.lattice.passage),
      plan.lattice.demands,
      plan.fingering,
    );
    expect(thumb.costs).toEqual({
      between: 'keys',
      worse: costsByRule(plan, 0, 0),
      better: costsByRule(onWhite, 0, 0),
    });
    expect(thumb.costs?.worse.map(({ rule }) => rule)).toContain('thumbBlack');
  });
});

describe('limits', () => {
  const chord = musicXml({ right: 'C4+C5w/1/5', left: 'C3w', mode: 'major' });

  it('a chord out of reach is named with all its notes, and offered to the other hand where that is free', () => {
    const [flag] = kinds(moved(open(chord), 'C', { player: player({ spanMm: 150 }) }), 'out-of-reach');
    expect(flag).toMatchObject({
      severity: 'must',
      notes: ['n1', 'n2'],
      evidence: { needsMm: 165, spanMm: 150, canShare: false },
    });
    const free = musicXml({ right: 'C4+C5w/1/5', left: 'B3h Rh', mode: 'major' });
    expect(
      kinds(moved(open(free), 'C', { player: player({ spanMm: 150 }) }), 'out-of-reach')[0]?.evidence,
    ).toMatchObject({ canShare: true });
  });

  it('a new position is a must at level 1, and nothing at level 2 in a rest', () => {
    const piece = open(musicXml({ right: 'C4q/1 D4q/2 E4q/3 Rq | C5q/1 D5q/2 E5h/3', mode: 'major' }));
    expect(told(moved(piece, 'C', { player: player({ level: 1 }) }).flags)).toEqual(['must position-change']);
    expect(told(moved(piece, 'C', { player: player({ level: 2 }) }).flags)).toEqual([]);
  });

  it('a chord wider than the level’s hand is a must, and only to be known where the level has it', () => {
    const piece = open(chord);
    expect(told(moved(piece, 'C', { player: player({ level: 2 }) }).flags)).toEqual(['must extension']);
    expect(told(moved(piece, 'C').flags)).toEqual(['watch extension']);
  });
});

describe('hop and crossing', () => {
  it('one finger on two letters running is better otherwise in a line, and excused where notes are detached', () => {
    expect(kinds(moved(open(musicXml({ right: 'C4q/1 D4q/1 E4h/2', mode: 'major' })), 'C'), 'hop')).toMatchObject([
      { severity: 'should', notes: ['n1', 'n2'] },
    ]);
    expect(kinds(moved(open(musicXml({ right: "C4q/1' D4q/1 E4h/2", mode: 'major' })), 'C'), 'hop')).toEqual([]);
  });

  it('between chords it is only to be known, and nothing over a held common tone', () => {
    expect(
      kinds(moved(open(musicXml({ right: 'C4+E4q/1/3 D4+F4q/1/3 E4h/2', mode: 'major' })), 'C'), 'hop'),
    ).toMatchObject([{ severity: 'watch' }]);
    expect(kinds(moved(open(musicXml({ right: 'C4+E4q/1/3 C4+F4q/1/3 E4h/2', mode: 'major' })), 'C'), 'hop')).toEqual(
      [],
    );
  });

  it('a thumb that goes under is told once for each finger and key', () => {
    expect(
      kinds(moved(open(SCALE), 'C', { fingering: 'plan' }), 'crossing').map(({ evidence }) => evidence),
    ).toMatchObject([
      { technique: 'thumb-under', finger: 1 },
      { technique: 'finger-over', finger: 3 },
    ]);
  });
});
