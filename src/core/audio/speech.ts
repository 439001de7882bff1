/** What is given to the machine to speak: words only, spelt as they are said. */
import type { Business, Respelling, Voice } from '../system';

/** Markup and brackets mean something to speech programs; to us they are signs nobody says. */
const SIGNS = /[<>[\]{}|\\^~`]/g;

/** Whether a text holds signs that are not said. */
export const hasUnspoken = (text: string): boolean => text.search(SIGNS) >= 0;

/**
 * The words to speak: signs left out, words respelt.
 * @param respellings of whole words, whatever their case; longer ones go before shorter ones
 */
export function speakable(text: string, respellings: readonly Respelling[] = []): string {
  const plain = text.replace(SIGNS, ' ').replace(/&/g, ' and ').replace(/\s+/g, ' ').trim();
  return [...respellings]
    .sort((a, b) => b.word.length - a.word.length)
    .reduce((all, { word, say }) => {
      const literal = word.trim().replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
      // As a function: what is put in place has no signs that mean something.
      return all.replace(new RegExp(`(?<![\\p{L}\\p{N}])${literal}(?![\\p{L}\\p{N}])`, 'giu'), () =>
        say.replace(SIGNS, ' '),
      );
    }, plain);
}

/** Languages that callers of a country are spoken to in, where nothing else is chosen. */
const BY_COUNTRY: Readonly<Record<string, string>> = {
  US: 'en-us',
  CA: 'en-us',
  GB: 'en-gb',
  IE: 'en-gb',
  AU: 'en-gb',
  NZ: 'en-gb',
  DE: 'de',
  AT: 'de',
  CH: 'de',
  FR: 'fr-fr',
  ES: 'es',
  IT: 'it',
  NL: 'nl',
  SE: 'sv',
  NO: 'nb',
  DK: 'da',
  FI: 'fi',
};

/** How the machine speaks for a business. */
export const voiceOf = (business: Business): Voice =>
  business.voice ?? { language: BY_COUNTRY[business.country] ?? 'en-us', speed: 1 };
