import type { QuantityPath } from '#core/rig/fields';
import {
  checkThrust,
  fromTwoRuns,
  kvFromRun,
  polesFrom,
  resistanceFromStall,
} from '#core/rig/calculators/motorDetective';
import { GRAVITY } from '#core/units/convert';
import { formatNumber } from '#core/units/format';
import type { Quantity } from '#core/units/provenance';
import { useState } from 'react';
import { INPUT } from '../formParts';
import { readNumber } from '#core/units/readNumber';
import { Calculator } from './Calculator';
import { Sums } from './Sums';

type Fill = (path: QuantityPath, quantity: Quantity) => void;

const measured = (value: number): Quantity => ({ value, basis: 'measured' });

/** Finds out what a motor is when its label is gone: from rpm, volts, amperes and a thrust stand. */
export function MotorDetective({ onFill, propeller }: { onFill: Fill; propeller: boolean }) {
  return (
    <Sums title="Motor without label or data sheet">
      {() => (
        <>
          <p className="text-sm">
            The motor turns in some of these tests. Propeller off, or wheels off the bench and the model tied
            down. Stall tests: one second at most, at low voltage.
          </p>
          <Calculator
            title="kV from a free run"
            how="Full throttle, no load, lowest timing. Note rpm and volts at that moment. Add no-load current and resistance if you know them; else 0."
            asked={[
              { key: 'rpm', label: 'rpm', unit: '' },
              { key: 'volts', label: 'at', unit: 'V' },
              { key: 'amps', label: 'drawing', unit: 'A', start: '0' },
              { key: 'milliohm', label: 'resistance', unit: 'mΩ', start: '0' },
            ]}
            compute={({ rpm, volts, amps, milliohm }) => kvFromRun(rpm, volts, amps, milliohm / 1000)}
            show={(kv) => <strong>{formatNumber(kv, 0)} rpm/V</strong>}
            use={{ label: () => 'Use this kV', take: (kv) => onFill('motor.kvRpmPerVolt', measured(kv)) }}
          />
          <Calculator
            title="Poles from two readings"
            how="The ESC or meter shows an rpm for the pole count you entered. An optical meter shows the true rpm."
            asked={[
              { key: 'entered', label: 'poles entered', unit: '' },
              { key: 'shown', label: 'shown', unit: 'rpm' },
              { key: 'real', label: 'true', unit: 'rpm' },
            ]}
            compute={({ entered, shown, real }) => polesFrom(entered, shown, real)}
            show={(poles) => (
              <strong>
                {poles} poles, {poles / 2} pairs
              </strong>
            )}
            use={{
              label: (poles) => `Use ${poles / 2} pairs`,
              take: (poles) => onFill('motor.polePairs', measured(poles / 2)),
            }}
          />
          <Calculator
            title="Resistance from a stall"
            how="Hold the shaft still. Connect two motor wires to a current-limited supply, no ESC. Read volts and amperes; one second at most."
            asked={[
              { key: 'volts', label: 'volts', unit: 'V' },
              { key: 'amps', label: 'amperes', unit: 'A' },
            ]}
            compute={({ volts, amps }) => resistanceFromStall(volts, amps)}
            show={(ohm) => <strong>{formatNumber(ohm * 1000, 2)} mΩ</strong>}
            use={{
              label: () => 'Use this resistance',
              take: (ohm) => onFill('motor.resistanceOhm', measured(ohm)),
            }}
          />
          <Calculator
            title="Resistance and kV from two runs"
            how="Two steady full-throttle runs under different loads."
            asked={[
              { key: 'v1', label: 'light: volts', unit: 'V' },
              { key: 'a1', label: 'amperes', unit: 'A' },
              { key: 'n1', label: 'rpm', unit: '' },
              { key: 'v2', label: 'heavy: volts', unit: 'V' },
              { key: 'a2', label: 'amperes', unit: 'A' },
              { key: 'n2', label: 'rpm', unit: '' },
            ]}
            compute={({ v1, a1, n1, v2, a2, n2 }) =>
              fromTwoRuns({ volts: v1, amps: a1, rpm: n1 }, { volts: v2, amps: a2, rpm: n2 })
            }
            show={({ ohm, kv }) => (
              <strong>
                {formatNumber(ohm * 1000, 2)} mΩ with the ESC’s own, {formatNumber(kv, 0)} rpm/V
              </strong>
            )}
            use={{
              label: () => 'Use both',
              take: ({ ohm, kv }) => {
                onFill('motor.resistanceOhm', measured(ohm));
                onFill('motor.kvRpmPerVolt', measured(kv));
              },
            }}
          />
          {propeller && <ThrustStand />}
        </>
      )}
    </Sums>
  );
}

/** Points of a thrust stand held against the n² law. */
function ThrustStand() {
  const [text, setText] = useState('');
  const rows = text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line) => line.split(/[\s;]+/).map(readNumber));
  const unread = rows.findIndex((row) => row.length < 2 || row[0] === undefined || row[1] === undefined);
  const answer =
    rows.length >= 3 && unread === -1
      ? checkThrust(rows.map(([rpm, grams]) => ({ rpm: rpm!, thrustN: (grams! / 1000) * GRAVITY })))
      : undefined;
  return (
    <fieldset className="mt-3 rounded-sm border border-rule p-3">
      <legend className="px-1 font-bold">Thrust stand against n²</legend>
      <label className="block text-sm text-muted">
        One point per line: rpm, then grams. Thrust rises with the square of rpm. A reading that does not fit
        is named.
        <textarea
          value={text}
          onChange={(event) => setText(event.target.value)}
          rows={4}
          placeholder={'7880 2865\n8076 2960\n8280 3145'}
          className={`${INPUT} mt-1 block w-full max-w-72 py-2`}
        />
      </label>
      <div role="status" className="mt-1">
        {unread !== -1 && (
          <p className="text-sm font-bold text-hazard">Line {unread + 1} needs two numbers: rpm and grams.</p>
        )}
        {answer && !answer.ok && (
          <p className="text-sm font-bold text-hazard">{answer.problems[0]!.sentence}</p>
        )}
        {answer?.ok &&
          (answer.value.oddOnes.length === 0 ? (
            <p>All points fit within 5 %.</p>
          ) : (
            answer.value.oddOnes.map((place) => (
              <p key={place} className="font-bold text-caution">
                Line {place + 1} is off by {formatNumber(answer.value.deviations[place]! * 100, 1)} %: measure
                it again.
              </p>
            ))
          ))}
      </div>
    </fieldset>
  );
}
