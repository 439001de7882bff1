/** Sound in telephone form, held against published values and independent libraries. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import FFT from 'fft.js';
import { decode as nodeWav } from 'node-wav';
import { describe, expect, it } from 'vitest';
import {
  decodeUlaw,
  encodeUlaw,
  holdMusic,
  loudness,
  LOUDNESS,
  NoSound,
  RATE,
  tone,
  toTelephone,
  writeWav,
} from '.';
import { weighting } from './loudness';
import { withoutSilence } from './silence';

const sine = (hz: number, rate: number, seconds = 1, level = 0.5): Float32Array =>
  tone([hz], seconds, level, rate);
const decibel = (ratio: number): number => 20 * Math.log10(ratio);

/** Levels of a spectrum of 4096 bins over 8 kHz, in dB below a full sine. */
function spectrum(samples: ArrayLike<number>): (hz: number) => number {
  const size = 4096;
  const fft = new FFT(size);
  const out = fft.createComplexArray();
  fft.realTransform(
    out,
    Array.from(
      { length: size },
      (_, i) => samples[2000 + i]! * (0.5 - 0.5 * Math.cos((2 * Math.PI * i) / size)),
    ),
  );
  return (hz) => {
    const near = Math.round((hz * size) / RATE);
    const bins = [-2, -1, 0, 1, 2].map((d) => Math.hypot(out[2 * (near + d)]!, out[2 * (near + d) + 1]!));
    return decibel(Math.max(...bins) / (size / 4));
  };
}

/** A reference for loudness: the ebur128 crate, compiled to WebAssembly. */
const reference = (() => {
  const file = createRequire(import.meta.url).resolve('ebur128-wasm/ebur128_wasm_bg.wasm');
  const nothing = (): void => undefined;
  const { exports } = new WebAssembly.Instance(new WebAssembly.Module(readFileSync(file)), {
    './ebur128_wasm_bg.js': {
      __wbg_new_693216e109162396: nothing,
      __wbg_stack_0ddaca5d1abfb52f: nothing,
      __wbg_error_09919627ac0992f5: nothing,
      __wbindgen_object_drop_ref: nothing,
    },
  });
  const wasm = exports as unknown as {
    memory: WebAssembly.Memory;
    __wbindgen_malloc(bytes: number): number;
    ebur128_integrated_mono(rate: number, at: number, length: number): number;
  };
  return (samples: Float32Array, rate: number): number => {
    const at = wasm.__wbindgen_malloc(samples.length * 4);
    new Float32Array(wasm.memory.buffer).set(samples, at / 4);
    return wasm.ebur128_integrated_mono(rate, at, samples.length);
  };
})();

describe('µ-law', () => {
  it('has the values of ITU-T G.711', () => {
    expect([...encodeUlaw(Int16Array.of(0))]).toEqual([0xff]);
    expect([...decodeUlaw(Uint8Array.of(0x00, 0x80, 0xff, 0x7f))]).toEqual([-32_124, 32_124, 0, 0]);
  });
  it('expands by the segments of G.711, table 2b, worked out again here', () => {
    const bytes = Uint8Array.from({ length: 256 }, (_, i) => i);
    const expanded = [...bytes].map((byte) => {
      // All bits are sent inverted: a sign, three bits of segment, four of a step within it; 14 bits, here as 16.
      const bits = ~byte & 0xff;
      const size = ((((bits & 0x0f) << 1) + 33) << ((bits >> 4) & 7)) - 33;
      return (bits & 0x80 ? -size : size) * 4 + 0;
    });
    expect([...decodeUlaw(bytes)]).toEqual(expanded.map((v) => (v === 0 ? 0 : v)));
  });
  it('comes back as it went, for every value it has', () => {
    const bytes = Uint8Array.from({ length: 256 }, (_, i) => i).filter((b) => b !== 0x7f);
    expect([...encodeUlaw(decodeUlaw(bytes))]).toEqual([...bytes]);
  });
});

