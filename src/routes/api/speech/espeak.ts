/** The voice that ships with the product: eSpeak NG, compiled for Node. It stays on the server. */
import type { Language, Speaker, Spoken } from '../../../standins/speech/speech';

/** Words a minute as it speaks by itself. */
const USUAL_RATE = 175;

interface Worker {
  set_voice(name: string): number;
  set_rate(wordsPerMinute: number): void;
  get_samplerate(): number;
  list_voices(): { name: string; languages: { name: string; priority: number }[] }[];
  synthesize(text: string, heard: (samples: Int16Array | null) => boolean): void;
}

let ready: Promise<Worker> | undefined;
const worker = (): Promise<Worker> =>
  (ready ??= import('@echogarden/espeak-ng-emscripten').then(async ({ default: start }) => {
    const { eSpeakNGWorker } = (await start()) as { eSpeakNGWorker: new () => Worker };
    return new eSpeakNGWorker();
  }));

/** One voice for each language, by the name it is asked for. */
async function languages(): Promise<Language[]> {
  const found = new Map<string, string>();
  for (const { name, languages } of (await worker()).list_voices()) {
    const own = languages[0]?.name;
    if (own && !found.has(own)) found.set(own, name);
  }
  return [...found].map(([id, name]) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name, 'en'));
}

async function speak(text: string, language: string, speed: number): Promise<Spoken | null> {
  const voice = await worker();
  if (voice.set_voice(language) !== 0) return null;
  voice.set_rate(Math.round(USUAL_RATE * speed));
  const parts: Int16Array[] = [];
  voice.synthesize(text, (samples) => {
    if (samples?.length) parts.push(samples);
    return false;
  });
  const samples = new Int16Array(parts.reduce((all, p) => all + p.length, 0));
  let at = 0;
  for (const part of parts) {
    samples.set(part, at);
    at += part.length;
  }
  return { samples, rate: voice.get_samplerate() };
}

export const espeak: Speaker = { languages, speak };
