import { describe, expect, it } from 'vitest';
import { NewestOnly } from './newestOnly';

/** Work that ends only when it is told to. */
function heldWork() {
  const open: ((answer: string) => void)[] = [];
  const begun: number[] = [];
  const answered: [number, string][] = [];
  const idle: number[] = [];
  const queue = new NewestOnly<number, string>({
    run: (request) => {
      begun.push(request);
      return new Promise((resolve) => open.push(resolve));
    },
    onAnswer: (request, answer) => answered.push([request, answer]),
    onIdle: (last) => idle.push(last),
    isSame: (a, b) => a === b,
  });
  return { queue, begun, answered, idle, finish: (answer: string) => open.shift()?.(answer) };
}

const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

describe('asking faster than it is answered', () => {
  it('runs the first and the newest, and skips what lies between', async () => {
    const { queue, begun, answered, idle, finish } = heldWork();
    for (const request of [1, 2, 3, 4]) void queue.ask(request);
    finish('one');
    await settled();
    expect(idle).toEqual([]);
    finish('four');
    await settled();
    expect(begun).toEqual([1, 4]);
    expect(answered).toEqual([
      [1, 'one'],
      [4, 'four'],
    ]);
    expect(idle).toEqual([4]);
  });

  it('does not run the same twice, and runs what was left once it is asked for again', async () => {
    const { queue, begun, finish } = heldWork();
    void queue.ask(1);
    void queue.ask(1);
    finish('one');
    await settled();
    void queue.ask(1);
    void queue.ask(2);
    finish('two');
    await settled();
    void queue.ask(1);
    expect(begun).toEqual([1, 2, 1]);
  });

  it('tells nobody once it is closed', async () => {
    const { queue, begun, answered, idle, finish } = heldWork();
    void queue.ask(1);
    void queue.ask(2);
    queue.close();
    finish('one');
    await settled();
    void queue.ask(3);
    expect({ begun, answered, idle }).toEqual({ begun: [1], answered: [], idle: [] });
  });

  it('goes on after work that failed', async () => {
    const run = (request: number): Promise<number> =>
      request === 1 ? Promise.reject(new Error('broken')) : Promise.resolve(request);
    const answered: number[] = [];
    const queue = new NewestOnly({
      run,
      onAnswer: (request) => answered.push(request),
      isSame: (a, b) => a === b,
    });
    await expect(queue.ask(1)).rejects.toThrow('broken');
    await queue.ask(2);
    expect(answered).toEqual([2]);
  });
});
