/** The core's folders in the order of the job: each may use those above it. README.md of src/core follows this list. */
const ORDER = [
  'base',
  'calendar',
  'xml',
  'pitch',
  'time',
  'keyboard',
  'paper',
  'score',
  'notation',
  'plain-piece',
  'read',
  'playback',
  'write',
  'transpose',
  'edit',
  'entry',
  'fingering',
  'posture',
  'forced',
  'flags',
  'annotate',
  'reference',
  'asked',
  'simulation',
  'practice',
  'hearing',
  'piece',
  'survey',
  'stages',
  'homework',
  'rote',
  'teaching',
  'explain',
  'views',
  'sheets',
];

const TEST = '\\.test\\.tsx?$';
const coreFile = (names) => `^src/core/(${names.join('|')})/`;

const inOrder = ORDER.slice(0, -1).map((name, i) => ({
  name: `core-order-${name}`,
  severity: 'error',
  comment: `${name} uses only the folders above it`,
  from: { path: coreFile([name]), pathNot: TEST },
  to: { path: coreFile(ORDER.slice(i + 1)) },
}));

const rule = (name, comment, from, to) => ({ name, severity: 'error', comment, from, to });

const config = {
  forbidden: [
    ...inOrder,
    rule(
      'core-is-listed',
      'every folder of the core has its place in the order',
      { path: '^src/core/', pathNot: coreFile(ORDER) },
      {},
    ),
    rule(
      'core-is-pure',
      'the core knows nothing of the application',
      { path: '^src/core/', pathNot: TEST },
      { path: '^src/(?!core/)' },
    ),
    rule(
      'core-no-node',
      'the core runs in workers and browsers',
      { path: '^src/core/', pathNot: TEST },
      { dependencyTypes: ['core'] },
    ),
    rule(
      'core-npm-only-at-the-doors',
      'parsers and packers belong in read and write, dates in calendar, the Fourier transform in hearing',
      { path: '^src/core/', pathNot: [TEST, '^src/core/(xml|read|write|calendar|hearing)/'] },
      { dependencyTypes: ['npm', 'npm-dev'] },
    ),
    rule(
      'core-by-front-door',
      'a core folder is entered through its index',
      { path: '^src/core/([^/]+)/', pathNot: TEST },
      { path: '^src/core/[^/]+/.+', pathNot: ['^src/core/$1/', '^src/core/[^/]+/index\\.ts$'] },
    ),
    rule(
      'front-door-from-outside',
      'the application enters the core through its indexes',
      { path: '^(src/(?!core/)|tests/)', pathNot: '^tests/support/' },
      { path: '^src/core/[^/]+/.+', pathNot: '^src/core/[^/]+/index\\.ts$' },
    ),
    rule(
      'heavy-core-only-in-workers',
      'screens reach reading and moving through the workers',
      { path: '^src/(features|app)/', pathNot: ['^src/app/(api|demo-studio)/', TEST] },
      {
        path: '^src/core/(read|write|transpose|fingering|forced|piece|views|sheets)/',
        dependencyTypesNot: ['type-only'],
      },
    ),
    rule(
      'dexie-only-in-data',
      'storage has one door',
      { path: '^src/', pathNot: '^src/data/' },
      { path: '^node_modules/dexie' },
    ),
    rule(
      'comlink-only-at-the-crossing',
      'the worker boundary has one door',
      { path: '^src/', pathNot: '^src/(crossing|workers)/|\\.worker\\.ts$' },
      { path: '^node_modules/comlink' },
    ),
    rule(
      'react-only-in-shell',
      'React stays in the screens',
      { path: '^src/', pathNot: '^src/(features|app|data)/' },
      { path: '^node_modules/(react|next)/' },
    ),
    rule(
      'contract-on-the-core-alone',
      'what is asked and answered knows neither who asks nor who answers',
      { path: '^src/contract/', pathNot: TEST },
      { path: '^src/(?!core/|contract/)' },
    ),
    rule(
      'crossing-on-the-contract',
      'how questions cross knows none of the services',
      { path: '^src/crossing/', pathNot: TEST },
      { path: '^src/(?!core/|contract/|crossing/)' },
    ),
    rule(
      'print-on-the-contract',
      'printing knows the engraver by what it answers',
      { path: '^src/print/', pathNot: TEST },
      { path: '^src/(?!core/|contract/|print/)' },
    ),
    rule(
      'workers-and-data-apart',
      'what is worked out and what is kept know nothing of each other',
      { path: '^src/(workers|data)/', pathNot: TEST },
      { path: '^src/(workers|data)/', pathNot: '^src/$1/' },
    ),
    rule(
      'data-below-features',
      'storage knows no screens',
      { path: '^src/(data|workers)/' },
      { path: '^src/(features|app)/' },
    ),
    rule('features-below-app', 'screens know no routes', { path: '^src/features/' }, { path: '^src/app/' }),
    rule(
      'no-feature-to-feature',
      'screens share through features/shared',
      { path: '^src/features/([^/]+)/' },
      { path: '^src/features/', pathNot: ['^src/features/$1/', '^src/features/shared/'] },
    ),
    rule('no-circular', 'no circles', {}, { circular: true }),
  ],
  options: {
    tsPreCompilationDeps: 'specify',
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};

export default config;
