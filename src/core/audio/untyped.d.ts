/** Libraries the tests hold sound against, which come without types. */
declare module 'fft.js' {
  export default class FFT {
    constructor(size: number);
    createComplexArray(): number[];
    realTransform(out: number[], samples: number[]): void;
  }
}
declare module 'node-wav' {
  export function decode(file: Uint8Array): { sampleRate: number; channelData: Float32Array[] };
}
