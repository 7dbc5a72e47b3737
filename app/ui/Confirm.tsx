import { AlertDialog } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { Form } from 'react-router';
import { Button } from './Button';

interface Props {
  /** The button that asks. */
  trigger: ReactNode;
  title: string;
  text: string;
  /** What is sent when it is meant. */
  method: 'post' | 'delete';
  fields?: Readonly<Record<string, string>>;
  yes: string;
  no: string;
}

/** Asks before something that cannot be taken back, and sends it to the action of this page. Made when it is opened. */
export function Confirm({ trigger, title, text, method, fields = {}, yes, no }: Props) {
  const [open, setOpen] = useState(false);
  // Not at once: a form that is taken away while it is being sent is not sent.
  const closeAfterSending = () => setTimeout(() => setOpen(false));
  return (
    <AlertDialog.Root open={open} onOpenChange={setOpen}>
      <AlertDialog.Trigger asChild>{trigger}</AlertDialog.Trigger>
      {open && (
        <AlertDialog.Portal>
          <AlertDialog.Overlay className="fixed inset-0 z-20 bg-ink/40" />
          <AlertDialog.Content className="fixed top-1/3 left-1/2 z-30 w-[min(28rem,90vw)] -translate-x-1/2 rounded-sm border border-ink bg-sheet p-6">
            <AlertDialog.Title className="text-2xl">{title}</AlertDialog.Title>
            <AlertDialog.Description className="mt-2">{text}</AlertDialog.Description>
            <Form method={method} className="mt-5 flex gap-3" onSubmit={closeAfterSending}>
              <AlertDialog.Cancel asChild>
                <Button>{no}</Button>
              </AlertDialog.Cancel>
              {Object.entries(fields).map(([name, value]) => (
                <input key={name} type="hidden" name={name} value={value} />
              ))}
              <Button type="submit" className="text-hazard">
                {yes}
              </Button>
            </Form>
          </AlertDialog.Content>
        </AlertDialog.Portal>
      )}
    </AlertDialog.Root>
  );
}
