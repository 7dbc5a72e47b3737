import type { NextChange } from '#core/runs/nextChange';
import type { Outcome, Trial } from '#core/runs/trial';
import { withUnit } from '#core/units/format';

/** A number of a drill as it was, and as it is predicted to be. */
export function Effect({ effect }: { effect: NonNullable<NextChange['effect']> }) {
  const { before, after } = effect;
  const told = ({ value, unit, decimals }: typeof before): string =>
    value === undefined ? 'never' : withUnit(value, unit, decimals);
  return (
    <p>
      <span className="text-muted">Predicted: {after.name.toLowerCase()}</span> {told(before)} →{' '}
      <strong>{told(after)}</strong>
    </p>
  );
}

const STATES: Record<Outcome['state'], string> = {
  waiting: 'not driven yet',
  held: 'held',
  tooMuch: 'too much',
  notFelt: 'did not hold',
  notSaid: 'not said',
  twoChanged: 'cannot be told',
};

/** Whether a change did what it was for, in a word and a sentence. */
export function OutcomeWords({ trial, outcome }: { trial: Trial; outcome: Outcome }) {
  const isGood = outcome.state === 'held';
  const isBad = outcome.state === 'notFelt' || outcome.state === 'tooMuch';
  const colour = isGood ? 'text-ok' : isBad ? 'text-caution' : '';
  return (
    <p>
      <strong className={`text-lg ${colour}`}>{STATES[outcome.state]}</strong>{' '}
      <span>{sentenceOf(trial, outcome)}</span>
    </p>
  );
}

function sentenceOf(trial: Trial, outcome: Outcome): string {
  switch (outcome.state) {
    case 'waiting':
      return `Load it, drive, then note the run. Look for: ${trial.lookFor}`;
    case 'notSaid':
      return `Run ${outcome.run} says nothing of what it was for. Look for: ${trial.lookFor}`;
    case 'twoChanged':
      return `In run ${outcome.run} something else was different, too: ${outcome.others.join(', ')}. Put that back and drive again.`;
    case 'held':
    case 'tooMuch':
    case 'notFelt':
      return `Run ${outcome.run}. ${outcome.how}`;
  }
}
