export { fetchFrom, RelayClient, type Fetch, type RelayTold } from './client';
export { LIMITS, NotTaken, Relay, type Limits, type Out } from './relay';
export { addressOf } from './address';
export { ALIVE_MS, Drop, Hello, LARGEST_REQUEST, MOST_PIECES, Pass, type FromRelay } from './protocol';
