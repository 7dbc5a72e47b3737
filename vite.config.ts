import { reactRouter } from '@react-router/dev/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

/** What so many files of the page use is loaded with the first of them. */
const MOST_PAGES = 6;

export default defineConfig({
  plugins: [tailwindcss(), reactRouter()],
  build: {
    // Fonts as data: URLs would break the content security policy.
    assetsInlineLimit: 0,
  },
  environments: {
    client: {
      build: {
        rolldownOptions: {
          output: {
            // A page of forty small files waits for as many round trips; what most pages share comes in few.
            codeSplitting: {
              groups: [
                {
                  name: 'framework',
                  test: /node_modules\/(react|react-dom|react-router|scheduler)\//,
                  priority: 2,
                },
                { name: 'shared', minShareCount: MOST_PAGES, priority: 1 },
              ],
            },
          },
        },
      },
    },
    ssr: {
      build: {
        rollupOptions: { input: './server/web.ts' },
      },
    },
  },
  worker: { format: 'es' },
});
