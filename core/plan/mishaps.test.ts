import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { handMediumOf, factoryStops, type EscProfile, type StopByItem } from '../esc/profile';
import { smallProfile, toneProfile } from '../esc/smallProfile.fixture';
import type { HeldStops } from '../sheet/evidence';
import { loadByHand, type LoadByHand } from './loadByHand.fixture';
import { mishapsAt, type MishapId } from './mishaps';

const PATTERNS = ARCHETYPES.map(({ profile }) => profile).filter((profile) => handMediumOf(profile));

/** Items that neither set others along nor hide them: what they hold in the end is what was wanted. */
const plainItems = ({ items }: EscProfile) =>
  items.filter(
    ({ overwrites, renumbersMenu, switchedOffBy }) =>
      overwrites.length === 0 && !renumbersMenu && switchedOffBy === null,
  );

/** What the ESC holds, which of it is known, and what three of its items should be. */
const anyLoad = (profile: EscProfile) => {
  const stopOf = (item: EscProfile['items'][number]) => fc.constantFrom(...item.stops.map(({ id }) => id));
  const plain = plainItems(profile);
  return fc
    .record({
      real: fc.tuple(...plain.map(stopOf)),
      known: fc.tuple(...plain.map(() => fc.boolean())),
      wanted: fc.uniqueArray(
        fc.nat(plain.length - 1).chain((at) => stopOf(plain[at]!).map((stop) => [at, stop] as const)),
        { minLength: 1, maxLength: 3, selector: ([at]) => at },
      ),
    })
    .map(({ real, known, wanted }) => {
      const held: StopByItem = {
        ...factoryStops(profile),
        ...Object.fromEntries(plain.map(({ id }, n) => [id, real[n]!])),
      };
      const isKnown = new Map(plain.map(({ id }, n) => [id, known[n]!]));
      return {
        profile,
        stick: profile.factoryRange,
        real: held,
        known: Object.fromEntries(
          Object.entries(held).map(([id, stop]) => [id, isKnown.get(id) === false ? null : stop]),
        ) as HeldStops,
        wanted: Object.fromEntries(wanted.map(([at, stop]) => [plain[at]!.id, stop])),
      } satisfies LoadByHand;
    });
};

/** What was not wanted is as it was, as far as anybody knew it. */
function expectLoaded({ real, known, wanted, ...load }: LoadByHand): void {
  const end = loadByHand({ real, known, wanted, ...load }).config.memory.stops;
  expect(end).toMatchObject(wanted);
  for (const [id, stop] of Object.entries(known)) {
    if (stop !== null && !(id in wanted)) expect(end[id]).toBe(stop);
  }
}

describe.each(PATTERNS.map((profile) => [handMediumOf(profile)!.family, profile] as const))(
  'a load by %s',
  (_, profile) => {
    it('leads to what is wanted, whatever of what the ESC holds is unknown', () => {
      fc.assert(fc.property(anyLoad(profile), expectLoaded), { numRuns: 15 });
    });

    it('is brought back from every mistake of the hand', () => {
      fc.assert(
        fc.property(
          anyLoad(profile),
          fc.array(fc.nat(9), { maxLength: 4 }),
          fc.nat(5),
          (load, slips, apart) => {
            const left = [...slips];
            expectLoaded({
              ...load,
              instead: (esc, due, n) => {
                if (n % (apart + 1) !== apart || left.length === 0) return undefined;
                const possible = mishapsAt(esc.machine, esc.config, due);
                return possible[left.pop()! % possible.length]?.inputs;
              },
            });
          },
        ),
        { numRuns: 15 },
      );
    });
  },
);

describe('the mistakes that can be made', () => {
  /** Every mistake that comes up on the way to these values. */
  function metWith(profile: EscProfile, wanted: StopByItem): Set<MishapId> {
    const met = new Set<MishapId>();
    const real = factoryStops(profile);
    loadByHand({
      profile,
      stick: profile.factoryRange,
      real,
      known: real,
      wanted,
      instead: (esc, due) => {
        mishapsAt(esc.machine, esc.config, due).forEach(({ id }) => met.add(id));
        return undefined;
      },
    });
    return met;
  }

  it('with a key are of the key, with the stick of its moment', () => {
    const battery = 'powerLost';
    expect(metWith(smallProfile(), { bite: 'bite-4' })).toEqual(
      new Set([battery, 'onceTooOften', 'letGoTooSoon']),
    );
    expect(metWith(toneProfile(), { bite: 'bite-4' })).toEqual(new Set([battery, 'tooEarly', 'tooLate']));
  });

  it.each([
    ['twoKeys', 'notStored'],
    ['lampCard', 'notStored'],
    ['textBox', 'notStored'],
    ['transmitterMenu', 'notStored'],
    ['keyPad', 'notStored'],
    ['keyPad', 'wrongCode'],
    ['stickToggle', 'tooLate'],
  ] as const)('by %s have the one that it is known for: %s', (family, known) => {
    const profile = PATTERNS.find((one) => handMediumOf(one)?.family === family)!;
    const [item] = plainItems(profile);
    const other = item!.stops.find(({ id }) => id !== item!.factoryStopId)!;
    expect(metWith(profile, { [item!.id]: other.id })).toContain(known);
  });
});
