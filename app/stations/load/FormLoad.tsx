import type { ProgramFormMedium } from '#core/esc/media';
import { labelsInWords } from '#core/esc/numberField';
import { itemById, labelIn, stopById, type ProfileItem, type WantedStops } from '#core/esc/profile';
import {
  afterReadOff,
  afterSent,
  beginForm,
  formItems,
  formTasks,
  readOff,
  unread,
  type ReadOff,
} from '#core/plan/formLoad';
import type { Finding } from '#core/plan/loadSession';
import type { HandValues } from '#core/rig/handValues';
import { changesOf, type Change } from '#core/sheet/draft';
import type { Holdings } from '#core/sheet/evidence';
import { Check } from 'lucide-react';
import { useState } from 'react';
import { useTopOfPage } from '../../simulated/useTopOfPage';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { TickBox } from '../../ui/TickBox';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';
import { LoadFinished } from './LoadFinished';
import { NoAnswer } from './NoAnswer';
import { useTellServer } from './useTellServer';

interface Props {
  medium: ProgramFormMedium;
  precaution: string;
  /** The stop that each drafted item has to have in the end. */
  intents: WantedStops;
  after: HandValues;
  onNext: () => void;
}

/** Where the user is: filling the form in, sending it, or reading it again. */
type Stage = 'set' | 'send' | 'read';

/** A load through the form of another program, beside this page: set, send, read again, and say what it shows. */
export function FormLoad({ medium, precaution, intents, after, onNext }: Props) {
  const { profile, holdings } = useBench();
  useTopOfPage();
  const [changes] = useState(() => changesOf(profile, holdings, { stops: intents }));
  const [session, setSession] = useState(() =>
    beginForm(profile, {
      ...neverRead(holdings),
      ...Object.fromEntries(changes.map(({ itemId, toStopId }) => [itemId, toStopId])),
    }),
  );
  const [stage, setStage] = useState<Stage>(changes.length > 0 ? 'set' : 'read');
  const server = useTellServer();
  const left = unread(session);
  const wrong = Object.entries(session.astray);
  const toSet =
    wrong.length === 0
      ? changes
      : wrong.map(([itemId, fromStopId]): Change => ({
          itemId,
          fromStopId,
          toStopId: session.target[itemId]!,
        }));
  const isDone = stage === 'read' && left.length === 0 && wrong.length === 0;
  const say = (findings: readonly { itemId: string; stopId: string }[]): void => {
    setSession(findings.reduce((so, { itemId, stopId }) => afterReadOff(so, itemId, stopId), session));
    server.tell(findings.map((finding): Finding => ({ ...finding, basis: 'readOffForm' })));
  };
  const sent = (): void => {
    server.tell(afterSent(session));
    setSession({ ...session, confirmed: [], astray: {} });
    setStage('read');
  };
  return (
    <div className="max-w-3xl px-5 py-6">
      <h1 className="sr-only">Loading by the form</h1>
      {server.trouble && (
        <Notice
          grade="caution"
          title={
            server.trouble === 'away'
              ? 'The server does not answer. What you enter is kept, and sent when it is back.'
              : 'This rig now has another ESC or another revision of it. Reload the page.'
          }
        />
      )}
      {isDone ? (
        <LoadFinished
          medium="programForm"
          where="own"
          after={after}
          changed={Object.keys(session.target)}
          ready={!server.isTelling}
          arms
          onNext={onNext}
        />
      ) : (
        <>
          {stage === 'set' && <SetForm medium={medium} changes={toSet} onSet={() => setStage('send')} />}
          {stage === 'send' && <SendForm medium={medium} onSent={sent} onBack={() => setStage('set')} />}
          {stage === 'read' && (
            <ReadForm
              medium={medium}
              session={session}
              left={left}
              onSay={say}
              onAgain={() => setStage('set')}
            />
          )}
          <div className="mt-8 grid gap-4">
            <Notice grade="hazard" title={precaution}>
              <p className="text-sm">The ESC arms again at each power-on and restart.</p>
            </Notice>
            <NoAnswer profile={profile} family="programForm" />
          </div>
        </>
      )}
    </div>
  );
}

