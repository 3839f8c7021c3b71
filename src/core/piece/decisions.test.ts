import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { demoFile } from '../../../tests/support/demo-pieces';
import { moved, open } from '../../../tests/support/open';
import type { Finger, HandNote } from '../score';
import { flagName, NO_DECISIONS, type Decisions } from './decisions';
import { fingerChoicesAt } from '../views/finger-choices-at';
import { decisionViews, handNoteViews } from '../views/hand-note-views';
import { ladderOf } from '../views/ladder';
import type { Version } from './open-piece';
import { USUAL } from '../../../tests/support/open';
import { SAYS } from '../../../tests/support/usual-words';

const PIECE = open(demoFile('the-sixth-step'));
const SCALE = open(
  musicXml({
    right: 'C4q/1 D4q/2 E4q/3 F4q/1 | G4q/2 A4q/3 B4q/4 C5q/5 | B4q/4 A4q/3 G4q/2 F4q/1 | E4q/3 D4q/2 C4h/1',
    mode: 'major',
  }),
);
const fingersOf = ({ notes }: Version): string =>
  notes
    .filter(({ hand }) => hand === 'right')
    .map(({ finger }) => finger)
    .join('');
const deciding = (fingers: Decisions['fingers']): Decisions => ({ ...NO_DECISIONS, fingers });
const noteAt = (version: Version, index: number): HandNote => version.notes[index] as HandNote;

describe('decided fingers', () => {
  it('stand whatever they cost, in their key and in no other', () => {
    const id = noteAt(moved(SCALE, 'F', { fingering: 'plan' }), 0).id;
    const decisions = deciding([{ key: 'F-major', note: id, finger: 1 }]);
    expect(fingersOf(moved(SCALE, 'F', { fingering: 'plan' })).startsWith('1')).toBe(true);
    for (const finger of [2, 3] as const) {
      const own = deciding([{ key: 'F-major', note: id, finger }]);
      expect(noteAt(moved(SCALE, 'F', { fingering: 'plan', decisions: own }), 0).finger).toBe(finger);
      expect(fingersOf(moved(SCALE, 'G', { fingering: 'plan', decisions: own }))).toBe(
        fingersOf(moved(SCALE, 'G', { fingering: 'plan' })),
      );
    }
    expect(fingersOf(moved(SCALE, 'F', { fingering: 'plan', decisions }))).toBe(
      fingersOf(moved(SCALE, 'F', { fingering: 'plan' })),
    );
  });

  it('for every key hold in every key, and what was decided for one goes before', () => {
    const id = noteAt(moved(SCALE, 'C'), 2).id;
    const decisions = deciding([
      { key: null, note: id, finger: 4 },
      { key: 'D-major', note: id, finger: 2 },
    ]);
    const finger = (key: string): Finger | null =>
      noteAt(moved(SCALE, key, { fingering: 'plan', decisions }), 2).finger;
    expect([finger('G'), finger('Eb'), finger('D')]).toEqual([4, 4, 2]);
  });

  it('are the only ones that change where printed fingers are kept', () => {
    const id = noteAt(moved(SCALE, 'F'), 4).id;
    const decisions = deciding([{ key: 'F-major', note: id, finger: 4 }]);
    expect(fingersOf(moved(SCALE, 'F', { fingering: 'keep', decisions }))).toBe(
      '1231 4345 4321 321'.replaceAll(' ', ''),
    );
  });

  it('that put the printed ones back silence the hand note that proposed a change', () => {
    const free = moved(SCALE, 'F', { fingering: 'plan' });
    const change = handNoteViews(SAYS, free).find(({ kind }) => kind === 'finger-change');
    const kept =
      change?.fingers?.noteIds.flatMap((note, i) =>
        change.fingers?.before[i] ? [{ key: 'F-major', note, finger: change.fingers.before[i] as Finger }] : [],
      ) ?? [];
    const version = moved(SCALE, 'F', { fingering: 'plan', decisions: deciding(kept) });
    expect(fingersOf(version)).toBe('123123454321321');
    expect(handNoteViews(SAYS, version).map(({ kind }) => kind)).not.toContain('finger-change');
  });

  it('say where the plan would do otherwise, and are silent where it agrees', () => {
    const free = moved(SCALE, 'F', { fingering: 'plan' });
    const [first, second] = [noteAt(free, 3), noteAt(free, 4)];
    const decisions = deciding([
      { key: 'F-major', note: first.id, finger: 1 },
      { key: 'F-major', note: second.id, finger: second.finger as Finger },
    ]);
    const views = decisionViews(SAYS, moved(SCALE, 'F', { fingering: 'plan', decisions }));
    expect(views.map(({ isOtherwise }) => isOtherwise)).toEqual([first.finger !== 1, false]);
    expect(views[0]?.words).toBe('Bar 1: 1 on B♭. Unasked, 4 would be taken.');
  });
});

