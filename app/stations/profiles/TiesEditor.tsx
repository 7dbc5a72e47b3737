import { MODEL_FACTS, type Condition, type ModelFact } from '#core/esc/profile';
import type { SketchItem } from '#core/workshop/sketch';
import { Button } from '../../ui/Button';
import { TickBox } from '../../ui/TickBox';
import { INPUT } from '../rig/formParts';
import { AlsoSets } from './AlsoSets';
import type { SketchBench } from './useSketch';

/** What an item depends on, overwrites and renumbers, and what alone switches it off. */
export function TiesEditor({ bench, place }: { bench: SketchBench; place: number }) {
  const { sketch, setItem, problemAt } = bench;
  const item = sketch.items[place]!;
  const others = sketch.items.filter((other) => other.id !== item.id && other.stops.length > 0);
  const { ties } = item;
  const tie = (part: Partial<SketchItem['ties']>): void =>
    setItem(place, { ...item, ties: { ...ties, ...part } });
  const count =
    ties.inactiveWhen.length +
    ties.overwrites.length +
    (ties.renumbersMenu ? 1 : 0) +
    (ties.switchedOffBy ? 1 : 0) +
    ties.existsWhile.length +
    ties.commandStopIds.length +
    (ties.alsoSets ? 1 : 0) +
    (item.inBank ? 1 : 0);
  const facts = ties.inactiveWhen.flatMap((c) => (c.kind === 'model' ? [c.fact] : []));
  const toggleFact = (fact: ModelFact): void =>
    tie({
      inactiveWhen: facts.includes(fact)
        ? ties.inactiveWhen.filter((c) => c.kind !== 'model' || c.fact !== fact)
        : [...ties.inactiveWhen, { kind: 'model', fact }],
    });
  const problem = ['inactiveWhen', 'overwrites', 'existsWhile']
    .flatMap((key) => Array.from({ length: 20 }, (_, n) => problemAt(`items.${place}.${key}.${n}`)))
    .find(Boolean);
  return (
    <details className="sm:ml-11">
      <summary className="min-h-11 cursor-pointer py-2 text-sm underline underline-offset-4">
        Ties to other items{count > 0 && ` (${count})`}
      </summary>
      {problem && <p className="text-sm font-bold text-hazard">{problem}</p>}
      <div className="grid gap-3 text-sm">
        <fieldset>
          <legend className="text-muted">Has no effect while</legend>
          {(Object.entries(MODEL_FACTS) as [ModelFact, string][]).map(([fact, words]) => (
            <TickBox key={fact} className="mr-4" on={facts.includes(fact)} onChange={() => toggleFact(fact)}>
              {words}
            </TickBox>
          ))}
          {ties.inactiveWhen.map(
            (condition, n) =>
              condition.kind === 'stops' && (
                <StopPick
                  key={n}
                  words="or while"
                  others={others}
                  itemId={condition.itemId}
                  stopIds={condition.stopIds}
                  onChange={(itemId, stopIds) =>
                    tie({ inactiveWhen: replaced(ties.inactiveWhen, n, { kind: 'stops', itemId, stopIds }) })
                  }
                  onRemove={() => tie({ inactiveWhen: ties.inactiveWhen.filter((_, m) => m !== n) })}
                />
              ),
          )}
          {others.length > 0 && (
            <Button
              look="quiet"
              onClick={() =>
                tie({
                  inactiveWhen: [
                    ...ties.inactiveWhen,
                    { kind: 'stops', itemId: others[0]!.id, stopIds: [others[0]!.stops[0]!.id] },
                  ],
                })
              }
            >
              while another item is on …
            </Button>
          )}
        </fieldset>
        <fieldset>
          <legend className="text-muted">Its stops also set other items</legend>
          {ties.overwrites.map(({ stopId, sets }, n) => {
            const [[itemId, setId]] = Object.entries(sets) as [[string, string]];
            return (
              <div key={n} className="flex flex-wrap items-center gap-2">
                <select
                  aria-label="When it is set to"
                  value={stopId}
                  onChange={(event) =>
                    tie({ overwrites: replaced(ties.overwrites, n, { stopId: event.target.value, sets }) })
                  }
                  className={`${INPUT} text-base`}
                >
                  {item.stops.map((stop) => (
                    <option key={stop.id} value={stop.id}>
                      {stop.label}
                    </option>
                  ))}
                </select>
                <StopPick
                  words="sets"
                  others={others}
                  itemId={itemId}
                  stopIds={[setId]}
                  onChange={(nextItem, [nextStop]) =>
                    tie({
                      overwrites: replaced(ties.overwrites, n, { stopId, sets: { [nextItem]: nextStop! } }),
                    })
                  }
                  onRemove={() => tie({ overwrites: ties.overwrites.filter((_, m) => m !== n) })}
                />
              </div>
            );
          })}
          {others.length > 0 && (
            <Button
              look="quiet"
              onClick={() =>
                tie({
                  overwrites: [
                    ...ties.overwrites,
                    { stopId: item.stops[0]!.id, sets: { [others[0]!.id]: others[0]!.stops[0]!.id } },
                  ],
                })
              }
            >
              it also sets …
            </Button>
          )}
        </fieldset>
        <fieldset>
          <legend className="text-muted">In the menu only while</legend>
          {ties.existsWhile.map(({ itemId, stopIds }, n) => (
            <StopPick
              key={n}
              words=""
              others={others}
              itemId={itemId}
              stopIds={stopIds}
              onChange={(nextItem, nextStops) =>
                tie({
                  existsWhile: ties.existsWhile.map((old, m) =>
                    m === n ? { itemId: nextItem, stopIds: nextStops } : old,
                  ),
                })
              }
              onRemove={() => tie({ existsWhile: ties.existsWhile.filter((_, m) => m !== n) })}
            />
          ))}
          {others.length > 0 && (
            <Button
              look="quiet"
              onClick={() =>
                tie({
                  existsWhile: [
                    ...ties.existsWhile,
                    { itemId: others[0]!.id, stopIds: [others[0]!.stops[0]!.id] },
                  ],
                })
              }
            >
              another item is on …
            </Button>
          )}
          {sketch.bankItemId !== '' && sketch.bankItemId !== item.id && (
            <TickBox on={item.inBank} onChange={(inBank) => setItem(place, { ...item, inBank })}>
              every bank has its own
            </TickBox>
          )}
        </fieldset>
        <fieldset>
          <legend className="text-muted">Stops that act once and are not held (such as a reset)</legend>
          {besideNumber(item).map(
            ({ id, label }) =>
              id !== '' && (
                <TickBox
                  key={id}
                  className="mr-4"
                  on={ties.commandStopIds.includes(id)}
                  onChange={(on) =>
                    tie({
                      commandStopIds: on
                        ? [...ties.commandStopIds, id]
                        : ties.commandStopIds.filter((other) => other !== id),
                    })
                  }
                >
                  {label}
                </TickBox>
              ),
          )}
        </fieldset>
        <AlsoSets item={item} onChange={(alsoSets) => tie({ alsoSets })} />
        <TickBox on={ties.renumbersMenu} onChange={(renumbersMenu) => tie({ renumbersMenu })}>
          changing it renumbers the menu
        </TickBox>
        {ties.switchedOffBy ? (
          <StopPick
            words="only switched off by"
            others={others}
            itemId={ties.switchedOffBy.itemId}
            stopIds={[ties.switchedOffBy.stopId]}
            onChange={(itemId, [stopId]) => tie({ switchedOffBy: { itemId, stopId: stopId! } })}
            onRemove={() => tie({ switchedOffBy: null })}
          />
        ) : (
          others.length > 0 && (
            <Button
              look="quiet"
              className="justify-self-start"
              onClick={() =>
                tie({ switchedOffBy: { itemId: others[0]!.id, stopId: others[0]!.stops[0]!.id } })
              }
            >
              only another item can switch it off …
            </Button>
          )
        )}
      </div>
    </details>
  );
}

