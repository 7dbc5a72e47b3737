import type { ShelfPack } from '#core/packs/shelfPack';
import { CHEMISTRIES } from '#core/physics/pack';
import { formatNumber } from '#core/units/format';
import type { Problem } from '#core/units/problem';
import { Choice, NumberInput, Row, TextInput } from '../rig/formParts';

interface Props {
  /** The one that is changed; undefined for a new one. */
  pack: ShelfPack | undefined;
  problems: readonly Problem[];
}

/** What a pack is. */
export function PackFields({ pack, problems }: Props) {
  const problem = (name: string) => {
    const sentence = problems.find(({ path }) => path === name)?.sentence;
    return sentence === undefined ? {} : { problem: sentence };
  };
  const typed = (value: number | null | undefined): string =>
    value === null || value === undefined ? '' : formatNumber(value, 3);
  return (
    <div>
      <Row name="label" label="Label" why="As you write it on the pack." {...problem('label')}>
        <TextInput name="label" value={pack?.label ?? ''} placeholder="Blue 1" {...problem('label')} />
      </Row>
      <Row
        name="chemistry"
        label="Chemistry"
        why="It stands on the pack. The charger must be set to the same."
      >
        <Choice name="chemistry" value={pack?.chemistry ?? 'lipo'} options={Object.entries(CHEMISTRIES)} />
      </Row>
      <Row name="cells" label="Cells" why="The number before the S, as in 2S." {...problem('cells')}>
        <NumberInput name="cells" value={typed(pack?.cells)} unit="" {...problem('cells')} />
      </Row>
      <Row name="capacityMah" label="Capacity" why="Printed on it." {...problem('capacityMah')}>
        <NumberInput
          name="capacityMah"
          value={pack ? typed(pack.capacityAh * 1000) : ''}
          unit="mAh"
          {...problem('capacityMah')}
        />
      </Row>
      <Row
        name="chargeAmps"
        label="Charge current"
        why="What you set the charger to. At most once the capacity, where nothing else is printed."
        {...problem('chargeAmps')}
      >
        <NumberInput name="chargeAmps" value={typed(pack?.chargeAmps)} unit="A" {...problem('chargeAmps')} />
      </Row>
      <Row
        name="mostChargeC"
        label="Highest charge rate"
        why="Only where it is printed, as 2C."
        {...problem('mostChargeC')}
      >
        <NumberInput
          name="mostChargeC"
          value={typed(pack?.mostChargeC)}
          unit="C"
          {...problem('mostChargeC')}
        />
      </Row>
      <Row name="ratingC" label="Rating" why="The printed continuous rating, if any." {...problem('ratingC')}>
        <NumberInput name="ratingC" value={typed(pack?.ratingC)} unit="C" {...problem('ratingC')} />
      </Row>
      <Row name="note" label="Words" why="Anything else, as when it was bought.">
        <TextInput name="note" value={pack?.note ?? ''} />
      </Row>
    </div>
  );
}
