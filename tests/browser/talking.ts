/** Two staff phones that are paired and set up already, each in a window of its own, and outside phones beside them. */
import type { BrowserContext, Page } from '@playwright/test';
import { BUSINESS, IDRIS, JONAH, paired } from './paired';
import { openedAt, test as base } from './seeded';

export { IDRIS, JONAH };

export const test = base.extend({
  begin: async ({ moment }, use) => {
    await use(paired(openedAt(moment)));
  },
});

/** Opens a staff phone in a window of its own. */
export async function staffPhone(
  context: BrowserContext,
  id: string,
  before?: (phone: Page) => Promise<unknown>,
): Promise<Page> {
  const phone = await context.newPage();
  await before?.(phone);
  await phone.setViewportSize({ width: 390, height: 780 });
  await phone.goto(`/phone?business=${BUSINESS}&as=${id}`);
  await phone.getByTestId('phone-state').filter({ hasText: /ready/ }).waitFor();
  return phone;
}

/** Calls somebody from a staff phone by what is typed: the first that is found. */
export async function call(phone: Page, typed: string): Promise<void> {
  const field = phone.getByRole('combobox', { name: 'Call a name, extension or number' });
  await field.fill(typed);
  await phone.getByRole('option').first().waitFor();
  await field.press('Enter');
}

/** Opens an outside phone with a number. */
export async function outsidePhone(context: BrowserContext, number: string): Promise<Page> {
  const phone = await context.newPage();
  await phone.setViewportSize({ width: 390, height: 780 });
  await phone.goto('/bench/phone');
  await phone.getByLabel('Number of this phone').selectOption(number);
  return phone;
}

/** The 1,004 Hz at which telephone circuits are tested. */
export const TEST_TONE = 1004;

/** From now on the microphone of a window gives the test tone and nothing else. */
export async function toneAsMicrophone(phone: Page, hertz = TEST_TONE): Promise<void> {
  await phone.addInitScript((frequency) => {
    navigator.mediaDevices.getUserMedia = () => {
      const context = new AudioContext();
      const oscillator = new OscillatorNode(context, { frequency });
      const out = context.createMediaStreamDestination();
      oscillator.connect(out);
      oscillator.start();
      return Promise.resolve(out.stream);
    };
  }, hertz);
}

/** How loud a tone is at the loudspeaker of a window, in dB of full scale; -Infinity where nothing is played. */
export const levelAt = (phone: Page, hertz = TEST_TONE): Promise<number> =>
  phone.evaluate(async (frequency) => {
    const playing = [...document.querySelectorAll<HTMLAudioElement>('audio[data-testid="voice"]')].filter(
      (a) => a.srcObject && !a.muted && !a.paused,
    );
    if (!playing.length) return -Infinity;
    const context = new AudioContext();
    const analyser = context.createAnalyser();
    analyser.fftSize = 8192;
    analyser.smoothingTimeConstant = 0;
    for (const a of playing) context.createMediaStreamSource(a.srcObject as MediaStream).connect(analyser);
    await new Promise((heard) => setTimeout(heard, 600));
    const levels = new Float32Array(analyser.frequencyBinCount);
    analyser.getFloatFrequencyData(levels);
    const level = levels[Math.round((frequency * analyser.fftSize) / context.sampleRate)]!;
    await context.close();
    return level;
  }, hertz);
