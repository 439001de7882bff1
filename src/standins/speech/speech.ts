/** A voice that speaks typed text. The real thing stands behind this interface, on the server. */
export interface Spoken {
  /** 16-bit samples, one channel. */
  samples: Int16Array;
  rate: number;
}
export interface Language {
  /** BCP 47, in small letters. */
  id: string;
  name: string;
}
export interface Speaker {
  languages(): Promise<Language[]>;
  /**
   * @param speed 1 is as usual @param how `work` as `workOf` reckons it; `signal` of whoever asks
   * @returns null where the language is not spoken
   */
  speak(
    text: string,
    language: string,
    speed: number,
    how: { work: number; signal?: AbortSignal },
  ): Promise<Spoken | null>;
}

/** The most that is spoken at once, in units of work: about four minutes. */
export const MOST_WORK = 4000;

/**
 * How much work a text is to speak, in letters of an alphabet. A digit is a word; a character of Chinese, Japanese or Korean is
 * one or several, and a voice of another language spells what it is. Measured with the voice that ships; no source.
 */
export function workOf(text: string): number {
  let work = 0;
  for (const sign of text)
    work += /[\p{L}\p{M}\s]/u.test(sign)
      ? /\p{Script=Han}|\p{Script=Hiragana}|\p{Script=Katakana}|\p{Script=Hangul}/u.test(sign)
        ? 16
        : 1
      : /\d/.test(sign)
        ? 4
        : /[.,;:!?'"()-]/.test(sign)
          ? 1
          : 16;
  return work;
}
