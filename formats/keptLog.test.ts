import { describe, expect, it } from 'vitest';
import { packLog } from '#core/runs/log/packed';
import type { LogMeta } from '#core/runs/log/meta';
import { smallRun } from '#core/runs/runs.fixture';
import { readDocument, VERSION } from './document';
import { logInFile, logOfFile } from './keptLog';

const PACKED = packLog({
  seconds: Float64Array.of(0, 0.1, 0.2),
  channels: [{ kind: 'rpm', name: 'Motor rpm', unit: 'rpm', values: Float32Array.of(0, NaN, 9000) }],
});
const META: LogMeta = {
  source: 'link',
  fileName: '',
  headKey: '',
  uses: [],
  units: [],
  problems: [],
  samples: 3,
  seconds: 0.2,
  channels: [{ kind: 'rpm', name: 'Motor rpm', unit: 'rpm' }],
};

describe('a log in the file of its run', () => {
  it('comes out byte by byte as it went in', () => {
    const { run } = smallRun(1);
    const log = logInFile(META, PACKED)!;
    const read = readDocument(JSON.stringify({ format: 'live-tune/run', version: VERSION, run, log }));
    if (!read.ok || read.value.format !== 'live-tune/run') throw new Error(JSON.stringify(read));
    expect(read.value.log!.meta).toEqual(META);
    expect(logOfFile(read.value.log!)).toEqual({ ok: true, value: { meta: META, packed: PACKED } });
  });

  it('is left out where it is too long for a document', () => {
    expect(logInFile(META, new Uint8Array(600_001))).toBeUndefined();
  });

  it.each([
    ['no base 64', '§§§', 'not base 64'],
    ['cut short', btoa(String.fromCharCode(...PACKED.subarray(0, 40))), 'cut short'],
  ])('is refused: %s', (_, samples, why) => {
    const read = logOfFile({ meta: META, samples });
    expect(read.ok ? '' : read.problems[0]!.sentence).toContain(why);
  });

  it('is refused where it says another length than it has', () => {
    const { samples } = logInFile(META, PACKED)!;
    expect(logOfFile({ meta: { ...META, samples: 4 }, samples })).toMatchObject({ ok: false });
  });
});
