import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { defaultRig } from '../rig/defaults';
import { readQuickLine } from './quickLine';

const profile = smallProfile();
const rig = defaultRig('tenthBuggy');
const read = (typed: string) => readQuickLine(profile, rig, typed);

describe('the quick line', () => {
  it('takes a list that is clear, and only shows one that is not', () => {
    expect(read('1=2, 3=4')).toMatchObject({
      kind: 'list',
      count: 2,
      isClear: true,
      clear: { stops: { way: 'way-2', bite: 'bite-4' } },
    });
    expect(read('1=2, 77=4')).toMatchObject({ kind: 'list', count: 1, isClear: false });
  });

  it('asks where a number is a stop and a value, too', () => {
    const leap = profile.items.find(({ id }) => id === 'leap')!;
    leap.stops[0]!.value = { kind: 'number', value: 3 };
    expect(read('leap 3')).toMatchObject({ kind: 'ask' });
    expect(read('leap #3')).toMatchObject({ kind: 'move', stop: { id: 'leap-3' } });
  });

  it('goes on to the model where the ESC has no such thing', () => {
    expect(read('cells 3')).toEqual({ kind: 'byHand', key: 'packCells', value: 3 });
    expect(read('bite')).toMatchObject({ kind: 'named' });
  });
});
