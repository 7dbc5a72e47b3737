/** The arrows of the house: app → server → formats → core, stand-in → core. Core imports nothing outside. */

/** The floors of core, from the ground up: a room imports only rooms of lower floors. docs/architecture.md draws them. */
const FLOORS = [
  ['units'],
  ['settings', 'radio'],
  ['esc'],
  ['physics', 'procedure', 'workshop', 'link'],
  ['rig', 'ear', 'eye', 'device'],
  ['archetypes', 'quick', 'sensitivity', 'sheet', 'packs'],
  ['plan', 'firmware'],
  ['calibration'],
  ['advice'],
  ['triage', 'setUps'],
  ['runs'],
  ['days', 'rehearsal'],
];
const roomsOn = (floors) => `^core/(${floors.flat().join('|')})/`;
const forbid = (name, from, to) => ({ name, severity: 'error', from: { path: from }, to });

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    ...FLOORS.flatMap((rooms, floor) =>
      rooms.map((room) =>
        forbid(`core-${room}-stands-on-lower-floors`, `^core/${room}/(?!.*[.](test|fixture)[.]ts$)`, {
          path: roomsOn(FLOORS.slice(floor)),
          pathNot: `^core/${room}/`,
        }),
      ),
    ),
    {
      name: 'every-room-of-core-has-its-floor',
      severity: 'error',
      from: { path: '^core/', pathNot: roomsOn(FLOORS) },
      to: {},
    },
    forbid('core-imports-only-core', '^core/(?!.*[.](test|fixture)[.]ts$|runs/fit/|days/zoned[.]ts)', {
      pathNot: '^core/',
    }),
    forbid('only-the-clock-knows-the-date-library', '^(?!core/days/zoned[.]ts|node_modules/)', {
      path: '^node_modules/luxon/',
    }),
    forbid('a-fit-imports-only-core-and-its-library', '^core/runs/fit/(?!.*[.](test|fixture)[.]ts$)', {
      pathNot: '^(core/|node_modules/ml-)',
    }),
    forbid('only-a-fit-knows-its-library', '^(?!core/runs/fit/|node_modules/)', {
      path: '^node_modules/ml-',
    }),
    forbid('core-tests-import-core-and-test-tools', '^core/.*[.](test|fixture)[.]ts$', {
      pathNot: '^(module$|core/|demo/|formats/|node_modules/(vitest|fast-check|simple-statistics|odex)/)',
    }),
    forbid('formats-import-core', '^formats/(?!.*[.]test[.]ts$)', {
      path: '^(app|server|stand-in|cli|demo|e2e|tools|bench)/',
    }),
    forbid('stand-in-imports-core', '^stand-in/', {
      path: '^(app|server|formats|cli|demo|e2e|tools|bench)/',
    }),
    forbid('command-line-imports-formats-and-core', '^cli/', {
      path: '^(app|server|stand-in|demo|e2e|tools|bench)/',
    }),
    forbid(
      'only-tests-reach-into-the-stand-in',
      '^(app|core|formats|cli|server)/(?!.*[.](test|fixture)[.]ts$)',
      {
        path: '^stand-in/',
      },
    ),
    forbid('server-does-not-import-app', '^server/(?!web[.]ts$)', { path: '^app/' }),
    forbid('only-the-server-knows-the-database', '^(app|core|formats)/', {
      path: '^node_modules/(sequelize|pg|umzug)/',
    }),
    forbid('nothing-imports-tests', '^(app|core|formats|server|stand-in|cli)/(?!.*[.]test[.]ts$)', {
      path: '([.]test[.]tsx?$|^e2e/)',
    }),
    {
      name: 'resolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^(virtual:|[.]/[+]types|.*[+]types/)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