/** What to set, page by page in the form's order: only what differs, each ticked as it is set. */
function SetForm({
  medium,
  changes,
  onSet,
}: {
  medium: ProgramFormMedium;
  changes: readonly Change[];
  onSet: () => void;
}) {
  const { profile } = useBench();
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const tasks = formTasks(profile, medium, changes);
  const isAll = changes.every(({ itemId }) => ticked.includes(itemId));
  return (
    <>
      <p className="text-muted" data-testid="progress">
        {ticked.length} of {changes.length} set on the form
      </p>
      <p className="mt-2 font-display text-3xl leading-tight font-bold" data-testid="instruction">
        Read the form from the ESC first. Then set these.
      </p>
      <p className="mt-2 text-lg">{medium.plug} Change nothing else.</p>
      {tasks.map(({ title, changes: onPage }) => (
        <section key={title} aria-label={title} className="mt-5">
          <h2 className="border-b border-ink pb-1 text-xl">{title}</h2>
          <ul>
            {onPage.map(({ itemId, fromStopId, toStopId }) => {
              const item = itemById(profile, itemId);
              return (
                <li key={itemId} className="border-b border-rule py-2">
                  <TickBox
                    on={ticked.includes(itemId)}
                    onChange={(on) =>
                      setTicked(on ? [...ticked, itemId] : ticked.filter((id) => id !== itemId))
                    }
                  >
                    <span className="text-lg">
                      {labelIn(profile, item)}:{' '}
                      <span className="text-muted">
                        {fromStopId === null ? 'unknown' : stopById(item, fromStopId).label} →
                      </span>{' '}
                      <strong className="text-draft">{stopById(item, toStopId).label}</strong>
                    </span>
                  </TickBox>
                </li>
              );
            })}
          </ul>
        </section>
      ))}
      <Button look="main" className="mt-5" disabled={!isAll} onClick={onSet}>
        All of it is set
      </Button>
    </>
  );
}

function SendForm({
  medium,
  onSent,
  onBack,
}: {
  medium: ProgramFormMedium;
  onSent: () => void;
  onBack: () => void;
}) {
  return (
    <>
      <p className="font-display text-3xl leading-tight font-bold" data-testid="instruction">
        Press “{medium.sendName}” in the program. Wait until it says it is done.
      </p>
      <p className="mt-2 text-lg">Do not unplug or switch off anything meanwhile.</p>
      <div className="mt-5 flex flex-wrap gap-3">
        <Button look="main" onClick={onSent}>
          Sent
        </Button>
        <Button onClick={onBack}>Back to the list</Button>
      </div>
    </>
  );
}

interface ReadProps {
  medium: ProgramFormMedium;
  session: ReturnType<typeof beginForm>;
  left: readonly string[];
  onSay: (findings: readonly { itemId: string; stopId: string }[]) => void;
  onAgain: () => void;
}

/** What the form shows when it has been read again: as drafted, or what else. */
function ReadForm({ medium, session, left, onSay, onAgain }: ReadProps) {
  const { profile } = useBench();
  const { target, confirmed, astray } = session;
  const wrong = Object.keys(astray);
  const inOrder = formItems(profile, medium).flatMap(({ items }) =>
    items.filter(({ id }) => target[id] !== undefined),
  );
  return (
    <>
      <p className="text-muted" data-testid="progress">
        {confirmed.length} of {inOrder.length} read back from the form
      </p>
      <p className="mt-2 font-display text-3xl leading-tight font-bold" data-testid="instruction">
        Press “{medium.readName}”, then enter what the form shows.
      </p>
      <p className="mt-2 text-lg">
        Read from the ESC again. A form that was only sent still shows what you typed.
      </p>
      {left.length > 1 && (
        <Button
          className="mt-4"
          onClick={() => onSay(left.map((itemId) => ({ itemId, stopId: target[itemId]! })))}
        >
          <Check className="size-5" aria-hidden="true" />
          All {left.length} as drafted
        </Button>
      )}
      <ul className="mt-4 border-t border-rule">
        {inOrder.map((item) => (
          <ReadLine
            key={item.id}
            item={item}
            wanted={target[item.id]!}
            shown={confirmed.includes(item.id) ? target[item.id] : astray[item.id]}
            onSay={(stopId) => onSay([{ itemId: item.id, stopId }])}
          />
        ))}
      </ul>
      {left.length === 0 && wrong.length > 0 && (
        <div className="mt-4" role="alert">
          <Notice
            grade="caution"
            title={
              wrong.length === 1
                ? 'One value is not as drafted.'
                : `${wrong.length} values are not as drafted.`
            }
          >
            <p>Do not drive or fly like this. Set them again, or change the draft on Tune.</p>
            <Button className="mt-2" onClick={onAgain}>
              Set them again
            </Button>
          </Notice>
        </div>
      )}
    </>
  );
}

