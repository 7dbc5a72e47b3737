import type { Preview } from '#core/advice/preview';
import type { Situation } from '#core/advice/verdicts/verdict';
import type { ComparedRow } from '#core/setUps/compare';
import { nearTo, type Like, type Nearness, type Target } from '#core/setUps/alike';
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
  /** How near a rig is to typed numbers; nothing where its own lead nowhere. */
  nearTo(like: Like, target: Target): Nearness[] {
    try {
      return nearTo(like, target);
    } catch {
      return [];
    }
  },
  translate: (translation: Translation): Translated => translate(translation),
};

export type SetUpsWorker = typeof worker;

expose(worker);
