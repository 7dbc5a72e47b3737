import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { smallProfile } from '../esc/smallProfile.fixture';
import { checkSum, readCode, setUpFromCode, writeCode } from './code';
import { setUpValues } from './setUp';
import { smallSetUp } from './setUps.fixture';

const anyText = fc.string({ unit: 'grapheme', maxLength: 60 }).filter((text) => !text.includes('\0'));

describe('a code', () => {
  it('brings a set-up back, whatever it is called, for every archetype', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ARCHETYPES),
        anyText,
        anyText,
        fc.nat(),
        ({ profile }, isFor, by, pick) => {
          const stops = Object.fromEntries(
            profile.items.map(({ id, stops: all }) => [id, all[pick % all.length]!.id]),
          );
          const setUp = smallSetUp({
            isFor,
            by,
            profileId: profile.id,
            profileName: profile.name,
            profileRevision: profile.revision,
            values: setUpValues(profile, stops),
          });
          const read = readCode(writeCode(setUp));
          if (!read.ok) throw new Error(JSON.stringify(read.problems));
          const { setUp: back, unknown } = setUpFromCode(read.value, profile);
          expect(unknown).toEqual([]);
          const { massKg, finalDrive } = back.conditions;
          expect({ ...back, conditions: setUp.conditions }).toEqual({ ...setUp, origin: 'code' });
          expect(massKg).toBeCloseTo(setUp.conditions.massKg, 3);
          expect(finalDrive).toBeCloseTo(setUp.conditions.finalDrive, 2);
        },
      ),
    );
  });

  it('of forty items fits into a QR code of middling correction', () => {
    // 2,331 bytes: ISO/IEC 18004, version 40, level M.
    const longest = ARCHETYPES.map(({ profile }) => profile).toSorted(
      (a, b) => b.items.length - a.items.length,
    )[0]!;
    const stops = Object.fromEntries(longest.items.map(({ id, factoryStopId }) => [id, factoryStopId]));
    expect(writeCode(smallSetUp({ values: setUpValues(longest, stops) })).length).toBeLessThan(2331);
  });

  it('with one letter wrong is refused', () => {
    const code = writeCode(smallSetUp());
    fc.assert(
      fc.property(fc.nat(code.length - 1), fc.constantFrom(...'abc019=-,:%'.split('')), (at, letter) => {
        fc.pre(code[at] !== letter);
        expect(readCode(code.slice(0, at) + letter + code.slice(at + 1)).ok).toBe(false);
      }),
      { numRuns: 500 },
    );
  });

  it('is never thrown at, whatever the text, and invents nothing', () => {
    const said = writeCode(smallSetUp()).split(':');
    const anyCode = fc
      .tuple(
        fc.nat(said.length - 2),
        fc.oneof(anyText, fc.constantFrom('', ',', '=', '%', '__proto__=1', '1=2=3')),
      )
      .map(([at, part]) => {
        const body = said
          .slice(0, -1)
          .map((old, place) => (place === at ? part : old))
          .join(':');
        return `${body}:${checkSum(body)}`;
      });
    fc.assert(
      fc.property(fc.oneof(anyText, anyCode), (text) => {
        const read = readCode(text);
        if (!read.ok) return;
        const { setUp } = setUpFromCode(read.value, smallProfile());
        for (const { itemId, stopId } of setUp.values) expect(read.value.stops[itemId]).toBe(stopId);
      }),
      { numRuns: 500 },
    );
  });

  it.each([
    ['kvRpmPerVolt', 0],
    ['kvRpmPerVolt', 200_000],
    ['packCells', 21],
    ['packCells', 2.5],
    ['massKg', 0],
    ['massKg', 101],
    ['finalDrive', 0],
  ] as const)('with %s of %s is refused', (key, value) => {
    const { conditions } = smallSetUp();
    expect(readCode(writeCode(smallSetUp({ conditions: { ...conditions, [key]: value } }))).ok).toBe(false);
  });

  it('with the most and the least that there is is read', () => {
    const { conditions } = smallSetUp();
    for (const change of [
      { kvRpmPerVolt: 1, packCells: 1, massKg: 0.01, finalDrive: 0.01 },
      { kvRpmPerVolt: 100_000, packCells: 20, massKg: 100, finalDrive: 200 },
    ])
      expect(readCode(writeCode(smallSetUp({ conditions: { ...conditions, ...change } }))).ok).toBe(true);
  });

  it('says what this ESC does not have', () => {
    const setUp = smallSetUp();
    const read = readCode(writeCode({ ...setUp, values: [{ ...setUp.values[0]!, stopId: 'gone-9' }] }));
    expect(read.ok && setUpFromCode(read.value, smallProfile()).unknown).toEqual([
      `${setUp.values[0]!.itemId} = gone-9`,
    ]);
  });
});

it('the check sum is CRC-32', () => {
  // The check value of CRC-32/ISO-HDLC: "123456789" gives cbf43926.
  expect(checkSum('123456789')).toBe('cbf43926');
});
