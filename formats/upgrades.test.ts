import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { usualInUse } from '#core/rig/defaults';
import { calibrationToVersion4 } from './calibration';
import { escProfileToVersion8 } from './escProfile';
import { FORMATS, readDocument, VERSION, type Format, type LiveTuneDocument } from './document';

const raw = (file: string): Record<string, never> =>
  JSON.parse(readFileSync(`formats/older/${file}.json`, 'utf8')) as Record<string, never>;

function upgraded<F extends Format>(
  file: string,
  format: F,
  change: (document: object) => void = () => undefined,
) {
  const document = raw(file);
  change(document);
  const read = readDocument(JSON.stringify(document));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  if (read.value.format !== format) throw new Error(`${file} is no ${format}`);
  return read.value as Extract<LiveTuneDocument, { format: F }>;
}

describe.each(Object.keys(FORMATS) as Format[])('%s', (format) => {
  it('has a way up from every older version, and a file of each that it still reads', () => {
    const { since, upgrades } = FORMATS[format];
    expect(upgrades).toHaveLength(VERSION - since);
    for (let version = since; version < VERSION; version += 1) {
      const document = raw(`${format.replace('live-tune/', '')}-${version}`);
      expect([version, document.version]).toEqual([version, version]);
      expect(readDocument(JSON.stringify(document))).toMatchObject({ ok: true, value: { format } });
    }
  });
});

describe('a rig of version 2', () => {
  const { rig } = upgraded('rig-2', 'live-tune/rig');

  it('keeps every number that it had', () => {
    const before = raw('rig-2') as unknown as { rig: typeof rig };
    expect(rig.motor.kvRpmPerVolt).toEqual(before.rig.motor.kvRpmPerVolt);
    expect(rig.vehicle.massKg).toEqual(before.rig.vehicle.massKg);
    expect(rig.busLoads.map(({ name, maxVolts }) => [name, maxVolts])).toEqual(
      before.rig.busLoads.map(({ name, maxVolts }) => [name, maxVolts]),
    );
  });

  it('gets what is usual for the rest, marked assumed, and nothing that nobody has', () => {
    expect(rig.pack.ratingC).toEqual({ value: 50, basis: 'assumed' });
    expect(rig.motor).toMatchObject({ type: 'outrunner', temperatureSensor: false });
    expect(rig.vehicle).toMatchObject({ fluid: 'air', gearRatio: { value: 1, basis: 'assumed' } });
    expect(rig.channel).toMatchObject({ frameMs: 20, jitterMicros: null });
    expect([rig.motorCount, rig.externalBec, rig.fan, rig.stabilityGainPercent]).toEqual([
      1,
      null,
      false,
      null,
    ]);
  });
});

describe('a rig of version 1, a car', () => {
  it('goes both ways at once: wheels, an inrunner, no teeth counted yet', () => {
    const { rig } = upgraded('rig-1', 'live-tune/rig');
    expect(rig.vehicle).toMatchObject({ kind: 'wheels', gearing: null, slipperClutch: false });
    expect(rig.motor.type).toBe('inrunner');
    expect(rig.channel.rest).toBe('centre');
  });
});

describe('an ESC profile of version 2', () => {
  const profile = upgraded('esc-profile-2', 'live-tune/esc-profile');

  it('says for each item on which scale it is written, and that it is tied to none', () => {
    const scales = Object.fromEntries(profile.items.map(({ setting, scale }) => [setting, scale]));
    expect(scales).toMatchObject({ advance: 'degrees', cutoff: 'voltsPerCell', rotation: 'named' });
    for (const item of profile.items)
      expect(item).toMatchObject({
        inactiveWhen: [],
        overwrites: [],
        renumbersMenu: false,
        switchedOffBy: null,
      });
  });

  it('takes the range of its BEC from the item that sets it', () => {
    expect(profile.limits).toMatchObject({ becKind: 'switching', becLeastVolts: 5, becMostVolts: 6.6 });
  });

  it('without a BEC has none', () => {
    const without = upgraded('esc-profile-2', 'live-tune/esc-profile', (document) => {
      Object.assign((document as { limits: object }).limits, { becContinuousAmps: 0 });
    });
    expect(without.limits).toMatchObject({ becKind: 'none', becLeastVolts: 0, becMostVolts: 0 });
  });
});

describe('documents of version 3', () => {
  it('an ESC asked for its points with neutral first, and knew no better than to learn a wrong order', () => {
    expect(upgraded('esc-profile-3', 'live-tune/esc-profile').calibration).toMatchObject({
      family: 'keyConfirmed',
      order: 'neutralForwardBrake',
      wrongOrder: 'learnedReversed',
      afterwards: 'restartByHand',
    });
  });

  it('a radio was straight', () => {
    expect(upgraded('rig-3', 'live-tune/rig').rig.channel.expoPercent).toBe(0);
  });

  it('a calibration was of the only ESC, by radio, on the simulated one', () => {
    expect(calibrationToVersion4({ family: 'keyConfirmed', channel: {} }, 'some-esc')).toEqual({
      family: 'keyConfirmed',
      escNumber: 1,
      profileId: 'some-esc',
      source: 'radio',
      how: 'simulated',
      channel: { expoPercent: 0 },
    });
  });
});

