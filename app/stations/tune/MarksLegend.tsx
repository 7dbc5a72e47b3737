import { CircleHelp } from 'lucide-react';
import { Popover } from 'radix-ui';
import { memo, type ReactNode } from 'react';
import { TickBox } from '../../ui/TickBox';
import { AdvisedMark, DraftMark, EscMark } from '../../ui/marks';
import { savePreferences, usePreferences } from '../../preferences/usePreferences';
import { DraftLine, NowLine } from './lines';

/** What the marks and lines mean, and how much each rail shows: one press away. */
export const MarksLegend = memo(function MarksLegend() {
  const preferences = usePreferences();
  return (
    <Popover.Root>
      <Popover.Trigger className="inline-flex min-h-11 items-center gap-1.5 rounded-sm px-1 underline underline-offset-4 hover:text-draft">
        <CircleHelp className="size-4.5" aria-hidden="true" />
        Marks
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          className="z-20 w-72 rounded-sm border border-ink bg-sheet p-4"
        >
          <ul className="grid gap-2">
            <Meaning words="on the ESC, verified">
              <EscMark mark="verified" />
            </Meaning>
            <Meaning words="on the ESC, not verified">
              <EscMark mark="believed" />
            </Meaning>
            <Meaning words="unknown: where it was last known">
              <EscMark mark="unknown" />
            </Meaning>
            <Meaning words="draft: what you decide">
              <DraftMark />
            </Meaning>
            <Meaning words="advised stops">
              <AdvisedMark />
            </Meaning>
            <Meaning words="curve on the ESC">
              <NowLine />
            </Meaning>
            <Meaning words="curve of the draft">
              <DraftLine />
            </Meaning>
          </ul>
          <div className="mt-3 border-t border-rule pt-2">
            <TickBox on={preferences.roomy} onChange={(roomy) => savePreferences({ ...preferences, roomy })}>
              Roomy: show all of every rail
            </TickBox>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
});

function Meaning({ words, children }: { words: string; children: ReactNode }) {
  return (
    <li className="flex items-center gap-3">
      <span className="flex w-7 justify-center">{children}</span>
      {words}
    </li>
  );
}
