import { defineConfig } from 'vite';

/** The service worker: one file at the root, beside what the application's own build wrote there. */
export default defineConfig({
  publicDir: false,
  build: {
    outDir: 'build/client',
    emptyOutDir: false,
    rolldownOptions: {
      input: 'app/offline/worker/serviceWorker.ts',
      output: { format: 'iife', entryFileNames: 'sw.js' },
    },
  },
});
