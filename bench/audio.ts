/** Sound into telephone form, and an inbox of ten thousand messages. */
import { toTelephone } from '../src/core/audio';
import { ALL_MESSAGES, inbox } from '../src/core/messages';
import { manyMessages } from './many-messages';
import { ms, spread } from './measure';

const RATE = 48_000;
const minute = [1, 2].map((channel) =>
  Float32Array.from({ length: 60 * RATE }, (_, i) => {
    const t = i / RATE;
    const syllable = t % 1 < 0.7 ? Math.abs(Math.sin(9 * t)) : 0.001;
    return 0.3 * syllable * Math.sin(2 * Math.PI * (200 * channel) * t);
  }),
);
const made = spread(5, () => void toTelephone(minute, RATE, { trim: true }));
console.log(`a minute of stereo at 48 kHz into telephone form: median ${ms(made.p50)} (aim under 1 s)`);

const messages = manyMessages();
const first = spread(1, () => void inbox(messages, { ...ALL_MESSAGES, text: 'mast' }));
const key = spread(
  60,
  (i) => void inbox(messages, { ...ALL_MESSAGES, text: 'mast anchor'.slice(0, 1 + (i % 11)) }),
);
console.log(
  `10,000 messages searched, one key: first ${ms(first.p50)}, then median ${ms(key.p50)}, p95 ${ms(key.p95)} (aim under 50 ms)`,
);
