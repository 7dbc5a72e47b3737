import { isByHand, MEDIA, type HandMedium, type Medium } from '#core/esc/media';
import { openHazards } from '#core/advice/verdicts/verdict';
import { itemById, stopById, nameOf, labelIn } from '#core/esc/profile';
import { isPlanned } from '#core/plan/search';
import { inShortOrder } from '#core/plan/shortOrder';
import { changesInOrder, type Change } from '#core/sheet/draft';
import { heldStops, unknownItems } from '#core/sheet/evidence';
import { formatDuration } from '#core/units/format';
import { useMemo, useState, type ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';
import { SafetyGate } from '../../simulated/SafetyGate';
import { Button } from '../../ui/Button';
import { DraftMark } from '../../ui/marks';
import { Notice } from '../../ui/Notice';
import { OneOf } from '../../ui/OneOf';
import { TickBox } from '../../ui/TickBox';
import type { Access } from '#core/rig/rig';
import { HAND_VALUES, type HandValues, type HandChange } from '#core/rig/handValues';
import { useBench } from '../bench/BenchContext';
import { VerdictList } from '../tune/VerdictList';
import { EscChoice } from './EscChoice';
import { NoPlan } from './NoPlan';
import type { Where } from './where';
import { useArrangedLoad } from './useLoadOrder';
import { usePlannedLoad } from './usePlannedLoad';
import { useTogether } from './useTogether';

/** How a load is begun. */
export interface Beginning {
  /** Undefined where nothing is to be stored: there is work for hands only. */
  medium: Medium | undefined;
  precaution: string;
  where: Where;
  /** What hands do before and after the ESC is worked. */
  before: HandValues;
  after: HandValues;
  /** Other ESCs of the model that are loaded at once with this one. */
  alongside: readonly number[];
}

interface Props {
  onBegin: (beginning: Beginning) => void;
  /** Chooses another ESC of the model. */
  onEsc: (escNumber: number) => void;
}

/** What will be loaded, by which medium, how long it takes, and what must be safe before it starts. */
export function BeforeLoad({ onBegin, onEsc }: Props) {
  const { rigId, escNumber, rig, profile, holdings, changes, handChanges, changeCount, verdicts } =
    useBench();
  const [precaution, setPrecaution] = useState<string>();
  // A passed rehearsal leads here: to the same load, by the same medium, on the real ESC.
  const asked = useSearchParams()[0];
  const [family, setFamily] = useState<Medium['family']>(
    () => profile.media.find((m) => m.family === asked.get('by'))?.family ?? profile.media[0]!.family,
  );
  const [where, setWhere] = useState<Where>(asked.get('on') === 'own' ? 'own' : 'simulated');
  const medium = profile.media.find((m) => m.family === family) ?? profile.media[0]!;
  const hazards = openHazards(verdicts);
  const takenUpon = verdicts.filter(({ overridden }) => overridden !== undefined);
  const together = useTogether(medium.family);
  const load = useArrangedLoad(medium.family);
  const plan = usePlannedLoad(isByHand(medium) ? medium : undefined, load.changes);
  const noWay = plan !== undefined && !isPlanned(plan) ? plan : undefined;
  const uncounted = profile.items.filter((item) => holdings[item.id]?.basis === 'seenStored');
  const countable = isByHand(medium) && !MEDIA[medium.family].showsStored ? [] : uncounted;

  const toStore = changes.length > 0 || countable.length > 0;
  if (!toStore && handChanges.length === 0) return <NothingToLoad onEsc={onEsc} />;
  const begin = (): void => {
    if (precaution === undefined) return;
    const [before, after] = [wantedOf(load.before), wantedOf(load.after)];
    const alongside = together.isOffered && where === 'own' && together.isChosen ? together.others : [];
    onBegin({ medium: toStore ? medium : undefined, precaution, where, before, after, alongside });
  };
  return (
    <div className="max-w-4xl px-5 py-6">
      <h1 className="text-3xl">
        {!toStore
          ? `Make ${handChanges.length} ${handChanges.length === 1 ? 'change' : 'changes'} on the model and its radio`
          : changeCount === 0
            ? `Count back ${countable.length} ${countable.length === 1 ? 'value' : 'values'}`
            : `Load ${changeCount} ${changeCount === 1 ? 'change' : 'changes'} into the ${profile.name}`}
      </h1>
      <EscChoice onEsc={onEsc} />
      {hazards.length === 0 && takenUpon.length > 0 && (
        <div className="mt-5 grid max-w-3xl gap-3">
          <VerdictList verdicts={takenUpon} />
        </div>
      )}
      {hazards.length > 0 ? (
        <div className="mt-5 grid gap-3">
          <p className="text-lg font-bold">Clear this before you load.</p>
          <VerdictList verdicts={hazards} />
        </div>
      ) : (
        <div className="mt-4 grid gap-6 lg:grid-cols-2">
          <div className="grid content-start gap-5">
            {toStore && <MediumChoice chosen={medium.family} onChoose={setFamily} />}
            {toStore && isByHand(medium) && <WhereChoice chosen={where} onChoose={setWhere} />}
            {changes.length > 0 && escNumber === 1 && (
              <p>
                <Link
                  className="underline underline-offset-4"
                  to={`/rehearse/${profile.id}/myLoad?by=${medium.family}&rig=${rigId}`}
                >
                  Rehearse this load first
                </Link>
                : only how well it went is kept.
              </p>
            )}
            {together.isOffered && where === 'own' && (
              <TickBox on={together.isChosen} onChange={together.choose}>
                all ESCs at once: all hear the same stick and must sound together
              </TickBox>
            )}
            <section aria-labelledby="changes">
              <h2 id="changes" className="text-xl">
                {medium.family === 'programForm' ? 'What changes' : 'In this order'}
              </h2>
              <ol className="mt-1">
                {load.before.map((change) => (
                  <HandLine key={change.key} change={change} when={toStore ? 'before power-on' : ''} />
                ))}
                {load.changes.map((change, place) => (
                  <ChangeLine key={place} change={change} />
                ))}
                {load.after.map((change) => (
                  <HandLine key={change.key} change={change} when={toStore ? 'after all is stored' : ''} />
                ))}
              </ol>
              {medium.family !== 'programForm' && load.worseOnTheWay !== undefined && (
                <Notice grade="caution" title="Do not stop half-way">
                  <p>
                    Until all is stored, this may be true for a while: {load.worseOnTheWay} No order avoids
                    it. Keep the model still until the end.
                  </p>
                </Notice>
              )}
              {countable.length > 0 && (
                <Notice grade="note" title="Stored earlier, not counted back yet">
                  <p>
                    {countable.map((item) => labelIn(profile, item)).join(', ')}: you count it at the end of
                    this load.
                  </p>
                </Notice>
              )}
            </section>
          </div>
          <div>
            <AccessNotes access={rig.access} />
            <SafetyGate kind={rig.vehicle.kind} chosen={precaution} onChoose={setPrecaution} />
            {toStore && noWay && (
              <div className="mt-5 border-l-4 border-caution pl-3">
                <NoPlan why={noWay} />
              </div>
            )}
            <Button
              look="main"
              className="mt-5 w-full"
              disabled={precaution === undefined || (toStore && noWay !== undefined)}
              onClick={begin}
            >
              {!toStore ? 'Begin' : medium.family === 'link' ? 'Load by link' : 'Begin loading'}
            </Button>
            {toStore && medium.family !== 'link' && changeCount > 0 && (
              <p className="mt-3">
                <Link
                  className="underline underline-offset-4"
                  to={`/rigs/${rigId}/load/paper?by=${medium.family}&esc=${escNumber}`}
                >
                  Print the plan
                </Link>
                {isByHand(medium) && ' or a pit card'}.
              </p>
            )}
          </div>
        </div>
      )}
    </div>
  );
}

function NothingToLoad({ onEsc }: Pick<Props, 'onEsc'>) {
  const { rigId, profile, holdings } = useBench();
  const unknown = unknownItems(profile, holdings).length;
  return (
    <div className="max-w-3xl px-5 py-6">
      <h1 className="text-3xl">Nothing to load</h1>
      <EscChoice onEsc={onEsc} />
      <p className="mt-3 text-lg">
        {unknown === 0
          ? 'The draft and the ESC are the same. '
          : `Nothing to load; ${unknown} ${unknown === 1 ? 'value is' : 'values are'} unknown. `}
        <Link className="underline" to={`/rigs/${rigId}/tune`}>
          Go to Tune
        </Link>{' '}
        and change something, or see{' '}
        <Link className="underline" to={`/rigs/${rigId}/esc`}>
          what the ESC holds
        </Link>
        .
      </p>
    </div>
  );
}

const NOT_BY_HAND = {
  link: 'a few seconds, with everything read back',
  programForm: 'a list to set in the program; you read the values back',
} as const;

/** The ways into this ESC, each with the time it takes. */
function MediumChoice({
  chosen,
  onChoose,
}: {
  chosen: Medium['family'];
  onChoose: (family: Medium['family']) => void;
}) {
  const { profile } = useBench();
  const words = (medium: Medium): ReactNode => (
    <Way
      name={MEDIA[medium.family].words}
      what={isByHand(medium) ? <ByHand medium={medium} /> : NOT_BY_HAND[medium.family]}
    />
  );
  return (
    <OneOf
      legend={<span className="font-display text-xl">By</span>}
      name="medium"
      of={profile.media.map((medium) => [medium.family, words(medium)] as const)}
      value={chosen}
      onChoose={onChoose}
    />
  );
}

/** The page's ESC teaches the hand what to do; the plan is the same beside a real one. */
function WhereChoice({ chosen, onChoose }: { chosen: Where; onChoose: (where: Where) => void }) {
  return (
    <OneOf
      legend={<span className="font-display text-xl">On</span>}
      name="where"
      of={[
        ['simulated', <Way name="the simulated ESC, here" what="try it first, or if you have no real one" />],
        [
          'own',
          <Way name="your own ESC on the bench" what="space bar, tap or microphone goes to the next step" />,
        ],
      ]}
      value={chosen}
      onChoose={onChoose}
    />
  );
}

function Way({ name, what }: { name: string; what: ReactNode }) {
  return (
    <span>
      <strong>{name}</strong>
      <span className="block text-sm text-muted">{what}</span>
    </span>
  );
}

/** How long the hand takes, or that it cannot. */
function ByHand({ medium }: { medium: HandMedium }) {
  const plan = usePlannedLoad(medium, useMenuOrder(medium.family));
  const shows = MEDIA[medium.family].showsStored;
  if (plan === undefined) return '…';
  if (!isPlanned(plan))
    return plan === 'noWay' ? 'its menu does not open with this radio now' : 'no plan was found';
  if (plan.seconds === 0) return 'by hand';
  return `about ${formatDuration(plan.seconds)}${shows ? ' with counting back' : '; it cannot show stored values'}`;
}

/** What is to be stored, in the order that is the shortest by this medium. */
function useMenuOrder(family: Medium['family']): Change[] {
  const { profile, changes, holdings } = useBench();
  return useMemo(
    () => inShortOrder(profile, family, changesInOrder(profile, heldStops(profile, holdings), changes)),
    [profile, family, changes, holdings],
  );
}

function ChangeLine({ change: { itemId, fromStopId, toStopId } }: { change: Change }) {
  const { profile } = useBench();
  const item = itemById(profile, itemId);
  return (
    <li className="flex items-baseline gap-2 border-t border-rule py-2">
      <DraftMark className="size-3.5 shrink-0 self-center" />
      <span>
        <strong>{nameOf(item)}</strong> {fromStopId === null ? 'unknown' : stopById(item, fromStopId).label} →{' '}
        <strong className="text-draft">{stopById(item, toStopId).label}</strong>
        <span className="block text-sm text-muted">
          item {item.number} “{labelIn(profile, item)}”
        </span>
      </span>
    </li>
  );
}

/** What hands do, and when. */
function HandLine({ change, when }: { change: HandChange; when: string }) {
  const { name, unit } = HAND_VALUES[change.key];
  return (
    <li className="flex items-baseline gap-2 border-t border-rule py-2">
      <DraftMark className="size-3.5 shrink-0 self-center" />
      <span>
        <strong>{name}</strong> {change.from} →{' '}
        <strong className="text-draft">
          {change.to}&nbsp;{unit}
        </strong>
        <span className="block text-sm text-muted">by hand{when && `, ${when}`}</span>
      </span>
    </li>
  );
}

const wantedOf = (changes: readonly HandChange[]): HandValues =>
  Object.fromEntries(changes.map(({ key, to }) => [key, to]));

/** Where key and socket are, as their owner has noted it. */
function AccessNotes({ access: { setKey, programmingLead } }: { access: Access }) {
  if (setKey === '' && programmingLead === '') return null;
  return (
    <p className="mb-3 border-l-4 border-rule pl-3">
      {setKey !== '' && <>Its key: {setKey}. </>}
      {programmingLead !== '' && <>Its socket: {programmingLead}.</>}
    </p>
  );
}
