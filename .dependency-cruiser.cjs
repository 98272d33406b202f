/** Directions between the rooms, cycles included. */
const room = (name, from, to) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.ts$' },
  to: { path: to },
});

/** The core's layers, in the order of their names: each uses those before it. */
const LAYERS = ['1-base', '2-vehicle', '3-survey', '4-clearance', '5-consequences', '6-decisions', '7-job'];

const layers = LAYERS.slice(0, -1).map((layer, i) =>
  room(`${layer}-looks-down`, `^core/${layer}/`, `^core/(${LAYERS.slice(i + 1).join('|')}|fixtures)/`),
);

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    // Files may be free of cycles while their folders are not.
    {
      name: 'no-circular-folders',
      severity: 'error',
      scope: 'folder',
      from: { path: '^core/' },
      to: { circular: true },
    },
    ...layers,
    // One answer to where a thing lies: the prepared obstacle. Nobody after the survey lands readings or fits edges anew.
    {
      name: 'readings-land-once',
      severity: 'error',
      from: { path: '^(core/[4-7]|contracts|meshes|sheets|server|web|cli)', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^core/3-survey/(landing/landed-readings|edge-fit/(read-edge|fit-edge))',
        dependencyTypesNot: ['type-only'],
      },
    },
    { name: 'core-in-layers', severity: 'error', from: { path: '^core/(?!\\d-|fixtures/)' }, to: {} },
    {
      name: 'fixtures-for-tests',
      severity: 'error',
      from: { path: '^(core|contracts|meshes|sheets|server|web|cli|demo)/', pathNot: '\\.test\\.ts$|^core/fixtures/' },
      to: { path: '^core/fixtures/' },
    },
    // The core may triangulate and take eigenvalues with packages; otherwise it uses nobody.
    room(
      'core-stands-alone',
      '^core/',
      '^(contracts|meshes|sheets|server|web|cli|demo)/|^node_modules/(?!(delaunator|ml-matrix)/)',
    ),
    room('sheets-look-down', '^sheets/', '^(contracts|meshes|server|web|cli|demo)/'),
    room('meshes-look-down', '^meshes/', '^(contracts|sheets|server|web|cli|demo)/'),
    room('contracts-look-down', '^contracts/', '^(server|web|cli|demo)/'),
    room('web-over-http', '^web/(?!testing/)', '^(server|cli|demo|web/testing)/'),
    room('server-without-web', '^server/', '^(web|cli)/'),
    room('cli-without-rooms', '^cli/', '^(web|server)/'),
    room('database-in-one-room', '^(?!server/db/)', 'node_modules/(drizzle-orm|@electric-sql|pg)/'),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    // Tests may look wherever they must.
    exclude: { path: '\\.test\\.ts$' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      extensions: ['.ts', '.vue', '.mjs', '.js', '.json'],
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
    },
  },
};
