/* Which workspace may import which: everything uses what stands below it, and nothing looks up. */
const below = {
  core: [],
  contract: ['core'],
  sheets: ['contract', 'core'],
  demo: ['contract', 'core'],
  service: ['sheets', 'contract', 'core'],
  cli: ['sheets', 'contract', 'core'],
  console: ['contract', 'core'],
};

/* The stages of the core: each may use those before it. What is not named here (learning, links, searching …)
   stands beside them. */
const stages = [
  'text',
  'sheets',
  'reading',
  'rules',
  'options',
  'settings',
  'presentation',
  'frame',
  'compose',
  'editor',
  'plan',
];
/* Reading asks its rules, a link’s reading names options, and a sheet speaks of readings and of the types of
   options: never in a circle of files. */
const mutual = { reading: ['rules', 'options'], sheets: ['reading', 'options'] };

/* The folders of the service that import nothing that stands above them. */
const above = {
  store: ['http', 'usecases', 'serializers', 'jobs', 'sweeping', 'queue', 'frames', 'fetching', 'reading'],
  reading: [
    'http',
    'usecases',
    'serializers',
    'jobs',
    'sweeping',
    'queue',
    'frames',
    'fetching',
    'store',
    'database',
  ],
  serializers: ['http', 'usecases', 'jobs', 'sweeping', 'queue', 'frames', 'fetching', 'database'],
  queue: ['http', 'usecases', 'serializers', 'jobs', 'sweeping', 'frames', 'fetching', 'reading'],
  fetching: [
    'http',
    'usecases',
    'serializers',
    'jobs',
    'sweeping',
    'queue',
    'frames',
    'store',
    'browser',
    'pictures',
  ],
  browser: [
    'http',
    'usecases',
    'serializers',
    'jobs',
    'sweeping',
    'queue',
    'frames',
    'store',
    'reading',
    'pictures',
  ],
  pictures: [
    'http',
    'usecases',
    'serializers',
    'jobs',
    'sweeping',
    'queue',
    'frames',
    'store',
    'reading',
    'fetching',
    'browser',
  ],
  usecases: ['http', 'jobs', 'sweeping', 'queue', 'frames'],
  jobs: ['http', 'frames'],
  sweeping: ['http', 'frames', 'jobs', 'news'],
  news: ['http', 'frames', 'jobs', 'sweeping'],
  frames: ['http', 'usecases', 'jobs', 'sweeping', 'reading', 'queue', 'browser', 'pictures'],
};

const folder = (names) => `(?:${names.join('|')})`;
const otherThan = (name) =>
  Object.keys(below).filter((other) => other !== name && !below[name].includes(other));
const later = (stage) =>
  stages.slice(stages.indexOf(stage) + 1).filter((other) => !(mutual[stage] ?? []).includes(other));

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    {
      name: 'no-circle',
      comment: 'Nothing imports what imports it, types included.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    ...Object.keys(below).map((name) => ({
      name: `${name}-looks-down`,
      comment: 'A workspace uses those below it only.',
      severity: 'error',
      from: { path: `^${name}/src/` },
      to: { path: `^${folder(otherThan(name))}/` },
    })),
    ...stages
      .filter((stage) => later(stage).length > 0)
      .map((stage) => ({
        name: `${stage}-knows-no-later-stage`,
        comment: 'Data flows one way.',
        severity: 'error',
        from: { path: `^core/src/${stage}/` },
        to: {
          path: `^core/src/${folder([...later(stage), 'scan', 'fill', 'in-page', 'harvest', 'isolate', 'learn', 'links', 'pages', 'search'])}/`,
        },
      })),
    ...Object.entries(above).map(([name, others]) => ({
      name: `${name}-looks-down`,
      comment: 'A folder of the service uses those below it only.',
      severity: 'error',
      from: { path: `^service/src/${name}/` },
      to: { path: `^service/src/(?:${folder(others)}/|app\\.ts|start\\.ts)` },
    })),
    {
      name: 'handlers-stand-alone',
      comment: 'A resource does not call another: what both need is a use case.',
      severity: 'error',
      from: { path: '^service/src/http/resources/' },
      to: { path: '^service/src/http/resources/' },
    },
    {
      name: 'database-knows-the-tables-only',
      comment: 'The database is opened with the schema; how it is used is the store’s.',
      severity: 'error',
      from: { path: '^service/src/database/' },
      to: {
        path: `^service/src/(?:${folder(Object.keys(above).filter((name) => name !== 'store'))}/|http/|store/(?!schema\\.ts|tables/))`,
      },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.test.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '/dist/' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['development', 'import', 'types', 'default'],
    },
  },
};
