export * from './acts';
export * from './callees';
export * from './presence';
export * from './doings';
export * from './known';
export * from './if-called';
export * from './ready';
export * from './serving';