describe('loudness', () => {
  it('weighs by the coefficients that ITU-R BS.1770-4 prints for 48 kHz', () => {
    // Tables 1 and 2 of annex 1; from memory, and recomputed.
    const [shelf, high] = weighting(48_000);
    for (const [own, printed] of [
      [shelf.b0, 1.53512485958697],
      [shelf.b1, -2.69169618940638],
      [shelf.b2, 1.19839281085285],
      [shelf.a1, -1.69065929318241],
      [shelf.a2, 0.73248077421585],
      [high.a1, -1.99004745483398],
      [high.a2, 0.99007225036621],
    ] as const)
      expect(own).toBeCloseTo(printed, 9);
  });
  it('of a full sine of 997 Hz is -3.01 (BS.1770-4)', () => {
    expect(loudness(sine(997, 48_000, 2, 1), 48_000)).toBeCloseTo(-3.01, 2);
    expect(loudness(sine(997, 48_000, 2, 0.1), 48_000)).toBeCloseTo(-23.01, 2);
  });
  it('leaves pauses out, as the ebur128 library does', () => {
    const speech = Float32Array.from({ length: 6 * 48_000 }, (_, i) => {
      const t = i / 48_000;
      const syllable = t % 2 < 1.2 ? Math.abs(Math.sin(7 * t)) : 0.0003;
      return 0.3 * syllable * (Math.sin(2 * Math.PI * 180 * t) + 0.5 * Math.sin(2 * Math.PI * 1900 * t));
    });
    const own = loudness(speech, 48_000);
    expect(own).toBeCloseTo(reference(speech, 48_000), 1);
    // Half of it silent, and still as loud as where somebody speaks.
    expect(own).toBeGreaterThan(-17);
    for (const rate of [8000, 44_100]) {
      const other = sine(620, rate, 3, 0.2);
      expect(loudness(other, rate)).toBeCloseTo(reference(other, rate), 1);
    }
  });
});

describe('telephone form', () => {
  it('keeps a tone of 1 kHz at the common level, whatever rate and level it came with', () => {
    for (const rate of [8000, 16_000, 22_050, 44_100, 48_000])
      for (const level of [0.05, 0.5]) {
        const made = toTelephone([sine(1000, rate, 2, level)], rate);
        expect(made.seconds).toBeCloseTo(2, 2);
        expect(made.loudness).toBeCloseTo(LOUDNESS, 2);
        const heard = Float32Array.from(decodeUlaw(made.ulaw), (s) => s / 32_768);
        expect(loudness(heard, RATE)).toBeCloseTo(LOUDNESS, 0);
        const at = spectrum(heard);
        // A sine of -20 LUFS is 17 dB below a full one; what µ-law adds is at least 35 dB below it (G.711's own noise).
        expect(at(1000)).toBeCloseTo(-17, 0);
        expect(Math.max(at(500), at(2000), at(3400))).toBeLessThan(-52);
      }
  });
  it('brings nothing from above 4 kHz back as something else, and little of what hums', () => {
    for (const [rate, hz, image] of [
      [44_100, 5000, 3000],
      [48_000, 6500, 1500],
      [48_000, 12_500, 3500],
      [22_050, 6200, 1800],
    ] as const) {
      const mix = sine(1000, rate, 2, 0.25).map((s, i) => s + 0.25 * Math.sin((2 * Math.PI * hz * i) / rate));
      const at = spectrum(Float32Array.from(toTelephone([mix], rate).pcm, (s) => s / 32_768));
      expect(at(image) - at(1000), `${hz} Hz at ${rate}`).toBeLessThan(-60);
    }
    const hum = sine(1000, 8000, 2, 0.25).map((s, i) => s + 0.25 * Math.sin((2 * Math.PI * 50 * i) / 8000));
    const at = spectrum(Float32Array.from(toTelephone([hum], 8000).pcm, (s) => s / 32_768));
    expect(at(50) - at(1000)).toBeLessThan(-20);
  });
  it('mixes channels, turns noise of a dead microphone into no roar, and clips nothing', () => {
    const [left, right] = [sine(800, 8000, 1, 0.4), new Float32Array(8000)];
    expect(toTelephone([left, right], 8000).loudness).toBeCloseTo(LOUDNESS, 1);
    const faint = sine(800, 8000, 1, 0.0006);
    expect(toTelephone([faint], 8000).loudness).toBeLessThan(-25);
    const peaky = new Float32Array(8000).map((_, i) => (i % 400 === 0 ? 1 : 0.001 * Math.sin(i)));
    const { pcm } = toTelephone([peaky], 8000);
    expect(pcm.reduce((most, s) => Math.max(most, Math.abs(s)), 0)).toBeLessThanOrEqual(
      Math.ceil(32_767 * 10 ** (-1 / 20)),
    );
  });
  it('refuses what is no sound, in words', () => {
    const refused = (channels: Float32Array[], rate = 8000): string => {
      try {
        toTelephone(channels, rate);
        return '';
      } catch (error) {
        expect(error).toBeInstanceOf(NoSound);
        return (error as Error).message;
      }
    };
    expect(refused([])).toContain('0 s long');
    expect(refused([new Float32Array(0)])).toContain('0 s long');
    expect(refused(Array.from({ length: 9 }, () => sine(500, 8000)))).toContain('9 channels');
    expect(refused([new Float32Array(8000)])).toContain('only silence');
    expect(refused([new Float32Array(8000 * 601).fill(0.1)])).toContain('601 s long');
    expect(refused([sine(500, 8000)], 100)).toContain('rate');
    expect(refused([Float32Array.of(NaN, Infinity, 0)])).toContain('only silence');
  });
  it('is told stage by stage', () => {
    const stages: string[] = [];
    toTelephone([sine(500, 44_100)], 44_100, { onstage: (s) => stages.push(s) });
    expect(stages).toEqual(['one channel', '8 kHz', 'even loudness', 'telephone form']);
  });
});

