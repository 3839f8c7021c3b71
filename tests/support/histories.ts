import type { Result } from '@/core/base';
import { stepOf } from '@/core/homework';
import type { Command, EnterCommand, StoreFault } from '@/data/door/commands';
import type { Done, EnteredSteps } from '@/data/door/door';
import type { How, Next, UndoRedoResult, UndoRedo } from '@/data/door/undo-redo';
import type { StudioContents } from '@/data/file/contents';
import { aRun, newPiece, newPupil } from './studio';

/** A studio with tabs in which a history can be lived through: in memory, or in a real browser. */
export interface World {
  readonly run: (tab: string, command: Command) => Promise<Result<Done, StoreFault>>;
  /** Asks for a command and breaks something while it is on its way: the store, or the tab. Null where nobody learnt what became of it. */
  readonly runAndBreak: (tab: string, command: Command, luck: Chance) => Promise<Result<Done, StoreFault> | null>;
  readonly next: (tab: string, undoRedo: UndoRedo) => Promise<Next | null>;
  readonly undoOrRedo: (
    tab: string,
    number: number,
    undoRedo: UndoRedo,
    how: How,
  ) => Promise<Result<UndoRedoResult, StoreFault>>;
  readonly toEnter: (id: string) => Promise<Entering | null>;
  readonly contents: () => Promise<StudioContents>;
  readonly records: () => Promise<Records>;
  /** The numbers of all edits that are done, the last first. */
  readonly done: () => Promise<readonly number[]>;
  /** Closes a tab; another one takes its place, of which the name is given. */
  readonly close: (tab: string) => Promise<string>;
  /** How often a command is broken: one in so many. */
  readonly breaksOneIn: number;
}

/** Every record of a studio, by its place. */
export type Records = ReadonlyMap<string, Readonly<Record<string, unknown>>>;

export interface Entering extends EnteredSteps {
  readonly musicXml: string;
  readonly edition: string | null;
}

