import { expect, it } from 'vitest';
import { VOCABULARY, type SettingId } from '../settings/vocabulary';
import { HOW_IT_ENTERS } from './howItEnters';

/** The page of `docs/` that says it for people; `npx vitest run core/physics/howItEnters -u` writes it again. */
it('what enters the drills, and how, is the page in docs', async () => {
  const all = Object.keys(HOW_IT_ENTERS) as SettingId[];
  const lines = all.flatMap((id) => {
    const how = HOW_IT_ENTERS[id];
    return how === null ? [] : [`| ${VOCABULARY[id].name} | ${how} |`];
  });
  const recorded = all
    .filter((id) => HOW_IT_ENTERS[id] === null && id !== 'other')
    .map((id) => VOCABULARY[id].name);
  const page = [
    '# How each setting enters the drills',
    '',
    'Written by a test from `core/physics/howItEnters.ts`; another holds that each of these changes what the ESC does, and',
    'that no other setting does.',
    '',
    '| setting | enters as |',
    '| --- | --- |',
    ...lines,
    '',
    'Only loaded and recorded:',
    '',
    ...recorded.map((name) => `- ${name}`),
    '',
  ].join('\n');
  await expect(page).toMatchFileSnapshot('../../docs/how-settings-enter.md');
});
