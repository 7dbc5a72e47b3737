import type { RaceDay } from '#core/days/day';
import { useState } from 'react';
import { Form } from 'react-router';
import { Button } from '../../ui/Button';
import { OwnersFields, OwnersOnly } from '../../ui/OwnersOnly';
import { TickBox } from '../../ui/TickBox';
import { INPUT } from '../rig/formParts';
import { ChargersAndAir, ChargersWatched } from './ChargersAndAir';
import type { DayViewData } from './dayData.server';

interface Props {
  day: RaceDay;
  view: DayViewData;
  save: (part: Partial<RaceDay>) => void;
}

/** What is prepared for rain or dust, what to take and to check, and what the day has. */
export function RaceLists({ day, view, save }: Props) {
  return (
    <>
      <PreparedSetUps day={day} view={view} save={save} />
      <Checks day={day} save={save} />
      <section aria-label="What there is" className="mt-8 print:hidden">
        <h2 className="text-2xl">What there is</h2>
        <OwnersFields>
          <div className="mt-2 flex flex-wrap gap-x-6 gap-y-3">
            <ChargersAndAir day={day} save={save} />
          </div>
          <ChargersWatched day={day} save={save}>
            Without that, a heat says where a pack would charge alone.
          </ChargersWatched>
        </OwnersFields>
      </section>
    </>
  );
}

function PreparedSetUps({ day, view, save }: Props) {
  const [when, setWhen] = useState('');
  const offered = view.rigs.flatMap(({ rigId, rig, setUps }) =>
    setUps.map(({ id, name }) => ({ key: `${rigId} ${id}`, rigId, id, words: `${rig.name}: ${name}` })),
  );
  const [chosen, setChosen] = useState('');
  const pick = offered.find(({ key }) => key === chosen) ?? offered[0];
  if (offered.length === 0 && day.prepared.length === 0) return null;
  return (
    <section aria-label="Prepared" className="mt-8">
      <h2 className="text-2xl">If it changes</h2>
      <p className="text-muted">Rain, dust, a colder evening: the set-up that waits, one tap away.</p>
      <ul className="mt-1 border-t border-rule empty:hidden">
        {day.prepared.map(({ id, when: words, rigId, setUpId }) => {
          const rig = view.rigs.find((one) => one.rigId === rigId);
          const setUp = rig?.setUps.find((one) => one.id === setUpId);
          return (
            <li key={id} className="flex flex-wrap items-center gap-4 border-b border-rule py-2">
              <span className="min-w-0 flex-1">
                <strong>{words}</strong>: {rig?.rig.name}, “{setUp?.name ?? 'a set-up that is gone'}”
              </span>
              <OwnersOnly>
                {setUp && (
                  <Form method="post" className="print:hidden">
                    <input type="hidden" name="intent" value="draft" />
                    <input type="hidden" name="rigId" value={rigId} />
                    <Button type="submit" look="main" name="setUpId" value={setUpId}>
                      Draft and load it<span className="sr-only">, {words}</span>
                    </Button>
                  </Form>
                )}
                <Button
                  look="quiet"
                  className="print:hidden"
                  onClick={() => save({ prepared: day.prepared.filter((one) => one.id !== id) })}
                >
                  take out<span className="sr-only"> {words}</span>
                </Button>
              </OwnersOnly>
            </li>
          );
        })}
      </ul>
      <OwnersOnly>
        {pick && (
          <div className="mt-2 flex flex-wrap items-end gap-3 print:hidden">
            <label>
              <span className="block">When</span>
              <input
                value={when}
                maxLength={80}
                placeholder="rain"
                onChange={(event) => setWhen(event.target.value)}
                className={`${INPUT} w-40`}
              />
            </label>
            <label className="min-w-0">
              <span className="block">Then</span>
              <select
                value={pick.key}
                onChange={(event) => setChosen(event.target.value)}
                className={`${INPUT} w-full`}
              >
                {offered.map(({ key, words }) => (
                  <option key={key} value={key}>
                    {words}
                  </option>
                ))}
              </select>
            </label>
            <Button
              disabled={when.trim() === ''}
              onClick={() => {
                const { rigId, id: setUpId } = pick;
                save({
                  prepared: [...day.prepared, { id: crypto.randomUUID(), when: when.trim(), rigId, setUpId }],
                });
                setWhen('');
              }}
            >
              Prepare it
            </Button>
          </div>
        )}
      </OwnersOnly>
    </section>
  );
}

function Checks({ day, save }: Omit<Props, 'view'>) {
  const [words, setWords] = useState('');
  const done = day.checks.filter(({ doneAt }) => doneAt !== null).length;
  return (
    <section aria-label="To take and to check" className="mt-8">
      <h2 className="text-2xl">To take and to check</h2>
      <p className="text-muted">
        {done} of {day.checks.length} done.<OwnersOnly> Change the list as you like.</OwnersOnly>
      </p>
      <ul className="mt-1 border-t border-rule">
        {day.checks.map((line) => (
          <li key={line.id} className="flex items-center gap-4 border-b border-rule">
            <TickBox
              className="min-w-0 flex-1"
              on={line.doneAt !== null}
              onChange={(on) =>
                save({
                  checks: day.checks.map((one) =>
                    one.id === line.id ? { ...one, doneAt: on ? new Date().toISOString() : null } : one,
                  ),
                })
              }
            >
              {line.words}
            </TickBox>
            <OwnersOnly>
              <Button
                look="quiet"
                className="print:hidden"
                onClick={() => save({ checks: day.checks.filter(({ id }) => id !== line.id) })}
              >
                take out<span className="sr-only"> {line.words}</span>
              </Button>
            </OwnersOnly>
          </li>
        ))}
      </ul>
      <OwnersOnly>
        <div className="mt-2 flex flex-wrap items-end gap-3 print:hidden">
          <label className="min-w-0 flex-1 sm:max-w-md">
            <span className="block">One more line</span>
            <input
              value={words}
              maxLength={80}
              onChange={(event) => setWords(event.target.value)}
              className={`${INPUT} w-full`}
            />
          </label>
          <Button
            disabled={words.trim() === ''}
            onClick={() => {
              save({
                checks: [...day.checks, { id: crypto.randomUUID(), words: words.trim(), doneAt: null }],
              });
              setWords('');
            }}
          >
            Add it
          </Button>
        </div>
      </OwnersOnly>
    </section>
  );
}
