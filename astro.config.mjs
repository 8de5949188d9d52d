import node from '@astrojs/node';
import react from '@astrojs/react';
import { defineConfig } from 'astro/config';
import { checksElsewhere } from './scripts/lib/checks-elsewhere.mjs';
import { pureSchemas } from './scripts/lib/pure-schemas.mjs';

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react()],
  devToolbar: { enabled: false },
  // Writes are checked in one place, src/server/http/guard.ts, which covers JSON bodies too.
  security: { checkOrigin: false },
  // Everything is a file of its own, so that the content security policy can forbid what is not.
  build: { inlineStylesheets: 'never' },
  vite: {
    // The licences of what is used stand in docs/notices.md, once.
    esbuild: { legalComments: 'none' },
    build: {
      assetsInlineLimit: 0,
    },
    plugins: [pureSchemas(), checksElsewhere()],
    worker: { plugins: () => [pureSchemas()] },
  },
});
