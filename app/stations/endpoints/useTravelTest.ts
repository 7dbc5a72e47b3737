import { lastTravelTest } from '#core/calibration/benchTest';
import {
  EMPTY_TRAVEL_TEST,
  foundRange,
  percentOfMicros,
  problemsOf,
  readPulse,
  TEST_POINTS,
  type PulseUnit,
  type TestPoint,
  type TravelTest,
} from '#core/calibration/travelTest';
import type { ThrottleChannel } from '#core/radio/pulse';
import { useState } from 'react';
import { useBench } from '../bench/BenchContext';
import { useChosenEsc } from './useEndpoints';

export type Choices = Pick<TravelTest, 'quietAtNeutral' | 'reverseEntry' | 'failSafe'>;
export type TravelTestForm = ReturnType<typeof useTravelTest>;

/** The travel test of the chosen ESC as it is typed, with what can be read of it and what it says. */
export function useTravelTest() {
  const { rig, benchTests } = useBench();
  const { channel } = rig;
  const { escNumber, range } = useChosenEsc();
  const kept = lastTravelTest(benchTests, escNumber)?.test ?? EMPTY_TRAVEL_TEST;
  const [unit, setUnit] = useState<PulseUnit>('micros');
  const [typed, setTyped] = useState<Record<TestPoint, string>>(() => typedOf(kept, 'micros', channel));
  const [choices, setChoices] = useState<Choices>(kept);

  const points = pointsOf(channel);
  const read = Object.fromEntries(
    points.map((point) => [
      point,
      typed[point].trim() === '' ? null : readPulse(typed[point], unit, channel),
    ]),
  ) as Partial<Record<TestPoint, ReturnType<typeof readPulse> | null>>;
  const micros = (point: TestPoint): number | null => (read[point]?.ok ? read[point].micros : null);
  const test: TravelTest = {
    ...choices,
    firstForwardMicros: micros('firstForwardMicros'),
    fullForwardMicros: micros('fullForwardMicros'),
    firstBrakeMicros: micros('firstBrakeMicros'),
    fullBrakeMicros: micros('fullBrakeMicros'),
  };
  const problems = problemsOf(test, channel);
  const unread = points.some((point) => read[point]?.ok === false);

  return {
    unit,
    points,
    typed,
    choices,
    setChoices,
    test,
    problems,
    /** What the ESC must have learned, where that can be told. */
    found: problems.length === 0 && !unread ? foundRange(test, channel, range) : undefined,
    /** Why a point cannot be read, if it cannot. */
    unreadableBecause: (point: TestPoint): string | undefined =>
      read[point]?.ok === false ? read[point].sentence : undefined,
    type: (point: TestPoint, text: string): void => setTyped({ ...typed, [point]: text }),
    take: (point: TestPoint, takenMicros: number): void =>
      setTyped({ ...typed, [point]: written(takenMicros, unit, channel) }),
    changeUnit: (next: PulseUnit): void => {
      setTyped(unread ? typed : { ...typed, ...typedOf(test, next, channel) });
      setUnit(next);
    },
  };
}

const pointsOf = ({ rest }: ThrottleChannel): TestPoint[] =>
  (Object.keys(TEST_POINTS) as TestPoint[]).filter((point) => rest === 'centre' || !point.includes('Brake'));

const written = (micros: number, unit: PulseUnit, channel: ThrottleChannel): string =>
  // Typed again, a true minus sign would be no number.
  String(Number((unit === 'micros' ? micros : percentOfMicros(channel, micros)).toFixed(1)));

const typedOf = (test: TravelTest, unit: PulseUnit, channel: ThrottleChannel): Record<TestPoint, string> =>
  Object.fromEntries(
    (Object.keys(TEST_POINTS) as TestPoint[]).map((point) => {
      const micros = test[point];
      return [point, micros === null ? '' : written(micros, unit, channel)];
    }),
  ) as Record<TestPoint, string>;
