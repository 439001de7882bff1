export { writeCpl, type CplWritten } from './write';
export { LARGEST_SCRIPT, readCpl, type CplRead } from './read';
export { readReachCpl, writeReachCpl, type ReachRead } from './reach';
