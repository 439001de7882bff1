import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';
import { optimizeImports } from 'carbon-preprocess-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: [vitePreprocess(), optimizeImports()],
  kit: {
    adapter: adapter({ precompress: true }),
    alias: {
      $core: 'src/core',
      $standins: 'src/standins',
      $workspace: 'src/workspace',
      $exchange: 'src/exchange',
      $media: 'src/media',
      $ui: 'src/ui',
      $demo: 'demo',
    },
    // Registered once the page is there, and only where it was built; see new-version.svelte.ts.
    serviceWorker: { register: false },
    // One page is kept for all addresses: what it loads must be found from each of them.
    paths: { relative: false },
    // Everything comes from this server; nothing may be framed, and no plug-in content runs.
    csp: {
      mode: 'nonce',
      directives: {
        'default-src': ['none'],
        'script-src': ['self'],
        'style-src': ['self'],
        // The one inline style that the framework's own markup carries: "display: contents".
        'style-src-attr': ['unsafe-hashes', 'sha256-S8qMpvofolR8Mpjy4kQvEm7m1q8clzU4dfDH0AmvZjo='],
        'font-src': ['self'],
        // Pictures of texts are shown from their bytes alone.
        'img-src': ['self', 'data:', 'blob:'],
        'media-src': ['self', 'blob:', 'data:'],
        'connect-src': ['self'],
        'worker-src': ['self'],
        'manifest-src': ['self'],
        'base-uri': ['none'],
        'form-action': ['none'],
        'frame-ancestors': ['none'],
        'object-src': ['none'],
      },
    },
  },
};