/** The stops of a number are no commands. */
const besideNumber = ({ stops, number }: SketchItem): SketchItem['stops'] =>
  stops.filter((_, place) => !number || place < number.first || place > number.last);

const replaced = <T extends Condition | SketchItem['ties']['overwrites'][number]>(
  list: T[],
  place: number,
  next: T,
): T[] => list.map((old, n) => (n === place ? next : old));

interface StopPickProps {
  words: string;
  others: readonly SketchItem[];
  itemId: string;
  stopIds: string[];
  onChange: (itemId: string, stopIds: string[]) => void;
  onRemove: () => void;
}

/** Another item, and one of its stops. */
function StopPick({ words, others, itemId, stopIds, onChange, onRemove }: StopPickProps) {
  const chosen = others.find(({ id }) => id === itemId);
  return (
    <span className="flex flex-wrap items-center gap-2">
      {words}
      <select
        aria-label={`${words}: item`}
        value={itemId}
        onChange={(event) => {
          const next = others.find(({ id }) => id === event.target.value)!;
          onChange(next.id, [next.stops[0]!.id]);
        }}
        className={`${INPUT} text-base`}
      >
        {others.map(({ id, label }) => (
          <option key={id} value={id}>
            {label}
          </option>
        ))}
      </select>
      is
      <select
        aria-label={`${words}: stop`}
        value={stopIds[0] ?? ''}
        onChange={(event) =>
          onChange(itemId, [
            event.target.value,
            ...stopIds.slice(1).filter((id) => id !== event.target.value),
          ])
        }
        className={`${INPUT} text-base`}
      >
        {chosen?.stops.map(({ id, label }) => (
          <option key={id} value={id}>
            {label}
          </option>
        ))}
      </select>
      {stopIds.length > 1 && <span className="text-muted">or {stopIds.length - 1} more</span>}
      <Button look="quiet" onClick={onRemove}>
        remove
      </Button>
    </span>
  );
}
