/** Promises about load, by business. */
import { LoadPromises } from '../../core/staffing/load/promised';
import { keptList } from './kept-list';

export const { read: readLoadPromises, change: changeLoadPromises } = keptList(
  (id) => `load promises:${id}`,
  LoadPromises,
);
