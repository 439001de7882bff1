export * from './formulas';
export { differenceOf, estimateOf, type Estimate } from './intervals';
export * from './load';
