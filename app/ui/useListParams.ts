import { useSearchParams } from 'react-router';

/** What a list shows stands in the address: what is looked for, in what order, which page. */
export function useListParams() {
  const [params, setParams] = useSearchParams();
  /** Another choice begins at the first page again. */
  const change = (key: string, value: string): void =>
    setParams(
      (before) => {
        before.set(key, value);
        before.delete('page');
        return before;
      },
      { replace: true, preventScrollReset: true },
    );
  return { params, change };
}
