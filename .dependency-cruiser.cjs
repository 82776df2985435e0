/** The house rules of docs/architecture.md, checked by `npm run imports`. */
module.exports = {
  forbidden: [
    {
      name: 'core-stays-pure',
      comment: 'core knows no interface, storage, stand-in or command line',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(app|standins|cli|e2e|scripts|server)/' },
    },
    {
      name: 'core-has-no-interface-packages',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: 'node_modules/(react|react-dom|react-router|antd|dexie|echarts|konva)/' },
    },
    {
      name: 'routes-do-not-import-each-other',
      severity: 'error',
      from: { path: '^app/routes/([^/]+)/' },
      to: { path: '^app/routes/', pathNot: '^app/routes/$1/' },
    },
    {
      name: 'only-storage-imports-dexie',
      severity: 'error',
      from: { pathNot: '^app/storage/' },
      to: { path: 'node_modules/dexie/' },
    },
    {
      name: 'only-chart-files-import-echarts',
      severity: 'error',
      from: { pathNot: '^app/ui/charts/' },
      to: { path: 'node_modules/echarts/' },
    },
    {
      name: 'no-test-imported-by-product',
      severity: 'error',
      from: { pathNot: '\\.(test|spec|fixture)\\.tsx?$|^e2e/' },
      to: { path: '\\.(test|spec)\\.tsx?$|fast-check' },
    },
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'records-are-the-floor',
      comment: 'shapes of what is kept know only the reckoning, units and days',
      severity: 'error',
      from: { path: '^core/records/', pathNot: '\\.(test|fixture)\\.ts$' },
      to: { path: '^core/', pathNot: '^core/(records|reckoning|units|days|words)/' },
    },
    {
      name: 'checks-know-no-planner',
      comment: 'a finished plan is judged by rules that do not ask how it was found',
      severity: 'error',
      from: { path: '^core/season/(checks|rules)/', pathNot: '\\.(test|fixture)\\.ts$' },
      to: { path: '^core/season/(planner|draft|edit|output)/' },
    },
    {
      name: 'pieces-of-interface-know-no-stage',
      severity: 'error',
      from: { path: '^app/ui/' },
      to: { path: '^app/(storage|routes)/' },
    },
    {
      name: 'nothing-unresolved',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^(\\./)?\\+types|virtual:|^highs/runtime' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\+types/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
