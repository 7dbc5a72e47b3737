import { defineConfig } from 'vite';

/** What runs under Node beside the web server: the stand-in ESC and the command line. */
export default defineConfig({
  publicDir: false,
  build: {
    ssr: true,
    outDir: 'build/node',
    rollupOptions: { input: { standIn: './stand-in/main.ts', lt: './cli/main.ts' } },
  },
});