describe('documents of version 4', () => {
  it('a sheet did not say what the model and its radio had', () => {
    expect(upgraded('sheet-4', 'live-tune/sheet').byHand).toEqual({});
  });
});

describe('documents of version 7', () => {
  it('what was typed on a key pad got its zeros from the pad; now it stands as it is typed', () => {
    const before = {
      media: [{ family: 'keyPad', digits: 3 }],
      items: [
        {
          id: 'volts',
          stops: [
            { id: 'a', typed: '96' },
            { id: 'b', typed: null },
          ],
        },
      ],
    };
    expect(escProfileToVersion8(before)).toEqual({
      banks: null,
      media: [{ family: 'keyPad', digits: 3, chosenBy: 'code' }],
      items: [
        {
          id: 'volts',
          typed: null,
          numberField: null,
          freeCurve: null,
          existsWhile: [],
          alsoSets: null,
          commandStopIds: [],
          stops: [
            { id: 'a', typed: '096' },
            { id: 'b', typed: null },
          ],
        },
      ],
    });
  });
});

describe('documents of version 5', () => {
  it('a rig is as it was, and its magnets hold what is usual for its motor', () => {
    const before = raw('rig-5') as unknown as { rig: { motor: object } };
    expect(upgraded('rig-5', 'live-tune/rig').rig).toEqual({
      ...before.rig,
      motor: { ...before.rig.motor, detentNm: { value: 0.004, basis: 'assumed' } },
      inUse: usualInUse(),
    });
  });

  it('an ESC did not say how a launch limit acts', () => {
    expect(upgraded('esc-profile-5', 'live-tune/esc-profile').launchLimitActs).toBeNull();
  });
});

describe('documents of version 6', () => {
  it('an ESC did not say what full signal looks like, nor a sheet whose ESC it was', () => {
    expect(upgraded('esc-profile-6', 'live-tune/esc-profile').fullSignalShows).toBeNull();
    expect(upgraded('sheet-6', 'live-tune/sheet').simulated).toBeNull();
  });
});

describe('a sheet', () => {
  const withHandValues = (byHand: unknown) =>
    readDocument(
      JSON.stringify({
        ...raw('sheet-4'),
        version: VERSION,
        simulated: null,
        otherEscs: [],
        setUp: null,
        reasons: {},
        byHand,
      }),
    );

  it('says of the model what it knows', () => {
    expect(withHandValues({ pinionTeeth: 15 })).toMatchObject({
      ok: true,
      value: { byHand: { pinionTeeth: 15 } },
    });
  });

  it.each([
    [{ pinionTeeth: 0 }],
    [{ pinionTeeth: 15.5 }],
    [{ pinionTeeth: null }],
    [{ wingspan: 3 }],
    [undefined],
  ])('is refused where it says %j of it', (byHand) => {
    expect(withHandValues(byHand).ok).toBe(false);
  });
});

describe('damaged documents of older versions', () => {
  it.each(['rig-2', 'esc-profile-2', 'sheet-2', 'rig-3', 'esc-profile-3', 'sheet-3'])(
    '%s with any part taken out is refused in words, never broken on',
    (file) => {
      for (const key of Object.keys(raw(file)).filter((k) => k !== 'format' && k !== 'version')) {
        const { [key]: _gone, ...rest } = raw(file);
        const read = readDocument(JSON.stringify(rest));
        expect([key, read.ok ? 'taken' : read.problems.length > 0]).toEqual([key, true]);
        const spoiled = readDocument(JSON.stringify({ ...raw(file), [key]: [[]] }));
        expect([key, spoiled.ok]).toEqual([key, false]);
      }
    },
  );
});

describe('documents of version 9', () => {
  it('a rig sheds heat as is usual for its class, and is driven as its lap says', () => {
    const { rig } = upgraded('rig-9', 'live-tune/rig');
    expect(rig.inUse.motorCooling).toEqual({ value: 1, basis: 'assumed' });
    expect(rig.inUse.howHard).toEqual({ value: 1, basis: 'assumed' });
  });
});

describe('where a number comes from', () => {
  const FIT = { runs: [1], within: 0.1, together: [], was: { value: 1.2, basis: 'given' } };
  it.each([
    ['fitted, without saying how', { value: 1.3, basis: 'fitted' }],
    ['given, with a fit', { value: 1.3, basis: 'given', fit: FIT }],
    ['fitted to no run', { value: 1.3, basis: 'fitted', fit: { ...FIT, runs: [] } }],
  ])('is refused: %s', (_, massKg) => {
    const document = raw('rig-9') as unknown as { rig: { vehicle: object } };
    document.rig.vehicle = { ...document.rig.vehicle, massKg };
    expect(readDocument(JSON.stringify(document)).ok).toBe(false);
  });

  it('may be a fit, which says from which runs and what was before', () => {
    const document = raw('rig-9') as unknown as { rig: { vehicle: object } };
    document.rig.vehicle = { ...document.rig.vehicle, massKg: { value: 1.3, basis: 'fitted', fit: FIT } };
    expect(readDocument(JSON.stringify(document))).toMatchObject({ ok: true });
  });
});
