// All that the floors of core export, as they were compiled.
export * from '../core/dist/base/index.js';
export * from '../core/dist/nature/index.js';
export * from '../core/dist/electric/index.js';
export * from '../core/dist/equipment/index.js';
export * from '../core/dist/house/index.js';
export * from '../core/dist/house/details.js';
export * from '../core/dist/rules/index.js';
export * from '../core/dist/design/index.js';
export * from '../core/dist/study/index.js';
export * from '../core/dist/study/details.js';
export * from '../core/dist/checks/index.js';
export * from '../core/dist/present/index.js';
export * from '../core/dist/job/index.js';
export * from '../core/dist/api/index.js';
export * from '../core/dist/equipment/details.js';
