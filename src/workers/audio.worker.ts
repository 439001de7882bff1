/** Brings sound into telephone form, off the page. */
import { expose } from 'comlink';
import { NoSound, toTelephone, type Stage, type TelephoneSound } from '../core/audio';

export type Made = { ok: true; sound: TelephoneSound } | { ok: false; message: string };

const audio = {
  /** @param onstage is told what is being done. What is wrong with the sound comes back in words. */
  toTelephone(channels: Float32Array[], rate: number, trim: boolean, onstage: (stage: Stage) => void): Made {
    try {
      return { ok: true, sound: toTelephone(channels, rate, { trim, onstage }) };
    } catch (error) {
      if (error instanceof NoSound) return { ok: false, message: error.message };
      throw error;
    }
  },
};
export type AudioWorker = typeof audio;
expose(audio);
