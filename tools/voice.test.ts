import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { allSentences, reviewedSentences, sentencesIn } from './lib/sentences.mjs';

const MOST_WORDS = 20;
/** Pages of the command line are read line by line. */
const HELP = new Set(['cli/lt.ts', 'tools/start.mjs']);

const all = allSentences();

/** The left column of the table in docs/voice.md. */
const NOT_SAID = readFileSync('docs/voice.md', 'utf8')
  .split('## Words that we do not use')[1]!
  .split('## ')[0]!
  .split('\n')
  .filter((line) => line.startsWith('| ') && !line.startsWith('| not ') && !line.startsWith('| --'))
  .flatMap((line) => line.split('|')[1]!.trim().split(', '))
  .filter((word) => !word.includes('…'));

const FORBIDDEN = new RegExp(`\\b(${NOT_SAID.join('|')})\\b`, 'i');

const wordsOf = (sentence: string): number =>
  sentence.split(/\s+/).filter((word) => /[\w…]/.test(word)).length;

describe('what a user can read', () => {
  it('was read aloud, all of it: see docs/voice.md for how to add a sentence', () => {
    const read = new Set(reviewedSentences());
    expect([...all].filter(([sentence]) => !read.has(sentence))).toEqual([]);
    expect([...read].filter((sentence) => !all.has(sentence))).toEqual([]);
  });

  it('uses none of the words that we do not use', () => {
    expect(NOT_SAID.length).toBeGreaterThan(30);
    expect([...all].filter(([sentence]) => FORBIDDEN.test(sentence))).toEqual([]);
  });

  it(`has at most ${MOST_WORDS} words a sentence`, () => {
    const long = [...all]
      .filter(([, file]) => !HELP.has(file))
      .flatMap(([text]) => text.split(/(?<=[.?!])\s+/))
      .filter((sentence) => wordsOf(sentence) > MOST_WORDS);
    expect(long).toEqual([]);
  });
});

describe('how sentences are found', () => {
  it('text of a page with its inner parts in a row, labels, and strings with gaps', () => {
    const source = [
      'export const Part = () => (',
      '  <p className="flex gap-2" title="Not now">',
      '    Switch it <b>off</b>{" "}',
      '    at <Place /> once.',
      '  </p>',
      ');',
      'const words = `${count} values left`;',
      "const state = 'notShown';",
      "const label = 'Launch';",
    ].join('\n');
    expect(sentencesIn('Part.tsx', source)).toEqual([
      'Switch it off at … once.',
      'Not now',
      '… values left',
      'Launch',
    ]);
  });
});
