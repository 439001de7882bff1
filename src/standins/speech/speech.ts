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
  /** @param speed 1 is as usual @returns null where the language is not spoken */
  speak(text: string, language: string, speed: number): Promise<Spoken | null>;
}
