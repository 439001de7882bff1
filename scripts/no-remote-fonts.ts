import type { Plugin } from 'vite';

/**
 * Carbon's stylesheet declares its own typeface from a CDN. This product ships its typeface and asks
 * no other host for anything, so those `@font-face` rules are taken out before the build sees them.
 */
export function noRemoteFonts(): Plugin {
  return {
    name: 'no-remote-fonts',
    enforce: 'pre',
    transform(code, id) {
      if (!/carbon-components-svelte\/css\/[\w-]+\.css/.test(id)) return null;
      return { code: code.replace(/@font-face\s*\{[^}]*\}/g, ''), map: null };
    },
  };
}
