/** Makes the runs of the demo anew: `npm run season`. They change only where the model or what is noted does. */
import { readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'vite';

/** @param {string} name */
const read = (name) => JSON.parse(readFileSync(`demo/${name}.json`, 'utf8'));
const server = await createServer({
  appType: 'custom',
  configFile: false,
  server: { middlewareMode: true, hmr: false, ws: false },
});
const { makeSeason } = await server.ssrLoadModule('/demo/season/makeSeason.ts');
const files = makeSeason({
  buggy: read('kelp-beach-buggy.rig'),
  buggyEsc: read('tamsel-r60.esc-profile'),
  trainer: read('headland-trainer.rig'),
  trainerEsc: read('sondry-a45.esc-profile'),
});
for (const [name, text] of Object.entries(files))
  writeFileSync(`demo/season/${name}`, /** @type {string} */ (text));
await server.close();
