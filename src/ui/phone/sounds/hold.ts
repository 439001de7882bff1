/** What somebody hears who is held: the music of the number they came by, else the business's. */
import { decodeUlaw } from '$core/audio';
import { holdMusicFor, type System } from '$core/system';
import { samplesOf } from '../../recordings/maker';

/** Samples at 8 kHz, full scale 1; undefined where none was chosen, or its sound cannot be had. */
export async function holdSamples(
  system: System,
  numberId: string | null,
): Promise<Float32Array<ArrayBuffer> | undefined> {
  const recording = holdMusicFor(system, numberId);
  const samples = recording && (await samplesOf(recording));
  if (!samples || !('ulaw' in samples)) return undefined;
  return Float32Array.from(decodeUlaw(samples.ulaw), (s) => s / 32_768);
}
