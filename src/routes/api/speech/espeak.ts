/** The voice that ships with the product, in a process of its own; see voice.child.mjs. */
import type { Language, Speaker, Spoken } from '../../../standins/speech/speech';
import { Apart } from '../apart/apart';
import code from './voice.child.mjs?raw';

type Asked = { what: 'languages' } | { what: 'speak'; text: string; language: string; speed: number };

/** A greeting takes half a second; what takes longer than this is no greeting. In milliseconds. */
const DEADLINE_MS = 20_000;

export const process = new Apart<Asked>(code, { deadline: DEADLINE_MS, waiting: 30, usual: 2 });

let known: Promise<Language[]> | undefined;
export const espeak: Speaker = {
  languages: () =>
    (known ??= process.ask<Language[]>({ what: 'languages' }, 100).catch((error: unknown) => {
      known = undefined;
      throw error;
    })),
  speak: (text, language, speed, { work, signal }) =>
    process.ask<Spoken | null>({ what: 'speak', text, language, speed }, work, signal),
};
