export { contrastOf, readable, stylesOf, type Readable } from './look';
export { mayNotAsk, offeredAt, stillCounts, type Asked, type Offered } from './offered';
export { escaped, snippetOf, visitAddress, type Where } from './snippet';
export { visitSeen, type VisitSeen } from './seen';
