// The arrows of docs: web → server is HTTP only, server → core, web → core; inside each house a room
// uses only those on the floors below it. `npm run check` enforces it.
const { FLOORS } = require('./scripts/lib/floors.cjs');

/** No import runs back up a floor, and every room has its floor. */
const floorRules = Object.entries(FLOORS).flatMap(([house, floors]) => [
  ...floors.flatMap((rooms, floor) =>
    rooms.map((room) => ({
      name: `${house}-${room}-is-below`,
      comment: 'A room uses only those on the floors below it',
      severity: 'error',
      from: { path: `^${house}/src/${room}/`, pathNot: ['\\.test\\.tsx?$', '/test/'] },
      to: {
        path: `^${house}/src/[^/]+/`,
        pathNot: `^${house}/src/(${[room, ...floors.slice(0, floor).flat()].join('|')})/`,
      },
    })),
  ),
  {
    name: `${house}-every-room-has-its-floor`,
    severity: 'error',
    from: {},
    to: { path: `^${house}/src/[^/]+/`, pathNot: `^${house}/src/(${[...floors.flat(), 'test', 'migrations'].join('|')})/` },
  },
]);

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    ...floorRules,
    { name: 'no-circles', severity: 'error', from: { pathNot: 'node_modules' }, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$|^core/src/test/' },
      to: { pathNot: '^(core/src|node_modules/(@tarikjabiri/dxf|dayjs|d3-array|fastest-levenshtein|jstat|tinyqueue)/)' },
    },
    {
      name: 'a-room-is-used-through-its-face',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/' },
      to: { path: '^core/src/([^/]+)/', pathNot: ['^core/src/$1/', '^core/src/[^/]+/index\\.ts$', '^core/src/test/'] },
    },
    {
      name: 'core-only-through-its-packages',
      severity: 'error',
      from: { path: '^(server|web|devices)/src' },
      to: { path: '^core/src/', pathNot: ['^core/src/index\\.ts$', '^core/src/[^/]+/index\\.ts$'] },
    },
    {
      name: 'web-knows-no-server',
      severity: 'error',
      from: { path: '^web' },
      to: { path: '^(server|devices)/' },
    },
    {
      name: 'server-knows-no-web',
      severity: 'error',
      from: { path: '^(server|core|devices)/' },
      to: { path: '^web/' },
    },
    {
      name: 'only-tests-use-what-is-for-testing',
      severity: 'error',
      from: { pathNot: ['\\.test\\.tsx?$', '/test/'] },
      to: { path: '^(core|server|web)/src/test/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { conditionNames: ['source', 'import', 'default'], exportsFields: ['exports'] },
    tsConfig: { fileName: 'tsconfig.base.json' },
  },
};
