export * from './schema';
export * from './defaults';
export * from './steps';
export { Command, Edit } from './commands';
export { applyEdit, patchSystem, type Applied, type Problem } from './apply';
export { Standing, asPaired, emptyStanding, hasArrived, isProved } from './standing';
export { upgradePatches, upgradeStanding, upgradeSystem } from './upgrade';
