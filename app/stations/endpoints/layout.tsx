import { useState } from 'react';
import { NavLink, Outlet, useSearchParams } from 'react-router';
import { useBench } from '../bench/BenchContext';
import { useChosenEsc, type EndpointsFrame } from './useEndpoints';

const PARTS = [
  ['', 'Calibrate'],
  ['first-power', 'First power'],
  ['bench-test', 'Bench test'],
  ['pulses', 'Pulses'],
  ['supply', 'Supply'],
  ['trigger', 'Trigger to duty'],
  ['trouble', 'Trouble'],
  ['record', 'Record'],
] as const;

/** The parts of the whole calibration job, and which ESC of the model it is about. Out of the way while a hand works. */
export default function EndpointsLayout() {
  const { rig, rigId } = useBench();
  const [handsBusy, setHandsBusy] = useState(false);
  const [query] = useSearchParams();
  const esc = query.get('esc');
  const search = esc === null ? '' : `?esc=${esc}`;
  const frame: EndpointsFrame = { setHandsBusy };
  return (
    <>
      {!handsBusy && (
        <nav aria-label="Parts of Endpoints" className="border-b border-rule print:hidden">
          <ul className="flex flex-wrap gap-x-1 px-3 sm:px-3.5">
            {PARTS.map(([path, name]) => (
              <li key={path}>
                <NavLink
                  to={{ pathname: `/rigs/${rigId}/endpoints${path && `/${path}`}`, search }}
                  end
                  className="inline-flex min-h-11 items-center px-2 hover:text-draft aria-[current=page]:border-b-3 aria-[current=page]:border-draft aria-[current=page]:font-bold"
                >
                  {name}
                </NavLink>
              </li>
            ))}
          </ul>
        </nav>
      )}
      {!handsBusy && rig.motorCount > 1 && <EscChoice />}
      <Outlet context={frame} />
    </>
  );
}

function EscChoice() {
  const [, setQuery] = useSearchParams();
  const { names, escNumber } = useChosenEsc();
  return (
    <fieldset className="flex flex-wrap items-center gap-x-5 border-b border-rule px-5 py-1">
      <legend className="float-left mr-4 font-bold">Which ESC</legend>
      {names.map((name, place) => (
        <label key={name} className="flex min-h-11 items-center gap-2">
          <input
            type="radio"
            autoComplete="off"
            name="esc"
            className="size-5 accent-draft"
            checked={escNumber === place + 1}
            onChange={() => setQuery({ esc: String(place + 1) }, { replace: true })}
          />
          {name}
        </label>
      ))}
    </fieldset>
  );
}
