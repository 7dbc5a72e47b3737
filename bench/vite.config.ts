import { defineConfig } from 'vite';

export default defineConfig({
  publicDir: false,
  build: {
    ssr: true,
    outDir: '.cache/bench',
    rollupOptions: {
      input: {
        traces: './bench/traces.bench.ts',
        ear: './bench/ear.bench.ts',
        eye: './bench/eye.bench.ts',
        stint: './bench/stint.bench.ts',
        page: './bench/page.bench.ts',
      },
    },
  },
});
