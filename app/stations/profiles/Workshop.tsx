import type { EscProfile } from '#core/esc/profile';
import type { Problem } from '#core/units/problem';
import { previewOf } from '#core/workshop/previewOf';
import type { Sketch, SketchItem } from '#core/workshop/sketch';
import { falseFriendsIn } from '#core/settings/falseFriends';
import { writeDocument, VERSION } from '#formats/document';
import { useMemo, useState } from 'react';
import { Form, useNavigation } from 'react-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Problems } from '../../ui/Problems';
import { ItemEditor } from './ItemEditor';
import { BanksPart } from './BanksPart';
import { LimitsPart } from './LimitsPart';
import { MediaPart } from './MediaPart';
import { Preview } from './Preview';
import { TablePanel } from './TablePanel';
import { useSketch } from './useSketch';

interface Props {
  start: Sketch;
  /** Tells this sketch from others in this browser. */
  name: string;
  takenIds: readonly string[];
  /** What the server found wrong, after all. */
  problems: Problem[];
}

/** The workshop: an ESC described from its manual, checked as it is typed, with its rails and its card beside it. */
export function Workshop({ start, name, takenIds, problems: refused }: Props) {
  const bench = useSketch(start, name, takenIds);
  const { sketch, profile, problems } = bench;
  const preview = useMemo(() => previewOf(sketch), [sketch]);
  const [tableOpen, setTableOpen] = useState(start.items.length === 0);
  const suggested = sketch.items.filter(({ suggestion }) => suggestion !== '');
  const unconfirmed = suggested.length;
  const clear = suggested.filter(
    ({ label, asked }) => asked.length === 0 && falseFriendsIn(label).length === 0,
  );
  const asked = sketch.items.filter((item) => item.asked.length > 0).length;
  return (
    <div className="grid gap-8 lg:grid-cols-[1fr_22rem]">
      <div className="min-w-0">
        {bench.wasKept && (
          <div className="mb-4">
            <Notice grade="note" title="Your unsaved work is back.">
              <Button look="quiet" onClick={bench.startOver}>
                Discard it and start over
              </Button>
            </Notice>
          </div>
        )}
        <Problems problems={refused} title="Not saved yet. What you typed is kept." />
        <LimitsPart bench={bench} />
        <MediaPart bench={bench} />
        <section aria-labelledby="items" className="mt-8">
          <div className="flex flex-wrap items-baseline justify-between gap-3 border-b border-ink pb-1">
            <h2 id="items" className="text-2xl">
              Its items, {sketch.items.length}
            </h2>
            <Button look="quiet" aria-expanded={tableOpen} onClick={() => setTableOpen(!tableOpen)}>
              {tableOpen ? 'Put the table away' : 'Paste a table'}
            </Button>
          </div>
          <p className="mt-1 text-sm text-muted">
            For a number instead of stops, type its ends and step: “4.4 … 21.0 step 0.1 V”.
          </p>
          {tableOpen && <TablePanel bench={bench} onTaken={() => setTableOpen(false)} />}
          {bench.problemAt('items') && (
            <p className="mt-2 font-bold text-hazard">{bench.problemAt('items')}</p>
          )}
          {unconfirmed > 0 && (
            <p className="mt-3 flex flex-wrap items-center gap-3 text-sm" role="status">
              <span className="min-w-0 flex-1 basis-64">
                {unconfirmed === 1 ? 'One suggestion waits' : `${unconfirmed} suggestions wait`} to check:
                confirm each, or choose another setting. Nothing counts until you confirm it.
              </span>
              {clear.length > 0 && (
                <Button onClick={() => bench.set({ items: sketch.items.map(confirmedIn(clear)) })}>
                  Confirm the {clear.length} clear ones
                </Button>
              )}
            </p>
          )}
          {asked > 0 && (
            <p className="mt-3 text-sm" role="status">
              <strong>{asked === 1 ? 'One item has' : `${asked} items have`} a question</strong>: the manual’s
              words can mean two things.
            </p>
          )}
          <ol>
            {sketch.items.map((item, place) => (
              <ItemEditor
                key={item.id}
                bench={bench}
                place={place}
                read={preview?.profile.items.find(({ id }) => id === item.id || id === `${item.id}-bank-1`)}
              />
            ))}
          </ol>
          <Button className="mt-3" onClick={bench.addItem}>
            Add an item
          </Button>
          <BanksPart bench={bench} />
        </section>
        <SaveBar name={name} profile={profile} problems={problems} onLook={bench.look} />
      </div>
      <aside
        aria-label="Preview"
        className="min-w-0 lg:sticky lg:top-4 lg:max-h-[calc(100dvh-2rem)] lg:self-start lg:overflow-y-auto"
      >
        {preview ? (
          <>
            {!profile && (
              <p className="mb-2 text-sm text-caution">
                As it will be if the suggestions are right
                {preview.left > 0 &&
                  `; without ${preview.left === 1 ? 'one item' : `${preview.left} items`} not complete yet`}
                .
              </p>
            )}
            <Preview profile={preview.profile} />
          </>
        ) : (
          <p className="text-muted">Rails and programming card appear here with the first item.</p>
        )}
      </aside>
    </div>
  );
}

const confirmedIn =
  (clear: readonly SketchItem[]) =>
  (item: SketchItem): SketchItem =>
    clear.includes(item) ? { ...item, suggestion: '' } : item;

function SaveBar({
  name,
  profile,
  problems,
  onLook,
}: {
  name: string;
  profile: EscProfile | undefined;
  problems: Problem[];
  /** Every problem is to be shown at its field now. */
  onLook: () => void;
}) {
  const { state } = useNavigation();
  const toFirst = (): void => {
    onLook();
    // The marks appear with the next drawing.
    requestAnimationFrame(() => focusFirstInvalid());
  };
  return (
    <Form
      method="post"
      className="sticky bottom-0 z-10 mt-8 flex flex-wrap items-center gap-4 border-t border-ink bg-film py-3"
    >
      <input type="hidden" name="sketch" value={name} />
      <input
        type="hidden"
        name="document"
        value={
          profile ? writeDocument({ format: 'live-tune/esc-profile', version: VERSION, ...profile }) : ''
        }
      />
      <Button type="submit" look="main" disabled={!profile || state !== 'idle'}>
        {state === 'submitting' ? 'Saving …' : 'Keep this profile'}
      </Button>
      <p role="status" className="min-w-0 flex-1 basis-56 text-sm">
        {problems.length === 0 ? (
          'In order.'
        ) : (
          <>
            <span className="font-bold">
              {problems.length === 1 ? 'One thing is' : `${problems.length} things are`} missing or wrong.
            </span>{' '}
            {problems[0]!.sentence}{' '}
            <Button look="quiet" onClick={toFirst}>
              Show me
            </Button>
          </>
        )}
      </p>
    </Form>
  );
}

function focusFirstInvalid(): void {
  const invalid = document.querySelector<HTMLElement>('[aria-invalid="true"]');
  invalid?.closest('details')?.setAttribute('open', '');
  invalid?.focus();
  invalid?.scrollIntoView({ block: 'center' });
}
