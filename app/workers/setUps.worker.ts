import type { Preview } from '#core/advice/preview';
import type { Situation } from '#core/advice/verdicts/verdict';
import type { ComparedRow } from '#core/setUps/compare';
import { effectOf } from '#core/setUps/effects';
import { translate, type Translated, type Translation } from '#core/setUps/translate';
import { expose } from 'comlink';

type Adopted = NonNullable<ComparedRow['adopts']>;

const worker = {
  /** What one value would do; nothing where the rig's numbers lead nowhere. */
  effect(situation: Situation, adopted: Adopted): Preview | undefined {
    try {
      return effectOf(situation, adopted);
    } catch {
      return undefined;
    }
  },
  translate: (translation: Translation): Translated => translate(translation),
};

export type SetUpsWorker = typeof worker;

expose(worker);
