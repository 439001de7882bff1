import type { Plugin } from 'vite';

/**
 * Carbon's stylesheet brings its own typeface from a CDN, and four themes that are not used. This product ships its
 * typeface and asks no other host for anything, so both are taken out before the build sees them.
 */
export function ownTypeface(): Plugin {
  return {
    name: 'own-typeface',
    enforce: 'pre',
    transform(code, id) {
      if (!/carbon-components-svelte\/css\/[\w-]+\.css/.test(id)) return null;
      return {
        code: code
          .replace(/@font-face\s*\{[^}]*\}/g, '')
          .replace(/:root\[theme=[^\]]*\]\s*\{[^}]*\}/g, '')
          .replace(/font-family:IBM Plex (?:Sans|Mono)[^;}]*/g, 'font-family:var(--font)'),
        map: null,
      };
    },
  };
}
