import node from '@astrojs/node';
import react from '@astrojs/react';
import { defineConfig } from 'astro/config';
import { checksElsewhere } from './scripts/lib/checks-elsewhere.mjs';
import { pureSchemas } from './scripts/lib/pure-schemas.mjs';

/** Files name each other many times over: their hashes alone tell them apart, and weigh less. */
const shortNames = {
  name: 'short-names',
  hooks: {
    'astro:build:setup': ({ target, vite }) => {
      if (target !== 'client') return;
      const names = '_astro/[hash:7]';
      Object.assign(vite.build.rollupOptions.output, {
        entryFileNames: `${names}.js`,
        chunkFileNames: `${names}.js`,
        assetFileNames: '_astro/[name].[hash:7][extname]',
      });
    },
  },
};

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react(), shortNames],
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