describe('silence at the ends', () => {
  const words = (before: number, after: number) =>
    Float64Array.from([
      ...new Float32Array(before * RATE),
      ...sine(700, RATE, 1),
      ...new Float32Array(after * RATE),
    ]);
  it('goes, but for a moment, and pauses between words stay', () => {
    expect(withoutSilence(words(2, 3), RATE).length / RATE).toBeCloseTo(1.3, 1);
    const pause = Float64Array.from([...words(1, 1), ...words(1, 0)]);
    expect(withoutSilence(pause, RATE).length / RATE).toBeCloseTo(4.15, 1);
  });
  it('is all there is where nothing stands out', () => {
    expect(withoutSilence(new Float64Array(800), RATE)).toHaveLength(800);
  });
});

describe('WAV files', () => {
  const { pcm } = toTelephone([sine(1000, RATE)], RATE);
  it('are read by an independent library as they were written', () => {
    const read = nodeWav(Buffer.from(writeWav(pcm)));
    expect([read.sampleRate, read.channelData.length, read.channelData[0]!.length]).toEqual([
      8000,
      1,
      pcm.length,
    ]);
    expect(Math.round(read.channelData[0]![100]! * 32_768)).toBeCloseTo(pcm[100]!, -1);
  });
  it('say of µ-law what it is: format tag 7, 8 bits, 8,000 bytes a second', () => {
    const file = Buffer.from(writeWav(pcm, 'ulaw'));
    const fmt = file.indexOf('fmt ');
    expect([file.toString('latin1', 0, 4), file.toString('latin1', 8, 12)]).toEqual(['RIFF', 'WAVE']);
    expect(file.readUInt16LE(fmt + 8)).toBe(7);
    expect(file.readUInt16LE(fmt + 10)).toBe(1);
    expect(file.readUInt32LE(fmt + 12)).toBe(8000);
    expect(file.readUInt32LE(fmt + 16)).toBe(8000);
    expect(file.readUInt16LE(fmt + 22)).toBe(8);
  });
});

it('music for those who wait has a steady level, no clipping, and ends as it begins', () => {
  const music = holdMusic(3);
  expect(music.length / RATE).toBeGreaterThan(20);
  expect(music.every((s) => Math.abs(s) < 1)).toBe(true);
  const made = toTelephone([music], RATE);
  expect(made.loudness).toBeCloseTo(LOUDNESS, 0);
  expect(Math.abs(music[0]! - music.at(-1)!)).toBeLessThan(0.05);
  expect([...holdMusic(3).slice(0, 999)]).toEqual([...music.slice(0, 999)]);
  expect([...holdMusic(4).slice(0, 9999)]).not.toEqual([...music.slice(0, 9999)]);
});
