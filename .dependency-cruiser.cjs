// The arrows of docs: web → server is HTTP only, server → core, web → core; inside core the ground floor
// carries the stages and the stages carry flow and planning. `npm run check` enforces it.
const stages = 'timber|routing|machining|fitting|finishing|assembly|quality';

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: { pathNot: 'node_modules' }, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$|^core/src/test/' },
      to: { pathNot: '^(core/src|node_modules/(dayjs)/)' },
    },
    {
      name: 'ground-floor',
      comment: 'maths and units use nothing else in core',
      severity: 'error',
      from: { path: '^core/src/(maths|units)/' },
      to: { path: '^core/src/', pathNot: '^core/src/(maths|units)/' },
    },
    {
      name: 'climate-is-below-the-stages',
      severity: 'error',
      from: { path: '^core/src/climate/' },
      to: { path: '^core/src/', pathNot: '^core/src/(maths|units|climate)/' },
    },
    {
      name: 'stages-are-below-flow-and-planning',
      severity: 'error',
      from: { path: `^core/src/(${stages}|logbook)/`, pathNot: '\\.test\\.ts$' },
      to: { path: '^core/src/(flow|planning)/' },
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
      name: 'web-rooms-share-parts-only',
      severity: 'error',
      from: { path: '^web/src/([^/]+)/', pathNot: '^web/src/app/' },
      to: { path: '^web/src/([^/]+)/', pathNot: ['^web/src/$1/', '^web/src/(app|parts|test)/'] },
    },
    {
      name: 'server-platform-is-below-the-rooms',
      severity: 'error',
      from: { path: '^server/src/platform/', pathNot: '\\.test\\.ts$' },
      to: { path: '^server/src/', pathNot: '^server/src/platform/' },
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
