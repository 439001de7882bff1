/** Sound files: WAV, as 16-bit samples or as G.711 µ-law (format tag 7). */
import { WaveFile } from 'wavefile';
import { RATE } from './g711';

/** A WAV file of telephone samples. @param form how they are written */
export function writeWav(pcm: Int16Array, form: 'pcm' | 'ulaw' = 'pcm'): Uint8Array {
  const file = new WaveFile();
  file.fromScratch(1, RATE, '16', pcm);
  if (form === 'ulaw') file.toMuLaw();
  return file.toBuffer();
}

/** Reads a WAV file. @returns its channels, full scale 1 @throws where it is none */
export function readWav(bytes: Uint8Array): { channels: Float32Array[]; rate: number } {
  const file = new WaveFile();
  file.fromBuffer(bytes);
  file.toBitDepth('32f');
  const { numChannels, sampleRate } = file.fmt as { numChannels: number; sampleRate: number };
  const samples = file.getSamples(false, Float32Array) as unknown as Float32Array | Float32Array[];
  return {
    channels: numChannels === 1 ? [samples as Float32Array] : (samples as Float32Array[]),
    rate: sampleRate,
  };
}
