export * from './acts';
export * from './callees';
export * from './presence';
