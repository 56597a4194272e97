/**
 * Who may import whom. The floors of core, each using only those above it in this list, through their faces.
 * docs/architecture.md tells what lies on each.
 */
const floors = [
  'base',
  'device',
  'nature',
  'tariff',
  'electric',
  'equipment',
  'house',
  'rules',
  'design',
  'wiring',
  'placement',
  'study',
  'simulator',
  'offer',
  'checks',
  'commissioning',
  'logbook',
  'present',
  'job',
  'papers',
  'api',
];

const error = { severity: 'error' };
const tests = '(\\.spec\\.ts$|/testing/)';

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    ...floors.slice(0, -1).map((floor, place) => ({
      ...error,
      name: `${floor}-looks-up-only`,
      comment: `core/src/${floor} stands above ${floors.slice(place + 1).join(', ')} and knows none of them.`,
      from: { path: `^core/src/${floor}/` },
      to: { path: `^core/src/(${floors.slice(place + 1).join('|')})/` },
    })),
    {
      ...error,
      name: 'through-the-face',
      comment:
        'A floor is used through its index.ts, and what single stages need of it through its details.ts; the rest is nobody else’s business.',
      from: { path: '^core/src/([^/]+)/' },
      to: {
        path: '^core/src/[^/]+/',
        pathNot: ['^core/src/$1/', '^core/src/[^/]+/(index|details|packs)\\.ts$', '/testing/'],
      },
    },
    {
      ...error,
      name: 'not-through-the-own-face',
      comment: 'Files of one floor know each other directly.',
      from: { path: '^core/src/([^/]+)/' },
      to: { path: '^core/src/$1/(index|details|packs)\\.ts$' },
    },
    {
      ...error,
      name: 'known-floors-only',
      comment: 'A new floor needs its place in the list above.',
      from: { path: '^core/src/', pathNot: `^core/src/(${floors.join('|')})/` },
      to: {},
    },
    {
      ...error,
      name: 'tests-are-for-tests',
      from: { path: '^(core|server|web)/src/', pathNot: tests },
      to: { path: '/testing/' },
    },
    {
      ...error,
      name: 'core-from-outside',
      comment: 'Web, server and tests of the whole use core through @levamen/core/<floor>.',
      from: { path: '^(web|server|e2e)/' },
      to: { path: '^core/src/', pathNot: '^core/src/[^/]+/(index|details|packs)\\.ts$' },
    },
    {
      ...error,
      name: 'web-and-server-apart',
      from: { path: '^(web|server)/src/' },
      to: { path: '^(web|server)/src/', pathNot: '^$1/src/' },
    },
    {
      ...error,
      name: 'shell-knows-no-stage',
      comment: 'Stages say what the shell needs to know in their *.stage.ts; stages.ts lists them.',
      from: { path: '^web/src/app/(shell|data|ui)/', pathNot: tests },
      to: { path: '^web/src/app/stages/' },
    },
    { ...error, name: 'no-circle', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '/dist/' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      conditionNames: ['levamen-source', 'types', 'import', 'default'],
      exportsFields: ['exports'],
    },
  },
};
