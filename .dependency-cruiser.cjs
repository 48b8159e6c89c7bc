/**
 * The rooms and the doors between them.
 * web -> words -> core, server -> words -> core, nothing -> web; inside core one way, from the bottom up.
 */
const order = [['base'], ['form'], ['matter'], ['mould'], ['work'], ['learn', 'studio']]

/** Rooms inside a hall, from the bottom up. */
const rooms = {
  base: [['schema'], ['problem'], ['units'], ['caution'], ['document', 'paper', 'picture']],
  form: [['mesh'], ['filling'], ['cells'], ['shape'], ['piece']],
  matter: [['material'], ['mix'], ['colour'], ['cure'], ['inclusion', 'air'], ['light']],
  work: [['plan'], ['project', 'pull', 'run'], ['bench', 'instrument']],
  learn: [['diagnosis'], ['learning']],
}

/** The rooms of the page: the server and the workers, the open project, parts, instruments, stages. */
const webOrder = [
  ['api', 'work'],
  ['project'],
  ['ui'],
  ['cutaway', 'clock', 'solid', 'thing', 'vessel', 'weigh'],
  ['heat', 'light'],
  [
    'piece',
    'mould',
    'pour',
    'desk',
    'pulls',
    'sheet',
    'shelf',
    'studio',
    'history',
    'run',
    'bench',
    'log',
    'equipment',
  ],
  ['app'],
]

/** One rule a room: it may use those below it and itself, never its neighbour or one above. */
const looksDown = (place, order) =>
  order
    .flatMap((rooms, level) =>
      rooms.map((room) => ({
        name: `${place.replaceAll('/', '-')}-${room}-looks-down`,
        severity: 'error',
        comment: `${place}/${room} may import only the rooms below it`,
        from: { path: `^${place}/${room}/`, pathNot: '\\.test\\.ts$' },
        to: {
          path: `^${place}/(${order
            .slice(level)
            .flat()
            .filter((other) => other !== room)
            .join('|')})/`,
        },
      })),
    )
    .filter((rule) => !rule.to.path.includes('()'))

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-alone',
      severity: 'error',
      comment: 'core computes; it knows neither interface nor storage nor Node',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { path: '^(words|server|web|e2e|bench)/' },
    },
    {
      name: 'words-say-what-core-means',
      severity: 'error',
      comment: 'words hold sentences for the codes of core, and know nothing above them',
      from: { path: '^words/src', pathNot: '\\.test\\.ts$' },
      to: { path: '^(server|web|e2e|bench)/' },
    },
    {
      name: 'core-no-node',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-packages',
      severity: 'error',
      comment: 'core runs anywhere: only these packages',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: {
        path: 'node_modules/',
        pathNot:
          'node_modules/(zod|fflate|saxes|earcut|jstat|pure-rand|culori|@types/culori|three|three-mesh-bvh|@types/three|manifold-3d)/',
      },
    },
    {
      name: 'server-computes-nothing',
      severity: 'error',
      comment: 'the server keeps documents; what they come to is worked out in core or in a worker',
      from: { path: '^server/src/', pathNot: '(^server/src/demo/|\\.test\\.ts$)' },
      to: { path: '^core/src/(matter/(?!material)|mould/|form/(cells|filling|shape)/|learn/)' },
    },
    {
      name: 'server-not-web',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(web|e2e|bench)/' },
    },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^(server|e2e|bench)/' },
    },
    {
      name: 'no-missing',
      severity: 'error',
      from: {},
      // Vite's own suffix: the address of a file instead of its content.
      to: { couldNotResolve: true, pathNot: '\\?url$' },
    },
    ...looksDown('core/src', order),
    ...Object.entries(rooms).flatMap(([hall, order]) => looksDown(`core/src/${hall}`, order)),
    ...looksDown('web/src', webOrder),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(web/dist|data)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.js', '.mjs', '.cjs', '.vue', '.d.ts'],
    },
  },
}
