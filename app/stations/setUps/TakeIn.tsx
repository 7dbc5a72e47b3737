import { useRef, useState } from 'react';
import { Form } from 'react-router';
import { Button } from '../../ui/Button';
import { FilePicker } from '../../ui/FilePicker';

/** A set-up from somebody else: a file, a line of text, or a picture of a QR code. */
export function TakeIn() {
  const [code, setCode] = useState('');
  const [said, setSaid] = useState('');
  const form = useRef<HTMLFormElement>(null);
  const read = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setSaid('Reading the picture …');
    const { codeInPicture } = await import('./codeInPicture');
    const found = await codeInPicture(file);
    setCode(found ?? '');
    setSaid(
      found === undefined
        ? 'No code found in this picture. Try it closer, sharper, with less glare.'
        : 'Read.',
    );
  };
  return (
    <details className="border-y border-rule">
      <summary className="min-h-11 cursor-pointer py-2 font-display text-xl font-bold">Take one in</summary>
      <FilePicker label="A file" />
      <Form method="post" ref={form} className="mt-4 grid max-w-3xl gap-2">
        <input type="hidden" name="intent" value="code" />
        <label className="flex flex-wrap items-center gap-3">
          <span>A picture of a code</span>
          <input
            type="file"
            accept="image/*"
            onChange={(event) => void read(event.target.files?.[0])}
            className="max-w-96 min-w-0 rounded-sm border border-rule bg-sheet p-2 file:mr-3 file:border-0 file:bg-transparent file:font-bold"
          />
        </label>
        <p role="status" className="min-h-6">
          {said}
        </p>
        <label className="grid gap-1">
          <span>Or its text</span>
          <textarea
            name="code"
            rows={3}
            value={code}
            onChange={(event) => setCode(event.target.value)}
            placeholder="live-tune-set-up:1:…"
            className="w-full rounded-sm border border-muted bg-film p-2 font-mono text-sm break-all"
          />
        </label>
        <p>
          <Button type="submit" disabled={code.trim() === ''}>
            Take this code in
          </Button>
        </p>
      </Form>
    </details>
  );
}