/** A source of chance that gives the same for the same seed. */
export function chance(seed: number): {
  readonly below: (end: number) => number;
  readonly of: <T>(choices: readonly T[]) => T;
} {
  let state = seed * 2654435761 + 1;
  const next = (): number => {
    // mulberry32, a public-domain generator.
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const below = (end: number): number => Math.floor(next() * end);
  return { below, of: (choices) => choices[below(choices.length)] as (typeof choices)[number] };
}

type Chance = ReturnType<typeof chance>;

/** What a command may change, written down apart from the code: tables, and in a piece or a pupil the fields. */
export const MAY_CHANGE: { readonly [Kind in Command['kind']]: readonly RegExp[] } = {
  'piece.add': [/^pieces\/\w+$/],
  'piece.remove': [/^pieces\/\w+$/],
  'piece.tag': [/^pieces\/\w+\/tags$/],
  'piece.place': [/^pieces\/\w+\/place$/],
  'piece.part': [/^pieces\/\w+\/part$/],
  'piece.own-key': [/^pieces\/\w+\/(ownKey|lastKey)$/],
  'piece.respell': [/^pieces\/\w+\/respelled$/],
  'piece.grid': [/^pieces\/\w+\/(musicXml|edition|remarks|midi)$/],
  'piece.fingers': [/^pieces\/\w+\/decided\.fingers$/],
  'piece.let-go': [/^pieces\/\w+\/decided\.fingers$/],
  'piece.put-aside': [/^pieces\/\w+\/decided\.aside$/],
  'piece.mark': [/^pieces\/\w+\/decided\.marks$/],
  'piece.stages': [/^pieces\/\w+\/(stageOrder|stagesLeft|stagesAdded)$/],
  'piece.own-stage': [/^pieces\/\w+\/ownStages$/],
  'piece.stage-fingers': [/^pieces\/\w+\/stageFingers$/],
  'piece.stage-let-go': [/^pieces\/\w+\/stageFingers$/],
  'piece.enter': [/^pieces\/\w+\/(musicXml|edition)$/],
  'pupil.add': [/^pupils\/\w+$/],
  'pupil.change': [/^pupils\/\w+\/(name|spanMm|groups)$/],
  'pupil.measure': [/^pupils\/\w+\/(spans|spanMm)$/],
  'pupil.judge': [/^pupils\/\w+\/(judged|keysKnown)$/],
  'pupil.remove': [
    /^(pupils|plan|runs|answers)\/\w+$/,
    /^lessons\/\w+\/[\d-]+$/,
    /^pieces\/\w+\/(decided\.\w+|homework|stageFingers|respelled)$/,
  ],
  'plan.add': [/^plan\/\w+$/],
  'plan.cards': [/^plan\/\w+$/],
  'plan.change': [/^plan\/\w+\/(note|state)$/],
  'plan.move': [/^plan\/\w+\/(week|place)$/],
  'plan.carry': [/^plan\/\w+\/(week|carried)$/],
  'lesson.note': [/^lessons\/\w+\/[\d-]+(\/note)?$/],
  'plan.remove': [/^plan\/\w+$/],
  'piece.homework': [/^pieces\/\w+\/homework$/],
  'run.remove': [/^runs\/\w+$/],
  'settings.change': [/^kept\/settings/],
  'demo.bring': [/^(pieces|pupils)\/d\w*$/, /^kept\/settings/],
  'demo.put-away': [/^(pieces|pupils)\/d\w*$/, /^(plan|runs|answers|lessons)\//, /^kept\/settings/],
  'studio.join': [/^(pieces|pupils|plan|lessons|answers|runs)\//],
  'studio.settle': [/^pieces\/\w+\/place$/],
  'studio.take-in': [/^(pieces|pupils|plan|lessons|answers|runs|aside)\//, /^kept\/(settings|carried|desk)/],
  'aside.delete': [/^aside\//],
  'note.key': [/^pieces\/\w+\/lastKey$/],
  'note.used': [/^pieces\/\w+\/usedAt$/],
  'note.desk': [/^kept\/desk/],
  'note.find': [/^answers\//],
  'note.run': [/^runs\//],
  'note.saved': [/^kept\/saved/],
  'note.first-visit': [],
};

const PIECES = ['a', 'b', 'd1'];
const WEEKS = [null, '2026-11-26', '2026-12-03'];
const NO_TERM = { plan: [], lessons: [], runs: [] };
const PUPILS = ['ada', 'd2'];
const OWN_STAGE = { words: '', hand: 'left' as const, bars: [{ bar: '3', note: 'n1' }], easings: ['beats' as const] };

/** A command of chance about few things, so that tabs meet in them often. `made` numbers what is new. */
async function anyCommand(world: World, { below, of }: Chance, made: number): Promise<Command> {
  const id = of(PIECES);
  const whose = { pupil: of([null, 'ada']), key: of([null, 'D-major', 'G-major']) };
  const notes = [of(['n1', 'n2']), of(['n3', 'n4'])];
  const kind = of(Object.keys(MAY_CHANGE) as Command['kind'][]);
  switch (kind) {
    case 'piece.add':
      return {
        kind,
        pieces: [newPiece(id, { origin: id.startsWith('d') ? 'demo' : 'own', midi: { file: 'TVRo', grid: 0 } })],
      };
    case 'piece.remove':
      return { kind, id };
    case 'piece.tag':
      return { kind, id, tag: of(['recital', 'rote', 'spring']), as: of(['put', 'taken']) };
    case 'piece.place':
      return { kind, id, place: of(['shelf', 'archive']) };
    case 'piece.part':
      return { kind, id, part: of(['P1', 'P2']) };
    case 'piece.own-key':
      return { kind, id, ownKey: of([null, 'C-major', 'A-minor']) };
    case 'piece.respell':
      return { kind, id, entry: of(['D-major|n1', 'D-major|n2', 'B-major|n1']), as: of(['other', 'own']) };
    case 'piece.grid':
      return {
        kind,
        id,
        edition: (await world.toEnter(id))?.edition ?? null,
        next: `grid${made}`,
        grid: below(4),
        musicXml: `grid${made}`,
        remarks: [],
      };
    case 'piece.fingers':
      return { kind, id, whose, wanted: notes.map((note) => ({ note, finger: of([null, 1, 2, 5]) })) };
    case 'piece.let-go':
      return { kind, id, whose, notes };
    case 'piece.put-aside':
      return { kind, id, whose, flag: of(['hop/right/n1', 'hop/left/n2']), reason: of([null, 'she likes it']) };
    case 'piece.mark':
      return { kind, id, whose, mark: of(['ring', 'guide']), notes, text: '' };
    case 'piece.stages':
      return {
        kind,
        id,
        change: { [of(['stageOrder', 'stagesLeft', 'stagesAdded'])]: of([[], ['beats'], ['whole', 'beats']]) },
      };
    case 'piece.own-stage':
      return {
        kind,
        id,
        stage: { ...OWN_STAGE, id: of(['s1', 's2']), title: of(['Bars', 'Left']) },
        as: of(['put', 'taken']),
      };
    case 'piece.stage-fingers':
      return {
        kind,
        id,
        stage: of(['beats', 's1']),
        whose,
        wanted: notes.map((note) => ({ note, finger: of([1, 2, 5]) })),
      };
    case 'piece.stage-let-go':
      return { kind, id, stage: of(['beats', 's1']), whose, notes };
    case 'piece.enter':
      return (await entering(world, id, made)) ?? { kind: 'note.desk', change: { zoom: 50 + below(100) } };
    case 'pupil.add':
      return { kind, pupil: newPupil(of(PUPILS)) };
    case 'pupil.change':
      return { kind, id: of(PUPILS), change: of([{ name: `name ${made}` }, { spanMm: 150 + below(60) }]) };
    case 'pupil.remove':
      return { kind, id: of(PUPILS) };
    case 'plan.add':
      return {
        kind,
        pupil: of(PUPILS),
        piece: id,
        keys: [{ id: `p${made}`, key: of(['D-major', 'G-major']) }],
        atMs: made,
      };
    case 'plan.remove':
      return { kind, ids: [`p${below(made + 1)}`] };
    case 'pupil.measure':
      return { kind, id: of(PUPILS), day: of(['2026-11-01', '2026-11-28']), mm: of([null, 150, 160]) };
    case 'pupil.judge':
      return {
        ...{ kind, id: of(PUPILS), keys: [of(['D-major', 'G-major'])], day: '2026-11-28' },
        ...{ state: of([null, 'secure', 'learning'] as const), why: `why ${made}` },
      };
    case 'plan.cards':
      return { kind, cards: [{ id: `p${made}`, pupil: of(PUPILS), piece: id, week: of(WEEKS) }], atMs: made };
    case 'plan.change':
      return { kind, ids: [`p${below(made + 1)}`], change: of([{ note: `note ${made}` }, { state: 'done' as const }]) };
    case 'plan.move':
      return { kind, id: `p${below(made + 1)}`, week: of(WEEKS), before: of([null, `p${below(made + 1)}`]) };
    case 'plan.carry':
      return { kind, cards: [{ id: `p${below(made + 1)}`, to: of(['2026-12-10', '2026-12-17']) }] };
    case 'lesson.note':
      return { kind, pupil: of(PUPILS), day: of(['2026-11-25', '2026-11-28']), note: `note ${made}` };
    case 'studio.join': {
      const now = await world.contents();
      const pieces = now.pieces.slice(below(2)).map((piece) => ({ ...(piece as object), place: 'archive' }));
      return { kind, contents: { ...now, pieces }, file: 'studio' };
    }
    case 'studio.settle':
      return { kind, place: { table: 'pieces', id }, field: ['place'], value: of(['shelf', 'archive']) };
    case 'settings.change':
      return {
        kind,
        change: of([
          { look: of(['paper', 'lamplight', 'system'] as const) },
          { level: of(['1', '2'] as const) },
          { ownOrder: ['C', 'Bb'].slice(below(2)) },
        ]),
      };
    case 'demo.bring':
      return {
        kind,
        pieces: [newPiece('d1', { origin: 'demo' })],
        pupils: [newPupil('d2', { origin: 'demo' })],
        ...NO_TERM,
      };
    case 'demo.put-away':
      return { kind };
    case 'studio.take-in': {
      const now = await world.contents();
      return {
        kind,
        contents: {
          ...now,
          pieces: now.pieces.slice(below(2)).map((piece) => ({ ...(piece as object), fileName: `file ${made}` })),
          settings: { look: of(['paper', 'system']) },
        },
        how: of(['keep', 'renew', 'replace']),
        file: 'studio',
      };
    }
    case 'aside.delete':
      return { kind, place: { table: 'aside', id: 'odd' }, field: [], value: null };
    case 'note.key':
      return { kind, id, key: of(['D-major', 'G-major']) };
    case 'note.used':
      return { kind, id, atMs: made };
    case 'note.desk':
      return { kind, change: { zoom: 50 + below(100) } };
    case 'note.find':
      return {
        kind,
        find: {
          id: `f${made}`,
          pupil: null,
          kind: 'all-of',
          asked: 'Play every F.',
          verdict: 'right',
          tookMs: 5,
          atMs: made,
        },
      };
    case 'note.run':
      return { kind, run: aRun(`r${below(4)}`, id, made) };
    case 'piece.homework':
      return {
        kind,
        id,
        lists: [
          {
            whose: { pupil: null, key: of([null, 'D-major']) },
            steps: below(3) === 0 ? null : [stepOf('slow', { times: 1 + below(5) })],
          },
        ],
      };
    case 'run.remove':
      return { kind, ids: [`r${below(4)}`] };
    case 'note.saved':
      return { kind, atMs: made };
    default:
      return { kind: 'note.first-visit', pieces: [], pupils: [], ...NO_TERM };
  }
}

/** The next note of a piece. Music is a text here, a note a part of it, so that entering can be done and undone without the core. */
async function entering(world: World, id: string, made: number): Promise<EnterCommand | null> {
  const found = await world.toEnter(id);
  if (!found) return null;
  const { musicXml, edition, stretch, base, steps } = found;
  const done = steps.filter(({ state }) => state === 'done').length;
  return {
    kind: 'piece.enter',
    id,
    from: edition,
    state: `${done + 1}/${made}`,
    base,
    stretch,
    musicXml: `${musicXml}|${made}`,
    changed: [{ number: done, state: 'done', change: String(made), words: `note ${made}` }],
    count: done + 1,
  };
}

/** Turns one step of entering, as the core would. */
async function turnEntered(world: World, id: string, undoRedo: UndoRedo, tab: string): Promise<void> {
  const found = await world.toEnter(id);
  if (!found) throw new Error('the piece of a step is gone');
  const { musicXml, edition, stretch, base, steps } = found;
  const done = steps.filter(({ state }) => state === 'done');
  const turned = undoRedo === 'undo' ? done.at(-1) : steps[done.length];
  if (!turned) throw new Error('there is no step to turn');
  const after = undoRedo === 'undo' ? done.slice(0, -1) : [...done, turned];
  const notes = musicXml.split('|');
  const result = await world.run(tab, {
    kind: 'piece.enter',
    id,
    from: edition,
    state: after.length === 0 ? null : `${after.length}/${after.at(-1)?.change}`,
    base,
    stretch,
    musicXml: [...notes.slice(0, notes.length - done.length), ...after.map(({ change }) => change)].join('|'),
    changed: [
      {
        number: turned.number,
        state: undoRedo === 'undo' ? 'undone' : 'done',
        change: turned.change,
        words: `note ${turned.change}`,
      },
    ],
    count: steps.length,
  });
  if (!result.ok) throw new Error(`a step was refused: ${result.error.code}`);
}

/** Turns an edit; where others came later it is left, or put in place all the same. */
async function undoOrRedo(
  world: World,
  number: number,
  undoRedo: UndoRedo,
  tab: string,
  how: How,
): Promise<'turned' | 'left'> {
  const turned = await world.undoOrRedo(tab, number, undoRedo, how);
  if (!turned.ok || turned.value.kind === 'later') return 'left';
  if (turned.value.kind === 'entered') await turnEntered(world, turned.value.piece, undoRedo, tab);
  return 'turned';
}

/** The places at which two studios differ: records that came or went, and fields of those that stayed. */
function differences(before: Records, after: Records): readonly string[] {
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((name) => {
    const [old, fresh] = [before.get(name), after.get(name)];
    if (!old || !fresh) return [name];
    return [...new Set([...Object.keys(old), ...Object.keys(fresh)])].flatMap((field) => {
      if (JSON.stringify(old[field]) === JSON.stringify(fresh[field])) return [];
      if (field !== 'decided') return [`${name}/${field}`];
      const [a, b] = [old[field], fresh[field]] as [Record<string, unknown>, Record<string, unknown>];
      return Object.keys(a)
        .filter((list) => JSON.stringify(a[list]) !== JSON.stringify(b[list]))
        .map((list) => `${name}/decided.${list}`);
    });
  });
}

/** One history: two tabs do things by chance, take them back and do them again, are closed, or something breaks in the middle. The studio must hold the
 * pieces `a` and `d1` and nothing to be taken back. Throws where anything is lost. */
export async function liveThrough(
  world: World,
  seed: number,
  names: readonly [string, string],
): Promise<readonly [string, string]> {
  const luck = chance(seed);
  const fail = (what: string): never => {
    throw new Error(`history ${seed}: ${what}`);
  };
  const tabs: [string, string] = [...names];
  const start = await world.records();
  let seen = start;
  const noted = new Set<string>();
  const length = 4 + luck.below(7);
  for (let made = 1; made <= length; made += 1) {
    const which = luck.of([0, 1] as const);
    const tab = tabs[which];
    const act = luck.below(10);
    if (act < 2) {
      const undoRedo: UndoRedo = act === 0 ? 'undo' : luck.of(['undo', 'redo']);
      const next = await world.next(tab, undoRedo);
      if (next) await undoOrRedo(world, next.number, undoRedo, tab, luck.of(['in order', 'all the same']));
      seen = await world.records();
      continue;
    }
    if (act === 2) {
      if (luck.below(world.breaksOneIn) === 0) tabs[which] = await world.close(tab);
      continue;
    }
    const command = await anyCommand(world, luck, made);
    const newest = (await world.done())[0] ?? -1;
    const isBroken = act === 3 && luck.below(world.breaksOneIn) === 0;
    const result = isBroken ? await world.runAndBreak(tab, command, luck) : await world.run(tab, command);
    if (isBroken && world.breaksOneIn > 1) tabs[which] = await world.close(tab);
    const now = await world.records();
    const changed = differences(seen, now);
    const strange = changed.filter((place) => !MAY_CHANGE[command.kind].some((may) => may.test(place)));
    if (strange.length > 0) fail(`${command.kind} changed ${strange.join(', ')}`);
    const isNoted = ((await world.done())[0] ?? -1) > newest;
    if (result && !result.ok && changed.length > 0)
      fail(`${command.kind} was refused, and yet changed ${changed.join(', ')}`);
    if (result?.ok && result.value.number !== null && !(await world.done()).includes(result.value.number))
      fail(`${command.kind} was acknowledged, and the history does not know it`);
    if (result === null && changed.length > 0 && !command.kind.startsWith('note.') && !isNoted)
      fail(`${command.kind} was broken off half done`);
    if (command.kind.startsWith('note.')) changed.forEach((place) => noted.add(place));
    seen = now;
  }
  for (const number of await world.done())
    if ((await undoOrRedo(world, number, 'undo', tabs[0], 'in order')) === 'left')
      fail(`edit ${number} cannot be taken back in order`);
  const end = await world.records();
  const rest = differences(start, end).filter(
    (place) => !noted.has(place) && !/lastKey$/.test(place) && !/^(answers|runs|kept)\//.test(place),
  );
  if (rest.length > 0) fail(`taken back to the start, this is left: ${rest.join(', ')}`);
  const settings = end.get('kept/settings')?.['value'];
  if (
    settings !== undefined &&
    JSON.stringify(settings) !== JSON.stringify(start.get('kept/settings')?.['value'] ?? {})
  )
    fail('the settings are not those of the start');
  return tabs;
}

/** What every history begins with. */
export const BEGINNING: Command = { kind: 'piece.add', pieces: [newPiece('a'), newPiece('d1', { origin: 'demo' })] };
