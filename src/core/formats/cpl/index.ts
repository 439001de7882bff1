export { writeCpl, type CplWritten } from './write';
export { LARGEST_SCRIPT, readCpl, type CplRead } from './read';
