export * from './erlang';
