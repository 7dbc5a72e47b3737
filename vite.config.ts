import { reactRouter } from '@react-router/dev/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [tailwindcss(), reactRouter()],
  build: {
    // Fonts as data: URLs would break the content security policy.
    assetsInlineLimit: 0,
  },
  environments: {
    ssr: {
      build: {
        rollupOptions: { input: './server/web.ts' },
      },
    },
  },
  worker: { format: 'es' },
});
