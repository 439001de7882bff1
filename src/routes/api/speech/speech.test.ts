/** Typed text spoken by the server's own voice, and brought into telephone form. */
import { describe, expect, it } from 'vitest';
import { LOUDNESS, loudness, RATE, toTelephone } from '$core/audio';
import { GET, POST } from './+server';

const ask = (body: unknown) =>
  POST({
    request: new Request('http://here/api/speech', {
      method: 'POST',
      body: JSON.stringify(body),
      duplex: 'half',
    } as RequestInit),
  } as Parameters<typeof POST>[0]) as Promise<Response>;
const spoken = async (text: string, language = 'en-us', speed = 1) => {
  const response = await ask({ text, language, speed });
  expect(response.status).toBe(200);
  const rate = Number(response.headers.get('x-sample-rate'));
  const samples = new Int16Array(await response.arrayBuffer());
  return { rate, samples, seconds: samples.length / rate };
};

describe('speech', () => {
  it('says a greeting about as long as people take, and faster when asked', async () => {
    const words = 'Welcome to Lantern Cove Boatworks. Please leave a message after the tone.';
    const usual = await spoken(words);
    // 12 words at 150 to 190 a minute. Common practice, no source.
    expect(usual.seconds).toBeGreaterThan(3);
    expect(usual.seconds).toBeLessThan(7);
    expect((await spoken(words, 'en-us', 1.5)).seconds).toBeLessThan(usual.seconds * 0.8);
    const telephone = toTelephone([Float32Array.from(usual.samples, (s) => s / 32_768)], usual.rate);
    expect(telephone.seconds).toBeCloseTo(usual.seconds, 1);
    // A peak keeps speech from being quite as loud as a tone would be made.
    const heard = loudness(
      Float32Array.from(telephone.pcm, (s) => s / 32_768),
      RATE,
    );
    expect(Math.abs(heard - LOUDNESS)).toBeLessThan(3);
  });
  it('says the same words differently in another language', async () => {
    expect((await spoken('Bitte hinterlassen Sie eine Nachricht.', 'de')).samples).not.toEqual(
      (await spoken('Bitte hinterlassen Sie eine Nachricht.', 'en-us')).samples,
    );
  });
  it('lists the languages that can be asked for', async () => {
    const languages = (await ((await GET({} as Parameters<typeof GET>[0])) as Response).json()) as {
      id: string;
    }[];
    expect(languages.map((l) => l.id)).toEqual(
      expect.arrayContaining(['en-us', 'en-gb', 'de', 'fr-fr', 'es', 'sv']),
    );
  });
  it('refuses nothing, too much, and a language nobody speaks', async () => {
    expect((await ask({ text: ' ', language: 'en-us', speed: 1 })).status).toBe(422);
    expect((await ask({ text: 'x'.repeat(4001), language: 'en-us', speed: 1 })).status).toBe(422);
    expect((await ask({ text: 'x', language: '../etc', speed: 1 })).status).toBe(422);
    expect((await ask({ text: 'x', language: 'xx', speed: 1 })).status).toBe(404);
    expect((await ask({ text: 'x', language: 'en-us', speed: 9 })).status).toBe(422);
  });
  it('refuses what would take too long to say, however short it is', async () => {
    const answer = await ask({ text: '航'.repeat(600), language: 'en-us', speed: 1 });
    expect(answer.status).toBe(422);
    expect(((await answer.json()) as { detail: string }).detail).toContain('Shorten it to 41 %');
    expect((await ask({ text: 'mast '.repeat(40), language: 'en-us', speed: 1 })).status).toBe(200);
  });
});
