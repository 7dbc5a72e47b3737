import { describe, expect, it } from 'vitest';
import { keyPadPattern } from '../archetypes/aircraft';
import { readSketch } from './readSketch';
import { sketchOf } from './sketchOf';
import { newItem, type Sketch, type TypedAs } from './sketch';
import { withLine } from './stopsLine';
import { withSetting } from './suggest';

const pad: Sketch = { ...sketchOf(keyPadPattern, 'copy'), presets: [], name: 'Mine' };
const volts = (typedAs: TypedAs): Sketch => ({
  ...pad,
  items: [
    { ...withSetting(withLine(newItem('volts', 'BEC volts'), '5 V / 6.0 V* / 7.4 V'), 'becVolts'), typedAs },
  ],
});
const typed = (sketch: Sketch) => {
  const read = readSketch(sketch);
  return read.ok
    ? read.value.items[0]!.stops.map((stop) => stop.typed)
    : read.problems.map(({ path }) => path);
};

describe('what is typed on a key pad', () => {
  it('is asked where the manual prints numbers: those of the stops, or those that are printed', () => {
    expect(typed(volts(''))).toEqual(['items.0.typedAs']);
  });

  it('is the printed number without its point, with zeros in front', () => {
    expect(typed(volts('printedNumber'))).toEqual(['005', '060', '074']);
  });

  it('is else the number of the stop', () => {
    expect(typed(volts('stopNumber'))).toEqual([null, null, null]);
  });

  it('an item that is chosen by a key of its own needs what is printed on that key', () => {
    const own: Sketch = {
      ...volts('stopNumber'),
      media: pad.media.map((part) => ({ ...part, values: { ...part.values, chosenBy: 'ownKey' } })),
    };
    expect(typed(own)).toEqual(['items.0.typed']);
    const named = { ...own, items: own.items.map((item) => ({ ...item, typed: 'BEC' })) };
    expect(typed(named)).toEqual([null, null, null]);
  });
});
