import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { answer } from '#core/device/linkedEsc';
import { factoryMemory } from '#core/device/simulatedEsc';
import { smallProfile } from '#core/esc/smallProfile.fixture';
import { StandInBench } from './bench';

const profile = smallProfile();
const memoryWith = (bite: string) => {
  const memory = factoryMemory(profile);
  return { ...memory, stops: { ...memory.stops, bite } };
};
let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'bench-'));
});
afterEach(() => rmSync(folder, { recursive: true }));

describe('the bench of the stand-in', () => {
  it('keeps what was saved, and nothing else, when the process dies', () => {
    const bench = new StandInBench(folder);
    bench.place(profile, 'one', { memory: factoryMemory(profile), writes: 3 });
    bench.leave(answer(bench.esc!, { verb: 'WRITE', item: 3, stop: 5 }).esc);
    expect(new StandInBench(folder).memoryOf('one')).toMatchObject({ writes: 3 });
    bench.leave(answer(bench.esc!, { verb: 'SAVE' }).esc);
    expect(new StandInBench(folder).memoryOf('one')).toEqual({ memory: memoryWith('bite-5'), writes: 4 });
  });

  it('of two memories takes the one that was written oftener', () => {
    const bench = new StandInBench(folder);
    bench.place(profile, 'one', { memory: memoryWith('bite-4'), writes: 7 });
    expect(bench.place(profile, 'one', { memory: memoryWith('bite-1'), writes: 6 }).memory).toEqual(
      memoryWith('bite-4'),
    );
    expect(bench.place(profile, 'one', { memory: memoryWith('bite-1'), writes: 8 }).memory).toEqual(
      memoryWith('bite-1'),
    );
    // As often: the page has had the later word.
    expect(bench.place(profile, 'one', { memory: memoryWith('bite-3'), writes: 8 }).memory).toEqual(
      memoryWith('bite-3'),
    );
  });

  it('takes no memory of another ESC for its own, however often that was written', () => {
    const bench = new StandInBench(folder);
    bench.place(profile, 'one', { memory: memoryWith('bite-4'), writes: 7 });
    const other = { ...profile, items: profile.items.slice(0, 2) };
    const given = { memory: factoryMemory(other), writes: 1 };
    expect(bench.place(other, 'one', given)).toEqual(given);
  });

  it('keeps ESCs apart by their serial numbers, which are no paths', () => {
    const bench = new StandInBench(folder);
    bench.place(profile, 'one', { memory: memoryWith('bite-4'), writes: 1 });
    bench.place(profile, 'two', { memory: memoryWith('bite-1'), writes: 1 });
    expect(bench.memoryOf('one')?.memory.stops.bite).toBe('bite-4');
    expect(() => bench.memoryOf('../one')).toThrow('no serial number');
  });

  it('a death in the middle of writing leaves the old memory whole', () => {
    const bench = new StandInBench(folder);
    bench.place(profile, 'one', { memory: memoryWith('bite-4'), writes: 1 });
    // What a write that never came to its end leaves beside it.
    writeFileSync(join(folder, 'one.json.new'), '{"memory":{"sto');
    expect(new StandInBench(folder).memoryOf('one')?.memory.stops.bite).toBe('bite-4');
    expect(readdirSync(folder).sort()).toEqual(['one.json', 'one.json.new']);
  });

  it('a log is stale once the ESC comes back with other values, and not with the same', () => {
    const bench = new StandInBench(folder);
    const seen = { seconds: 60, leastVolts: 7, mostRpm: 20_000, mostMotorCelsius: 50, mostEscCelsius: 40 };
    bench.place(profile, 'one', { memory: factoryMemory(profile), writes: 3 });
    bench.record(seen, Uint8Array.of(1, 2, 3));
    bench.place(profile, 'one', { memory: factoryMemory(profile), writes: 4 });
    expect(bench.esc!.log!.summary.isStale).toBe(false);
    bench.place(profile, 'one', { memory: memoryWith('bite-5'), writes: 5 });
    expect(bench.esc!.log!.summary).toMatchObject({ isStale: true, log: 1 });
    expect(
      new StandInBench(folder).place(profile, 'one', { memory: memoryWith('bite-5'), writes: 5 }).writes,
    ).toBe(5);
  });
});
