/** The arrows of the house: app → server → formats → core, app → core. Core imports nothing outside. */
const forbid = (name, from, to) => ({ name, severity: 'error', from: { path: from }, to });

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    forbid('core-imports-only-core', '^core/(?!.*[.]test[.]ts$)', { pathNot: '^core/' }),
    forbid('core-tests-import-core-and-test-tools', '^core/.*[.]test[.]ts$', {
      pathNot: '^(core/|demo/|formats/|node_modules/(vitest|fast-check)/)',
    }),
    forbid('formats-import-core', '^formats/', { path: '^(app|server|demo|e2e|tools)/' }),
    forbid('server-does-not-import-app', '^server/(?!web[.]ts$)', { path: '^app/' }),
    forbid('only-the-server-knows-the-database', '^(app|core|formats)/', {
      path: '^node_modules/(sequelize|pg|umzug)/',
    }),
    forbid('nothing-imports-tests', '^(app|core|formats|server)/(?!.*[.]test[.]ts$)', {
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
