/** Import rules between modules: data flows one way. */
const core = (room, ...allowed) => ({
  name: `core-${room}`,
  severity: 'error',
  from: { path: `^packages/core/src/${room}/`, pathNot: '\\.test\\.ts$' },
  to: {
    path: '^packages/core/src/',
    pathNot: `^packages/core/src/(${['text', 'assert', room, ...allowed].join('|')})/`,
  },
});

/** Layers of the workbench, each of which knows those before it only. */
const LAYERS = ['ui', 'state', 'preview', 'editor', 'features', 'app'];
const web = LAYERS.map((layer, i) => ({
  name: `web-${layer}`,
  severity: 'error',
  from: { path: `^packages/web/src/${layer}/`, pathNot: '\\.test\\.tsx?$' },
  to: {
    path: '^packages/web/src/',
    pathNot: `^packages/web/src/(${LAYERS.slice(0, i + 1).join('|')})/`,
  },
}));

module.exports = {
  forbidden: [
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^packages/core/', pathNot: '\\.test\\.ts$' },
      to: {
        pathNot:
          '^(packages/core|node_modules/(zod|fast-json-patch|immer|css-tree|css-select|postcss|postcss-safe-parser|culori|fastest-levenshtein|domhandler|parse5|parse5-htmlparser2-tree-adapter|@types)/)',
      },
    },
    {
      name: 'api-knows-core-only',
      severity: 'error',
      from: { path: '^packages/api/' },
      to: { path: '^packages/(server|web|probe)/' },
    },
    {
      name: 'probe-knows-core-only',
      severity: 'error',
      from: { path: '^packages/probe/' },
      to: { path: '^packages/(server|web|api)/' },
    },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^packages/web/' },
      to: { path: '^(packages/server|node_modules/(pg|express))' },
    },
    {
      name: 'server-not-web',
      severity: 'error',
      from: { path: '^packages/server/' },
      to: { path: '^packages/(web|probe)/' },
    },
    {
      name: 'cli-knows-core-api-and-measuring',
      severity: 'error',
      from: { path: '^packages/cli/' },
      to: {
        path: '^(packages/(web|probe|runtime|server/src/(?!lab/|add-page/|hand-off/))|node_modules/(pg|express))',
      },
    },
    {
      name: 'public-entry-only',
      severity: 'error',
      from: { path: '^packages/(api|cli|probe|runtime|server|web)/' },
      to: {
        path: '^packages/core/src/(?!index|testing/|text/index|assert/index|format/selectors/marks|format/css/kept-css|format/script/empty-plan|page/max-elements|page/part|page/base-properties|damping/damping|timeline/phases|timeline/text-order|value/sequence)',
      },
    },
    ...web,
    {
      name: 'features-apart',
      severity: 'error',
      from: { path: '^packages/web/src/features/([^/]+)/' },
      to: { path: '^packages/web/src/features/', pathNot: '^packages/web/src/features/$1/' },
    },
    core('page'),
    core('timeline', 'page'),
    core('drivers', 'page', 'timeline'),
    core('value', 'page'),
    core('motion', 'page', 'drivers', 'timeline', 'value'),
    core('gesture', 'page'),
    core('damping', 'page', 'gesture'),
    core('edit', 'page', 'drivers', 'timeline', 'value', 'motion'),
    core('effect', 'page', 'drivers', 'timeline', 'value', 'motion', 'edit'),
    core('budget', 'page', 'drivers', 'value', 'motion'),
    core('trial', 'page', 'drivers', 'timeline', 'value', 'motion', 'gesture', 'damping', 'budget'),
    core(
      'check',
      ...['page', 'drivers', 'timeline', 'value', 'motion', 'edit', 'gesture', 'damping', 'budget', 'trial'],
    ),
    core('sweep', 'page', 'drivers', 'motion', 'edit', 'gesture', 'damping', 'budget', 'trial', 'check'),
    core('compare', 'page', 'drivers', 'timeline', 'value', 'motion', 'edit', 'trial'),
    core('format', 'page', 'drivers', 'timeline', 'value', 'motion'),
    core(
      'css-import',
      'page',
      'drivers',
      'timeline',
      'value',
      'motion',
      'gesture',
      'damping',
      'edit',
      'format',
    ),
    core('hand-off', 'page', 'drivers', 'timeline', 'value', 'motion', 'format', 'css-import'),
    core('proof', 'page', 'drivers', 'timeline', 'value', 'gesture', 'damping', 'motion', 'format'),
    core('sync', 'page', 'motion', 'css-import'),
    core('patch'),
    core('rematch', 'page', 'drivers', 'motion', 'edit'),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs'],
    },
  },
};
