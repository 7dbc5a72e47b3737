import { createRequire } from 'node:module';
import { describe, expect, it } from 'vitest';
import { Solver as PieceSolver, type Step, type System } from './solve';

/** Its own types do not compile under strict rules. */
const { Solver } = createRequire(import.meta.url)('odex') as {
  Solver: new (size: number) => {
    absoluteTolerance: number;
    relativeTolerance: number;
    solve: (f: (t: number, y: number[]) => number[], t0: number, y0: number[], t1: number) => { y: number[] };
  };
};

const swing: System = {
  size: 2,
  derivative: (_t, y, out) => {
    out[0] = y[1]!;
    out[1] = -y[0]!;
  },
  events: [],
};
const tolerance = (size: number, relative: number) => ({
  relative,
  absolute: new Float64Array(size).fill(relative),
});
const run = (
  system: System,
  y: Float64Array,
  tEnd: number,
  relative: number,
  visit: (s: Step) => void = () => undefined,
) => new PieceSolver(system.size).piece(system, 0, y, tEnd, tolerance(system.size, relative), 0.01, visit);

describe('the integrator', () => {
  it('makes a smaller error with a smaller tolerance, at the order of its pair: error per unit of work as h³', () => {
    const errorAt = (relative: number): { error: number; steps: number } => {
      const y = Float64Array.of(1, 0);
      let steps = 0;
      run(swing, y, 10, relative, () => (steps += 1));
      return { error: Math.hypot(y[0]! - Math.cos(10), y[1]! + Math.sin(10)), steps };
    };
    const coarse = errorAt(1e-5);
    const fine = errorAt(1e-8);
    const order = Math.log(coarse.error / fine.error) / Math.log(fine.steps / coarse.steps);
    expect(order).toBeGreaterThan(2.7);
    expect(order).toBeLessThan(3.4);
  });

  it('agrees with a high-order integrator on a smooth system (odex)', () => {
    const pendulum = (t: number, y: readonly number[] | Float64Array): [number, number] => [
      y[1]!,
      -Math.sin(y[0]!) - 0.1 * y[1]! + 0.2 * Math.cos(t),
    ];
    const reference = new Solver(2);
    reference.absoluteTolerance = 1e-12;
    reference.relativeTolerance = 1e-12;
    const { y: expected } = reference.solve(pendulum, 0, [1, 0], 8);
    const y = Float64Array.of(1, 0);
    run(
      {
        size: 2,
        derivative: (t, at, out) => {
          [out[0], out[1]] = pendulum(t, at);
        },
        events: [],
      },
      y,
      8,
      1e-9,
    );
    expect(y[0]!).toBeCloseTo(expected[0]!, 6);
    expect(y[1]!).toBeCloseTo(expected[1]!, 6);
  });

  it('stops where an event changes its sign, and says which', () => {
    const y = Float64Array.of(1, 0);
    const falls: System = { ...swing, events: [(_t, at) => at[0]! + 2, (_t, at) => at[0]! - 0.5] };
    const end = run(falls, y, 10, 1e-8);
    expect(end.event).toBe(1);
    expect(end.t).toBeCloseTo(Math.PI / 3, 6);
    expect(y[0]!).toBeCloseTo(0.5, 6);
  });

  it('does not stop where it starts on the line', () => {
    const y = Float64Array.of(0.5, 1);
    const end = run({ ...swing, events: [(_t, at) => at[0]! - 0.5] }, y, 1, 1e-8);
    expect(end.event).toBe(-1);
  });

  it('is read between the ends of its steps', () => {
    const y = Float64Array.of(1, 0);
    const probe = new Float64Array(2);
    let worst = 0;
    run(swing, y, 6, 1e-7, (step) => {
      for (const share of [0.2, 0.5, 0.8]) {
        const t = step.t0 + share * (step.t1 - step.t0);
        step.at(t, probe);
        worst = Math.max(worst, Math.abs(probe[0]! - Math.cos(t)));
      }
    });
    expect(worst).toBeLessThan(1e-5);
  });

  it('says so where the numbers leave what can be computed', () => {
    const explodes: System = { size: 1, derivative: (_t, y, out) => (out[0] = y[0]! ** 2), events: [] };
    expect(() => run(explodes, Float64Array.of(1), 2, 1e-6)).toThrow(/numbers|steps/);
    const broken: System = { size: 1, derivative: (_t, _y, out) => (out[0] = NaN), events: [] };
    expect(() => run(broken, Float64Array.of(1), 2, 1e-6)).toThrow('left the numbers');
  });

  it('does its work in as many steps and evaluations as when it was tuned', () => {
    let evaluations = 0;
    let steps = 0;
    const counted: System = {
      ...swing,
      derivative: (t, y, out) => {
        evaluations += 1;
        swing.derivative(t, y, out);
      },
      events: [(_t, at) => at[1]! - 0.5],
    };
    const y = Float64Array.of(1, 0);
    // The first step is much too long, so that steps are refused, too.
    new PieceSolver(2).piece(counted, 0, y, 4.7, tolerance(2, 1e-6), 2, () => (steps += 1));
    // First same as last: three evaluations a step and one at the start, and three more for a step that was refused.
    expect({ steps, refused: (evaluations - 1) / 3 - steps }).toEqual({ steps: 99, refused: 3 });
  });

  it('solves two systems in turn as it solves each alone', () => {
    const solver = new PieceSolver(2);
    const [one, other] = [Float64Array.of(1, 0), Float64Array.of(0, 2)];
    const end = tolerance(2, 1e-6);
    for (let n = 0; n < 4; n += 1)
      for (const y of [one, other]) solver.piece(swing, n, y, n + 1, end, 0.01, () => undefined);
    const alone = Float64Array.of(1, 0);
    for (let n = 0; n < 4; n += 1)
      new PieceSolver(2).piece(swing, n, alone, n + 1, end, 0.01, () => undefined);
    expect([...one]).toEqual([...alone]);
    expect(() => solver.piece({ ...swing, size: 3 }, 0, one, 1, end, 0.01, () => undefined)).toThrow(
      '3 variables',
    );
  });
});
