/** The rooms of the house: imports go downwards only, and never in circles. */
const rooms = ['core', 'catalogue', 'contracts', 'server', 'web', 'cli', 'e2e'];
const mayImport = {
  core: [],
  catalogue: ['core'],
  contracts: ['core', 'catalogue'],
  server: ['core', 'catalogue', 'contracts'],
  web: ['core', 'catalogue', 'contracts'],
  cli: ['core', 'catalogue', 'contracts'],
  e2e: ['core', 'catalogue', 'contracts'],
};

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-rooms-without-a-name',
      severity: 'error',
      from: {},
      to: { path: '(^|/)(utils?|helpers?|common|misc)(/|\\.ts$)', pathNot: 'node_modules' },
    },
    {
      name: 'resolvable',
      severity: 'error',
      from: {},
      // The types of pdfmake are of no file that its package has.
      to: { couldNotResolve: true, pathNot: '^(virtual:|pdfmake/interfaces$)' },
    },
    {
      name: 'core-is-pure',
      comment: 'core computes: no files, no network, no clock from Node',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    ...rooms.map((room) => ({
      name: `${room}-imports-downwards`,
      severity: 'error',
      from: { path: `^${room}/` },
      to: {
        path: `^(${rooms.filter((r) => r !== room && !mayImport[room].includes(r)).join('|')})/`,
      },
    })),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default', 'types'],
      extensions: ['.ts', '.vue', '.js', '.mjs', '.json', '.css'],
    },
  },
};
