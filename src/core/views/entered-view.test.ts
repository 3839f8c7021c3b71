import { describe, expect, it } from '@jest/globals';
import { newScore } from '../edit';
import { beginSession, press, type Command, type Session } from '../entry';
import { parseKey, type Key } from '../pitch';
import { enteredView } from './entered-view';

const fresh = (tonic = 'C'): Session =>
  beginSession(
    newScore({ title: '', key: parseKey(tonic, 'major') as Key, meter: { beats: 4, beatType: 4 }, pickupBeats: 0 }),
    'P1',
  );
const after = (session: Session, ...commands: readonly Command[]): Session =>
  commands.reduce((now, command, i) => press(now, command, i).session, session);
const finger = (one: 1 | 2 | 3 | 4 | 5, row: 'beat' | 'longer' | 'bar' = 'beat'): Command => ({
  kind: 'finger',
  finger: one,
  row,
});

describe('what was entered last, before it is engraved', () => {
  it('is nothing before the first note, and nothing after a rest', () => {
    expect(enteredView(fresh())).toBeNull();
    expect(enteredView(after(fresh(), finger(1), { kind: 'rest', row: 'beat' }))).toBeNull();
  });

  it('stands on its line: C4 one ledger line below the treble staff, with its finger', () => {
    expect(enteredView(after(fresh(), finger(1)))).toMatchObject({
      bar: 0,
      staff: 1,
      notes: [{ place: -2, finger: 1 }],
      head: 'filled',
    });
    expect(enteredView(after(fresh(), finger(5)))).toMatchObject({ notes: [{ place: 2, finger: 5 }] });
  });

  it('stands in the bass staff for the left hand', () => {
    const left = after(fresh(), { kind: 'other-hand', at: 'same-beat' }, finger(5));
    // C3 lies in the second space of the bass staff.
    expect(enteredView(left)).toMatchObject({ staff: 2, notes: [{ place: 3, finger: 5 }] });
  });

  it('has the head of its length', () => {
    const heads = (['beat', 'longer', 'bar'] as const).map((row) => enteredView(after(fresh(), finger(1, row)))?.head);
    expect(heads).toEqual(['filled', 'open', 'whole']);
  });

  it('knows the note before it, and how far apart two like it were', () => {
    const session = after(fresh(), finger(1), finger(2), finger(3));
    const view = enteredView(session);
    const ids = session.edited.score.parts[0]!.measures[0]!.items.flatMap((item) =>
      item.kind === 'note' && item.pitch ? [item.id] : [],
    );
    expect(view?.behind).toBe(ids[1]);
    expect(view?.apart).toEqual([ids[0], ids[1]]);
  });

  it('knows the note of the other hand at the same beat', () => {
    const session = after(fresh(), finger(1), { kind: 'other-hand', at: 'same-beat' }, finger(5));
    expect(enteredView(session)?.under).not.toBeNull();
    expect(enteredView(after(fresh(), finger(1)))?.under).toBeNull();
  });
});