describe('hand notes set aside', () => {
  it('leave the count of their key and keep the reason', () => {
    const version = moved(PIECE, 'Eb', { fingering: 'plan' });
    const [flag] = version.flags;
    if (!flag) throw new Error('no flag');
    const decisions: Decisions = {
      fingers: [],
      aside: [{ key: 'Eb-major', flag: flagName(flag), reason: 'her hand is wide' }],
    };
    const after = moved(PIECE, 'Eb', { fingering: 'plan', decisions });
    expect(after.flags).toHaveLength(version.flags.length - 1);
    expect(handNoteViews(SAYS, after).at(-1)).toMatchObject({ name: flagName(flag), aside: 'her hand is wide' });
    const counts = (options: Decisions): number => {
      const { flags } = ladderOf(
        SAYS,
        PIECE,
        { ...USUAL, fingering: 'plan', decisions: options },
        { order: 'ease' },
      ).keys.find(({ tonic }) => tonic === 'Eb') ?? { flags: { must: 0, should: 0, watch: 0 } };
      return flags.must + flags.should + flags.watch;
    };
    expect(counts(decisions)).toBe(counts(NO_DECISIONS) - 1);
  });

  it('stay away where the flag has become one with others, and are brought back by their own name', () => {
    const both = moved(PIECE, 'Eb', { fingering: 'plan' }).flags.find(
      ({ evidence }) => 'uses' in evidence && evidence.uses.length > 1,
    );
    if (!both) throw new Error('no flag of both hands');
    const name = `${both.evidence.kind}/left/${both.notes[1]}/${both.notes[2]}`;
    const decisions: Decisions = { fingers: [], aside: [{ key: null, flag: name, reason: 'known' }] };
    const after = moved(PIECE, 'Eb', { fingering: 'plan', decisions });
    expect(after.flags).not.toContainEqual(expect.objectContaining({ notes: both.notes }));
    expect(handNoteViews(SAYS, after).at(-1)).toMatchObject({ name, aside: 'known' });
  });

  it('have the same name in all keys', () => {
    const names = (key: string): readonly string[] => moved(PIECE, key, { fingering: 'plan' }).flags.map(flagName);
    expect(names('D').some((name) => names('Eb').includes(name))).toBe(true);
  });
});

describe('fingerChoicesAt', () => {
  it('offers all five, marks the one that stands there, and prices none below it', () => {
    const version = moved(SCALE, 'Eb', { fingering: 'plan' });
    for (const note of version.notes) {
      const choices = fingerChoicesAt(SAYS, version, note.id);
      expect(choices.map(({ finger }) => finger)).toEqual([1, 2, 3, 4, 5]);
      expect(choices.find(({ isNow }) => isNow)?.finger).toBe(note.finger);
      expect(choices.every(({ price }) => price === null || price >= 0)).toBe(true);
    }
  });

  it('says which fingers cannot be played: no level 1 hand reaches down from finger 5', () => {
    const piece = open(musicXml({ right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5', mode: 'major' }));
    const version = moved(piece, 'C', { fingering: 'plan', player: { ...USUAL.player, level: 1 } });
    const first = fingerChoicesAt(SAYS, version, noteAt(version, 0).id);
    expect(first.filter(({ price }) => price !== null).map(({ finger }) => finger)).toEqual([1]);
  });

  it('has none for a note that is not there', () => {
    expect(fingerChoicesAt(SAYS, moved(SCALE, 'D'), 'n999')).toEqual([]);
  });
});

describe('the same passage', () => {
  it('is offered where it comes again, note for note', () => {
    const again = open(
      musicXml({
        right:
          'C4q/1 D4q/2 E4q/3 F4q/1 | G4q/2 A4q/3 B4q/4 C5q/5 | Rw | C4q/1 D4q/2 E4q/3 F4q/1 | G4q/2 A4q/3 B4q/4 C5q/5',
        mode: 'major',
      }),
    );
    const note = handNoteViews(SAYS, moved(again, 'F', { fingering: 'plan' })).find(
      ({ kind }) => kind === 'finger-change',
    );
    expect(note?.fingers?.also.length ?? 0).toBeGreaterThan(0);
    for (const place of note?.fingers?.also ?? [])
      expect(place.noteIds).toHaveLength(note?.fingers?.noteIds.length ?? -1);
  });
});
