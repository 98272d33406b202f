/** Directions between the rooms, cycles included. */
const room = (name, from, to) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.ts$' },
  to: { path: to },
});

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    // The core may triangulate and take eigenvalues with packages; otherwise it uses nobody.
    room(
      'core-stands-alone',
      '^core/',
      '^(contracts|meshes|sheets|server|web|cli|demo)/|^node_modules/(?!(delaunator|ml-matrix)/)',
    ),
    room('sheets-look-down', '^sheets/', '^(contracts|meshes|server|web|cli|demo)/'),
    room('meshes-look-down', '^meshes/', '^(contracts|sheets|server|web|cli|demo)/'),
    room('contracts-look-down', '^contracts/', '^(server|web|cli|demo)/'),
    room('web-over-http', '^web/', '^(server|cli|demo)/'),
    room('server-without-web', '^server/', '^(web|cli)/'),
    room('cli-without-rooms', '^cli/', '^(web|server)/'),
    room('database-in-one-room', '^(?!server/db/)', 'node_modules/(drizzle-orm|@electric-sql|pg)/'),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      extensions: ['.ts', '.vue', '.mjs', '.js', '.json'],
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
    },
  },
};
