import { MEDIA, type HandMedium, type ProgramFormMedium } from '#core/esc/media';
import { ACCEPTANCE } from '#core/rig/safety';
import { handChangesOf, type HandValues } from '#core/rig/handValues';
import { Form, useNavigation } from 'react-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import { HandSteps } from './HandSteps';
import { NextEsc } from './NextEsc';
import type { Where } from './where';
import { useKeptSheet } from './useKeptSheet';

interface Props {
  /** By which it was loaded; null where only hands worked, and nothing was stored. */
  medium: (HandMedium | ProgramFormMedium)['family'] | null;
  where: Where;
  /** What hands still have to do before it is tried. */
  after: HandValues;
  changed: readonly string[];
  /** Whether everything that was seen has reached the server. */
  ready: boolean;
  /** Whether it starts to drive with this radio; else its end points do not fit yet. */
  arms: boolean;
  /** Under which its sheet is kept, so that several devices keep one; undefined where only this page has the load. */
  loadId?: string | undefined;
  /** Goes on with another ESC of the model. */
  onNext: () => void;
}

/** The end of a load: what to try before driving, and the sheet. */
export function LoadFinished({ medium, where, after, changed, ready, arms, loadId, onNext }: Props) {
  const { rig } = useBench();
  const { kind } = rig.vehicle;
  const byHand = handChangesOf(rig, after);
  if (byHand.length > 0) return <HandSteps changes={byHand} />;
  const shows = medium !== null && (medium === 'programForm' || MEDIA[medium].showsStored);
  return (
    <div>
      <p className="font-display text-4xl leading-tight font-bold lg:text-5xl" data-testid="instruction">
        {medium === null
          ? 'All done.'
          : medium === 'programForm'
            ? 'Every value is read back from the form.'
            : shows
              ? 'Every value is counted back.'
              : 'Every value is stored, as you heard.'}
      </p>
      {!arms && (
        <div className="mt-3 max-w-2xl">
          <Notice grade="caution" title="It will not drive yet">
            <p>
              Your radio does not rest at the neutral it has learned. Switch it off and calibrate its end
              points next.
            </p>
          </Notice>
        </div>
      )}
      {medium !== null && !shows && (
        <p className="mt-3 max-w-2xl">
          This menu cannot show stored values, so nothing was counted back. The sheet says so. Do the test
          below to be sure.
        </p>
      )}
      <p className="mt-4 text-xl">
        {kind === 'wheels' ? 'Before it drives, with the wheels clear:' : 'Before it flies, propeller off:'}
      </p>
      <ul className="mt-2 list-disc pl-6 text-lg">
        {ACCEPTANCE[kind].map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <KeptSheet
        medium={medium}
        where={where}
        changed={changed}
        ready={ready}
        loadId={loadId}
        onNext={onNext}
      />
    </div>
  );
}

/** The sheet keeps itself; a note can be put on it. */
function KeptSheet({
  medium,
  where,
  changed,
  ready,
  loadId,
  onNext,
}: Pick<Props, 'medium' | 'where' | 'changed' | 'ready' | 'loadId' | 'onNext'>) {
  const { number, problem, again } = useKeptSheet({ medium, where, changed, ready, loadId });
  const saving = useNavigation().state !== 'idle';
  return (
    <Form method="post" className="mt-5 max-w-xl">
      <p role="status" className="font-bold">
        {number !== undefined ? `Kept as sheet ${number}.` : !problem && 'Keeping the sheet…'}
      </p>
      {problem && (
        <div className="mb-3" role="alert">
          <Notice grade="caution" title={`Not kept: ${problem}`}>
            <Button look="quiet" onClick={again}>
              Try again
            </Button>
          </Notice>
        </div>
      )}
      {number !== undefined && (
        <div className="my-3">
          <NextEsc onNext={onNext} />
        </div>
      )}
      <input type="hidden" name="sheet" value={number ?? ''} />
      <label className="mt-2 block">
        Note for this sheet
        <textarea name="note" rows={2} className="mt-1 w-full rounded-sm border border-muted bg-sheet p-2" />
      </label>
      <Button type="submit" look="main" className="mt-3" disabled={saving || number === undefined}>
        Done: go to Sheets
      </Button>
    </Form>
  );
}
