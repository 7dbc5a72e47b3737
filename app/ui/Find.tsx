import { useListParams } from './useListParams';

/** Looks for words in a list; the server searches as they are typed. */
export function Find({ placeholder }: { placeholder: string }) {
  const { params, change } = useListParams();
  return (
    <label className="flex items-center gap-2">
      Find
      <input
        type="search"
        defaultValue={params.get('q') ?? ''}
        onChange={(event) => change('q', event.target.value)}
        placeholder={placeholder}
        className="min-h-11 w-64 max-w-full rounded-sm border border-muted bg-sheet px-3"
      />
    </label>
  );
}
