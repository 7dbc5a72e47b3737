import { Form, useNavigation } from 'react-router';
import { Button } from './Button';

/** Chooses a JSON file and sends it to the action of this page. Works before the page is hydrated, too. */
export function FilePicker({ label, button = 'Import' }: { label: string; button?: string }) {
  const { state, formData } = useNavigation();
  const sending = formData?.get('intent') === 'import';
  return (
    <Form method="post" encType="multipart/form-data" className="flex flex-wrap items-center gap-3">
      <input type="hidden" name="intent" value="import" />
      <label className="flex min-w-0 flex-wrap items-center gap-3">
        <span>{label}</span>
        <input
          type="file"
          name="file"
          accept=".json,application/json"
          required
          className="w-full max-w-96 min-w-0 rounded-sm border border-rule bg-sheet p-2 file:mr-3 file:border-0 file:bg-transparent file:font-bold"
        />
      </label>
      <Button type="submit" disabled={state !== 'idle'}>
        {sending ? 'Reading …' : button}
      </Button>
    </Form>
  );
}
