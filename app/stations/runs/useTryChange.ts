import type { Trial } from '#core/runs/trial';
import { useFetcher, useNavigate } from 'react-router';
import type { NotKept } from '../../ui/keepTyped';
import { useBench } from '../bench/BenchContext';

/** What can be done with a change that was driven. Each lays it aside; all but keeping it draft what comes next. */
export function useTryChange(trial: Trial) {
  const { rigId, drafted, moveAll } = useBench();
  const fetcher = useFetcher<object | NotKept>();
  const navigate = useNavigate();
  const action = `/rigs/${rigId}/runs`;
  const close = (): void =>
    void fetcher.submit({ intent: 'close', id: trial.id }, { method: 'post', action });
  return {
    answer: fetcher.data,
    keep: close,
    /** Not loaded and not wanted any more: its draft goes, too. */
    leave: (): void => {
      if (drafted[trial.itemId] === trial.to.stopId) moveAll({ [trial.itemId]: trial.from.stopId });
      close();
    },
    putBack: (): void => {
      moveAll({ [trial.itemId]: trial.from.stopId }, {}, { [trial.itemId]: 'Put back after a run.' });
      close();
      void navigate(`/rigs/${rigId}/load`);
    },
    goOn: (next: Trial): void => {
      moveAll({ [next.itemId]: next.to.stopId }, {}, { [next.itemId]: next.because });
      void fetcher.submit(
        { intent: 'try', asked: JSON.stringify({ kind: 'change', ...next }) },
        { method: 'post', action },
      );
      void navigate(`/rigs/${rigId}/load`);
    },
  };
}
