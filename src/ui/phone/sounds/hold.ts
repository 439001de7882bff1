/** What somebody hears who is held: of the number they came by, else of the business. */
import { decodeUlaw } from '$core/audio';
import { holdSoundFor, type System } from '$core/system';
import { samplesOf } from '../../recordings/maker';

/** Samples at 8 kHz, full scale 1; none for silence, undefined for a piece made by code, or where a sound cannot be had. */
export async function holdSamples(
  system: System,
  numberId: string | null,
): Promise<Float32Array<ArrayBuffer> | undefined> {
  const sound = holdSoundFor(system, numberId);
  switch (sound.is) {
    case 'silence':
      return new Float32Array(0);
    case 'made':
      return undefined;
    case 'recording': {
      const samples = await samplesOf(sound.recording);
      return 'ulaw' in samples ? Float32Array.from(decodeUlaw(samples.ulaw), (s) => s / 32_768) : undefined;
    }
  }
}
