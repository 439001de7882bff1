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
      $ui: 'src/ui',
      $demo: 'demo',
    },
    // Everything comes from this server; nothing may be framed, and no plug-in content runs.
    csp: {
      mode: 'nonce',
      directives: {
        'default-src': ['none'],
        'script-src': ['self'],
        'style-src': ['self'],
        'font-src': ['self'],
        'img-src': ['self', 'data:'],
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
