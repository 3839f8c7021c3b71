import { chance } from './histories';

/** A studio file or a hand-over as it is written, taken apart. */
export type Written = Record<string, unknown> & {
  readonly pieces: Record<string, unknown>[];
  readonly pupils: Record<string, unknown>[];
  readonly plan: Record<string, unknown>[];
  readonly runs: Record<string, unknown>[];
  readonly stamps: Record<string, unknown>[];
  readonly aside: unknown[];
};

type Spoil = (file: Written, luck: ReturnType<typeof chance>) => void;

/** What somebody clumsy or with ill will does to a file: names that come twice, are short, belong to others, or to nothing; writings that nobody made; records
 * of a later form. `piece`, `run`, `card`, `pupil` are names of the studio that the file has no business with, `device`
 * what the studio’s device is called. */
export function spoilsFor(others: {
  readonly piece: string;
  readonly run: string;
  readonly card: string;
  readonly pupil: string;
  readonly device: string;
}): readonly Spoil[] {
  /** A writing that claims to know all others, and to be later. */
  const forged = (value: unknown): unknown => ({
    seen: { evil: 99, [others.device]: 99 },
    dot: ['evil', 99],
    others: [],
    ...(value === undefined ? {} : { value }),
  });
  const copy = <T>(value: T): T => structuredClone(value);
  const first = (list: Record<string, unknown>[]): Record<string, unknown> => list[0] ?? {};
  return [
    ({ plan }) => plan.push({ ...first(plan), note: 'once more under one name' }),
    ({ pupils }) => pupils.push({ ...first(pupils), name: 'Another with one name' }),
    ({ pieces }) => pieces.push({ ...first(pieces), fileName: 'another.xml' }),
    ({ pupils }) => pupils.push({ ...first(pupils), id: others.pupil, name: 'Overwritten' }),
    ({ pupils }) => pupils.splice(0),
    ({ pieces }) => pieces.push({ ...first(pieces), id: others.piece, musicXml: '<other-music/>', edition: 'evil' }),
    ({ runs }) => runs.push({ ...first(runs), id: others.run, right: 0 }),
    ({ plan }) => plan.push({ ...first(plan), id: others.card, note: 'overwritten' }),
    ({ plan }) => plan.push({ ...first(plan), id: 'for-another', pupil: others.pupil }),
    ({ plan }) => plan.push({ ...first(plan), id: 'a' }, { ...first(plan), id: '/' }),
    ({ plan }) => plan.push({ ...first(plan), id: '' }, { ...first(plan), id: 7 }),
    ({ stamps }) => stamps.push({ id: `pieces/${others.piece}`, fields: { '[]': forged(false) } }),
    ({ stamps }) => stamps.push({ id: 'pieces/tune', fields: { '[]': forged(false) } }),
    ({ stamps }) => stamps.push({ id: `pupils/${others.pupil}`, fields: { '[]': forged(false) } }),
    ({ stamps }, { of }) =>
      stamps.push({ id: `runs/${others.run}`, pupil: of(['ada', others.pupil]), fields: { '[]': forged(false) } }),
    ({ stamps }) =>
      stamps.push({ id: `plan/${others.card}`, fields: { '["note"]': forged('forged'), '["pupil"]': forged('ada') } }),
    ({ stamps }) => stamps.push({ id: 'kept/settings', fields: { '["value"]': forged({}) } }),
    ({ stamps }) => stamps.push({ id: 'pieces/tune', fields: { '["musicXml"]': forged('<forged/>') } }),
    ({ pieces, stamps }) => {
      Object.assign(first(pieces), { musicXml: '<forged/>', edition: 'forged' });
      stamps.push({
        id: `pieces/${String(first(pieces)['id'])}`,
        fields: { '["musicXml"]': forged(undefined), '["edition"]': forged(undefined) },
      });
    },
    ({ pieces }) =>
      Object.assign(first(pieces), { stageOf: { piece: first(pieces)['id'], stage: 'whole', title: 'x' } }),
    ({ pieces }) => Object.assign(first(pieces), { decided: { fingers: 'none', aside: [], marks: [] } }),
    ({ pieces }) => {
      const decided = { fingers: [{ pupil: others.pupil, key: null, note: 'n9', finger: 1 }], aside: [], marks: [] };
      Object.assign(first(pieces), { decided });
    },
    ({ pieces }) => Object.assign(first(pieces), { form: 99, ofLater: { deep: [1, 2] }, tags: ['evil'] }),
    (file) => Object.assign(file, { version: 99, ofLater: [copy(file.plan)], settings: { look: 'lamplight' } }),
    ({ pupils }) => Object.assign(first(pupils), { note: 'forged note', judged: [], groups: ['evil'] }),
    ({ aside }) =>
      aside.push({ id: 'odd', form: 5, from: 'x', table: 'plan', why: 'y', value: { id: 'odd' } }, 'odd', null),
    ({ aside }) =>
      [1, 2].forEach((value) =>
        aside.push({ id: 'twice', form: 5, from: 'x', table: 'plan', why: 'y', value: { value } }),
      ),
    (file) =>
      Object.assign(file, {
        lessons: [{ id: `${others.pupil}/2026-11-26`, pupil: others.pupil, day: '2026-11-26', note: 'forged' }],
      }),
    (file) => Object.assign(file, { runs: 'no list', desk: [], stamps: {} }),
    (file) => Object.assign(file, { finds: [{ id: 'old' }], answers: [] }),
  ];
}

/** The file with some of all that done to it. */
export function spoiledFile(text: string, spoils: readonly Spoil[], seed: number): string {
  const luck = chance(seed);
  const file = JSON.parse(text) as Written;
  const some = Array.from({ length: 1 + luck.below(3) }, () => luck.of(spoils));
  for (const spoil of new Set(some)) {
    try {
      spoil(file, luck);
    } catch {
      // What an earlier one has spoiled can be past spoiling.
    }
  }
  return JSON.stringify(file);
}
