/** Call tones by Web Audio, in a country's cadence. */
import type { Cadence } from '$core/numbering';

let context: AudioContext | undefined;
/** Where it rings; empty is where all sound goes. */
let device = '';

/** From now on tones come out of a device. Where the browser cannot, or it is gone, out of the usual one. */
export function ringOn(deviceId: string): void {
  device = deviceId;
  if (context) void sinkTo(context);
}
async function sinkTo(audio: AudioContext & { setSinkId?: (id: string) => Promise<void> }): Promise<void> {
  await audio.setSinkId?.(device).catch(() => {});
}
const sounding = (): AudioContext => {
  if (!context) {
    context = new AudioContext();
    if (device) void sinkTo(context);
  }
  return context;
};

let allowed = false;
/** Whether the browser lets this window make sound; it asks for a click or key first. */
export const soundAllowed = (): boolean => allowed;

/** Resolves once the browser lets this window make sound: at once where it does already, or with the next click. */
export async function soundStarts(): Promise<void> {
  await sounding().resume();
  allowed = true;
}

/** Call from a click or key press: the browser then allows sound. */
export async function allowSound(): Promise<void> {
  await soundStarts();
  if (!playing) rest();
}

/** So many tones are played. */
let playing = 0;
/** A loudspeaker that is kept open for silence drains a battery. */
const rest = (): void => void context?.suspend();

/**
 * Plays a tone again and again until stopped. Its schedule is laid out some cycles ahead, so that a busy page does not
 * make it stutter.
 * @returns how to stop it
 */
export function playCadence({ hertz, onOff }: Cadence, loudness = 0.12): () => void {
  const audio = sounding();
  playing++;
  void soundStarts();
  const gain = audio.createGain();
  gain.gain.value = 0;
  gain.connect(audio.destination);
  const oscillators = hertz.map((frequency) => {
    const oscillator = new OscillatorNode(audio, { frequency });
    oscillator.connect(gain);
    oscillator.start();
    return oscillator;
  });
  let planned = audio.currentTime;
  const plan = () => {
    while (planned < audio.currentTime + 12)
      for (const [i, ms] of onOff.entries()) {
        gain.gain.setValueAtTime(i % 2 === 0 ? loudness / hertz.length : 0, planned);
        planned += ms / 1000;
      }
  };
  plan();
  const timer = setInterval(plan, 4000);
  return () => {
    clearInterval(timer);
    for (const oscillator of oscillators) oscillator.stop();
    gain.disconnect();
    if (--playing === 0) rest();
  };
}

/** The tone after a greeting: 1000 Hz for half a second. Common practice, no source. */
export const VOICEMAIL_TONE: Cadence = { hertz: [1000], onOff: [500, 3_600_000] };
/** A second call knocks: 440 Hz for 0.3 s every 10 s, as North America has it (from memory). */
export const KNOCK: Cadence = { hertz: [440], onOff: [300, 9700] };
