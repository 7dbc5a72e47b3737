/**
 * Lists what a user can read: `npm run -s sentences` shows what nobody has read aloud yet, `-- --all` everything by
 * file, `-- --take` writes the list of what was read.
 */
import { writeFileSync } from 'node:fs';
import { allSentences, REVIEWED, reviewedSentences } from './lib/sentences.mjs';

const all = allSentences();

if (process.argv.includes('--take')) {
  writeFileSync(REVIEWED, `${[...all.keys()].toSorted().join('\n')}\n`);
  console.log(`${all.size} sentences are in ${REVIEWED} now.`);
} else {
  const read = new Set(process.argv.includes('--all') ? [] : reviewedSentences());
  const shown = [...all].filter(([sentence]) => !read.has(sentence));
  for (const file of new Set(shown.map(([, name]) => name)))
    console.log(
      [file, ...shown.filter(([, name]) => name === file).map(([sentence]) => `  ${sentence}`)].join('\n'),
    );
  console.log(`${shown.length} sentences`);
}
