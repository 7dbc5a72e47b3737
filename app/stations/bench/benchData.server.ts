import { FACTORY_PASS_CODE } from '#core/link/protocol';
import { standingOf } from '#core/advice/standing';
import { fittingDraft } from '#core/sheet/draft';
import { holdingsOf } from '#core/sheet/evidence';
import { currentGarage } from '#server/repositories/garages';
import { benchWithEsc, findBench, type Bench } from '#server/repositories/rigs';
import { today } from '#server/today';
import { data } from 'react-router';

/** The rig of an address with everything that hangs on it. @throws a 404 response where the garage has none of this id */
export async function benchOf(rigId: string): Promise<Bench> {
  const garage = await currentGarage();
  const bench = await findBench(garage.id, rigId);
  if (!bench) throw data(null, { status: 404 });
  return bench;
}

/**
 * What the stations get to see: observations as what they add up to.
 * @param isOpened whether a page is opened with it: its verdicts are sent along then, so that the page need not drive the model
 *   again before it answers
 */
export function benchView(bench: Bench, isOpened = false) {
  const known = views.get(bench);
  const view = known?.today === today() ? known : viewOf(bench);
  views.set(bench, view);
  return { ...view, verdicts: isOpened ? verdictsAtFirst(view) : undefined };
}

/** The views of benches that are remembered: what follows from one that was not written since need not be worked out again. */
const views = new WeakMap<Bench, View>();
type View = ReturnType<typeof viewOf>;

function viewOf({ observations, escs, linkPassCode, ...bench }: Bench) {
  return {
    ...bench,
    // The code itself stays at the server.
    hasFactoryPassCode: linkPassCode === FACTORY_PASS_CODE,
    escs: escs.map(({ escNumber, memory, observations: its }) => ({
      escNumber,
      memory,
      holdings: holdingsOf(bench.profile, its),
    })),
    holdings: holdingsOf(bench.profile, observations),
    today: today(),
  };
}

function verdictsAtFirst({ escs, memory, ...view }: View) {
  const draft = fittingDraft(view.profile, view.draft);
  const facts = { ...view, draft, otherEscs: escs.slice(1), range: memory.range };
  return standingOf({ ...facts, withoutStint: true }).verdicts;
}

/** The same bench with the ESC that a request names, the first where it names none. @throws a 404 response for one too many */
export function benchAtEsc(bench: Bench, named: unknown): Bench {
  const escNumber = named === undefined || named === null ? 1 : Number(named);
  if (!bench.escs.some((esc) => esc.escNumber === escNumber)) throw data(null, { status: 404 });
  return benchWithEsc(bench, escNumber);
}

export type BenchView = ReturnType<typeof benchView>;
