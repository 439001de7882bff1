/** Keypad tones made and heard. Limits of ITU-T Q.23, Q.24 and ETSI ES 201 235, from memory. */
import { describe, expect, it } from 'vitest';
import { drawn } from '../calls/rules/chance';
import { decodeUlaw, encodeUlaw, eraseKeys, KeyReceiver, keysIn, RATE, tone, tonesOf } from '.';

const KEYS = '1234567890*#ABCD';
const silence = (seconds: number) => new Float32Array(Math.round(seconds * RATE));
const join = (...parts: Float32Array[]) => Float32Array.from(parts.flatMap((p) => [...p]));
const pair = (low: number, high: number, seconds = 0.1, lowLevel = 0.2, highLevel = 0.2) =>
  tone([low], seconds, lowLevel).map((s, i) => s + highLevel * Math.sin((2 * Math.PI * high * i) / RATE));
const pressed = (keys: string, on = 0.08, off = 0.08) =>
  join(silence(0.1), ...[...keys].flatMap((k) => [tone(tonesOf(k)!, on, 0.2), silence(off)]), silence(0.1));

describe('keys left out of a recording', () => {
  const loud = (samples: Float32Array) => samples.filter((s) => Math.abs(s) > 0.01).length;
  it('none is heard any more, and nothing of their edges is left', () => {
    const sound = pressed(KEYS);
    expect(eraseKeys(sound)).toBe(KEYS.length);
    expect(keysIn(sound)).toBe('');
    expect(loud(sound)).toBe(0);
  });
  it('what is said before and after stays as it was', () => {
    const voice = tone([300, 450], 0.4);
    const sound = join(voice, silence(0.1), tone(tonesOf('7')!, 0.1), silence(0.1), voice);
    const before = sound.slice();
    expect(eraseKeys(sound)).toBe(1);
    const edge = voice.length;
    expect(sound.subarray(0, edge)).toEqual(before.subarray(0, edge));
    expect(sound.subarray(-edge)).toEqual(before.subarray(-edge));
    expect(loud(sound.subarray(edge, -edge))).toBe(0);
  });
  it('one tone alone, and noise, are left in', () => {
    const sound = join(
      tone([1004], 1),
      Float32Array.from({ length: RATE }, (_, i) => drawn(7, i) - 0.5),
    );
    const before = sound.slice();
    expect(eraseKeys(sound)).toBe(0);
    expect(sound).toEqual(before);
  });
});

describe('keys', () => {
  it('have the pairs of tones of Q.23', () => {
    expect(['1', '5', '0', '#', 'D'].map(tonesOf)).toEqual([
      [697, 1209],
      [770, 1336],
      [941, 1336],
      [941, 1477],
      [941, 1633],
    ]);
    expect(tonesOf('x')).toBeUndefined();
  });
  it('are heard as they were pressed, each once, through µ-law too', () => {
    const sound = pressed(KEYS);
    expect(keysIn(sound)).toBe(KEYS);
    const line = decodeUlaw(encodeUlaw(Int16Array.from(sound, (s) => Math.round(s * 32_767))));
    expect(keysIn(Float32Array.from(line, (s) => s / 32_768))).toBe(KEYS);
    expect(keysIn(pressed('1122'))).toBe('1122');
    expect(keysIn(pressed('7', 2))).toBe('7');
  });
  it('are heard piece by piece as in one, and once where packets are lost in the middle', () => {
    const sound = pressed(KEYS);
    for (const size of [64, 999, 2048]) {
      const receiver = new KeyReceiver();
      let heard = '';
      for (let i = 0; i < sound.length; i += size) heard += receiver.push(sound.subarray(i, i + size));
      expect(heard, `${size}`).toBe(KEYS);
    }
    const seven = tone(tonesOf('7')!, 0.05, 0.2);
    const lost = join(silence(0.05), seven, silence(0.04), seven, silence(0.1));
    expect(new KeyReceiver(RATE, 7).push(lost)).toBe('7');
    expect(new KeyReceiver(RATE, 7).push(pressed('7747'))).toBe('7747');
  });
  it('are taken when 1.5 % off, and not when 3.5 % off', () => {
    for (const key of KEYS)
      for (const off of [-0.015, 0.015]) {
        const [low, high] = tonesOf(key)!;
        expect(
          keysIn(join(silence(0.05), pair(low * (1 + off), high * (1 + off)), silence(0.1))),
          `${key} ${off}`,
        ).toBe(key);
      }
    for (const key of KEYS)
      for (const off of [-0.04, 0.04]) {
        const [low, high] = tonesOf(key)!;
        expect(
          keysIn(join(silence(0.05), pair(low * (1 + off), high * (1 + off)), silence(0.1))),
          `${key} ${off}`,
        ).toBe('');
      }
  });
  it('are taken from 50 ms on, and not from 20 ms', () => {
    for (const key of KEYS) {
      expect(keysIn(join(silence(0.05), pair(...tonesOf(key)!, 0.05), silence(0.1))), key).toBe(key);
      expect(keysIn(join(silence(0.05), pair(...tonesOf(key)!, 0.02), silence(0.1))), key).toBe('');
    }
  });
  it('are taken with 4 dB of twist either way, and not with 14', () => {
    const twist = (db: number, key = '5') => {
      const [low, high] = tonesOf(key)!;
      return keysIn(join(silence(0.05), pair(low, high, 0.1, 0.2, 0.2 * 10 ** (db / 20)), silence(0.1)));
    };
    expect([twist(4), twist(-4), twist(14), twist(-14)]).toEqual(['5', '5', '', '']);
  });
  it('are heard in noise 15 dB below, and in noise or music alone there are none', () => {
    const noise = (level: number, length: number, seed: number) =>
      Float32Array.from({ length }, (_, i) => level * (drawn(seed, i) - 0.5) * Math.sqrt(12));
    const sound = pressed('159D');
    const rms = 0.2;
    const hiss = noise(rms * 10 ** (-15 / 20), sound.length, 5);
    const noisy = sound.map((s, i) => s + hiss[i]!);
    expect(keysIn(noisy)).toBe('159D');
    expect(keysIn(noise(0.2, RATE * 5, 9))).toBe('');
    expect(keysIn(tone([440, 480], 2, 0.2))).toBe('');
    expect(keysIn(tone([697], 1, 0.3))).toBe('');
  });
});
