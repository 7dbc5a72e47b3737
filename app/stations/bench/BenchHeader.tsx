import { CHEMISTRIES } from '#core/physics/pack';
import { VEHICLE_CLASSES } from '#core/rig/vehicleClass';
import { EVIDENCE, isVerified, unknownItems, weakestBasis, weakestOf } from '#core/sheet/evidence';
import { formatNumber } from '#core/units/format';
import { Link } from 'react-router';
import { PreferencesDialog } from '../../preferences/PreferencesDialog';
import { Logo } from '../../ui/Logo';
import { DraftMark, EscMark } from '../../ui/marks';
import { Notice } from '../../ui/Notice';
import { useBench, useKeeping } from './BenchContext';
import { DraftConflict } from './DraftConflict';

/** The slim bar: which rig, which ESC, and how far the draft is from it. */
export function BenchHeader() {
  const { rigId, rig, profile, escs, changeCount, heldSheetNumber, lastLoadSimulated, temporaries } =
    useBench();
  const { status } = useKeeping();
  // Of several ESCs the one that is known worst: none is verified before all are.
  const basis = weakestOf(escs.map(({ holdings }) => weakestBasis(holdings)));
  const unknown = escs.reduce((sum, { holdings }) => sum + unknownItems(profile, holdings).length, 0);
  const onTheEsc =
    unknown > 0
      ? `${unknown} unknown`
      : heldSheetNumber === undefined
        ? EVIDENCE[basis]
        : `sheet ${heldSheetNumber}`;
  const kv = formatNumber(rig.motor.kvRpmPerVolt.value, 0);
  const capacity = formatNumber(rig.pack.capacityAh.value * 1000, 0);
  return (
    <header className="border-b border-ink print:hidden">
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1 px-3.5 py-2 md:min-h-14 md:py-1 md:pl-5">
        <Logo />
        <div className="order-3 w-full min-w-0 md:order-none md:w-auto md:flex-1">
          <p className="truncate font-display text-lg leading-tight font-bold">{rig.name}</p>
          <p className="truncate text-sm text-muted">
            {VEHICLE_CLASSES[rig.vehicleClass]} · {rig.pack.cells} cells {CHEMISTRIES[rig.pack.chemistry]}{' '}
            {capacity} mAh · {kv} kV · {profile.name}
          </p>
        </div>
        <p className="ml-auto flex items-center gap-4 text-sm md:ml-0">
          <span className="hidden items-center gap-2 sm:flex">
            <EscMark mark={unknown > 0 ? 'unknown' : isVerified(basis) ? 'verified' : 'believed'} />
            <Link to={`/rigs/${rigId}/esc`} className="underline decoration-rule underline-offset-4">
              on the {lastLoadSimulated ? 'simulated ESC' : 'ESC'}
              {escs.length > 1 && 's'}: {onTheEsc}
            </Link>
          </span>
          <span
            className={`flex items-center gap-2 ${changeCount > 0 ? 'font-bold text-draft' : 'text-muted'}`}
          >
            <DraftMark />
            {changeCount === 0
              ? unknown > 0
                ? 'draft: nothing'
                : 'draft: as it is'
              : `draft: ${changeCount} ${changeCount === 1 ? 'differs' : 'differ'}`}
          </span>
          {temporaries.length > 0 && (
            <Link to={`/rigs/${rigId}/tune`} className="font-bold text-caution underline underline-offset-4">
              temporary: {temporaries.length}
            </Link>
          )}
          <span className="sr-only" role="status" aria-live="polite">
            {status.kind === 'saved' ? 'draft saved' : ''}
          </span>
        </p>
        <PreferencesDialog />
      </div>
      {status.kind === 'full' && (
        <div className="px-3.5 pb-2" role="alert">
          <Notice grade="caution" title="The disk of the bench computer is full.">
            <p>Your draft is kept here. Free some space; then it is saved by itself.</p>
          </Notice>
        </div>
      )}
      {status.kind === 'notYours' && (
        <div className="px-3.5 pb-2" role="status">
          <Notice grade="note" title="You try this out: only the owner’s device keeps a draft." />
        </div>
      )}
      {status.kind === 'away' && (
        <div className="px-3.5 pb-2" role="alert">
          <Notice
            grade="caution"
            title="The server does not answer. Your draft is kept here and is saved when it is back."
          />
        </div>
      )}
      {status.kind === 'refused' && (
        <div className="px-3.5 pb-2" role="alert">
          <Notice grade="caution" title="The server refused this draft.">
            <p>
              The rig may be deleted, or have another ESC now. Your last change is kept in this browser.
              Reload the page.
            </p>
          </Notice>
        </div>
      )}
      {status.kind === 'conflict' && (
        <div className="px-3.5 pb-2" role="alert">
          <DraftConflict theirs={status.theirs} />
        </div>
      )}
    </header>
  );
}