interface LineProps {
  item: ProfileItem;
  wanted: string;
  /** The stop that was read off, once one was. */
  shown: string | undefined;
  onSay: (stopId: string) => void;
}

function ReadLine({ item, wanted, shown, onSay }: LineProps) {
  const [text, setText] = useState<string>();
  const label = labelIn(useBench().profile, item);
  const wantedLabel = stopById(item, wanted).label;
  const read: ReadOff | undefined =
    text === undefined || text.trim() === '' ? undefined : readOff(item, text);
  const take = (stopId: string): void => {
    onSay(stopId);
    setText(undefined);
  };
  return (
    <li className="border-b border-rule py-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <span className="min-w-0 flex-1 basis-48 text-lg">
          {label}: <strong className="text-draft">{wantedLabel}</strong>
          {shown !== undefined && shown !== wanted && (
            <span className="block font-bold text-hazard">shows {stopById(item, shown).label}</span>
          )}
        </span>
        {shown === wanted ? (
          <span className="flex items-center gap-2">
            <Check className="size-5" aria-hidden="true" /> read back
          </span>
        ) : (
          <Button onClick={() => take(wanted)} aria-label={`${label}: as drafted`}>
            As drafted
          </Button>
        )}
        {text === undefined ? (
          <Button
            look="quiet"
            className="min-h-11"
            onClick={() => setText('')}
            aria-label={`${label}: something else`}
          >
            Something else
          </Button>
        ) : (
          <form
            className="flex flex-wrap items-center gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              if (read?.kind === 'stop') take(read.stop.id);
            }}
          >
            <input
              value={text}
              onChange={(event) => setText(event.target.value)}
              aria-label={`What the form shows for ${label}`}
              placeholder="name or number"
              autoComplete="off"
              autoFocus
              className={`${INPUT} w-36`}
            />
            <Button type="submit" disabled={read?.kind !== 'stop'}>
              It shows {read?.kind === 'stop' ? read.stop.label : '…'}
            </Button>
          </form>
        )}
      </div>
      {read?.kind === 'unknown' && (
        <p className="mt-1 text-sm font-bold text-hazard">
          “{text}” is none of: {labelsInWords(item).join(', ')}.
        </p>
      )}
      {read?.kind === 'both' && (
        <p className="mt-1 flex flex-wrap items-center gap-2 text-sm">
          Which one do you mean?
          <Button onClick={() => take(read.byLabel.id)}>value {read.byLabel.label}</Button>
          <Button onClick={() => take(read.byNumber.id)}>
            stop {read.byNumber.number}, {read.byNumber.label}
          </Button>
        </p>
      )}
    </li>
  );
}

/** Values that were stored by this form before, and that nobody has read off it since. */
const neverRead = (holdings: Holdings): Record<string, string> =>
  Object.fromEntries(
    Object.entries(holdings).flatMap(([itemId, { basis, stopId }]) =>
      basis === 'seenStored' && stopId !== null ? [[itemId, stopId] as const] : [],
    ),
  );
