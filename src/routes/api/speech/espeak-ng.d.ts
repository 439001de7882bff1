declare module '@echogarden/espeak-ng-emscripten' {
  const start: () => Promise<unknown>;
  export default start;
}
