import type { Range } from '#core/physics/drills/band';
import type { DrillNumber } from '#core/physics/drills/drill';
import type { DrillPair } from '../../workers/drills.worker';

/** What a drill comes to: on the ESC, in the draft, and the difference in a word. */
export function DrillNumbers({ now, band, draft }: DrillPair) {
  return (
    <table className="mt-2 w-full text-left">
      <thead className="sr-only">
        <tr>
          <th>What</th>
          <th>On the ESC</th>
          <th>Draft</th>
          <th>In words</th>
        </tr>
      </thead>
      <tbody>
        {draft.numbers.map((number) => {
          // A number that only the draft has was never reached before.
          const before = now.numbers.find(({ id }) => id === number.id) ?? { ...number, value: undefined };
          const range = band?.numbers[number.id];
          const word = difference(before, number);
          return (
            <tr key={number.id} className="border-t border-rule">
              <th scope="row" className="py-0.5 pr-2 font-normal">
                {number.name}
              </th>
              <td className="text-right whitespace-nowrap">
                {range ? `${rangeWords(range, number.decimals)} →` : word ? `${plainNumber(before)} →` : ''}
              </td>
              <td className={`pl-1.5 text-right font-bold whitespace-nowrap ${word ? 'text-draft' : ''}`}>
                {plainNumber(number)} {number.value === undefined ? '' : number.unit}
              </td>
              <td className="w-24 pl-2 text-right text-sm text-muted">{word}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** A number to its digits, without its unit. */
export const plainNumber = ({ value, decimals }: DrillNumber): string =>
  value === undefined ? 'never' : value.toFixed(decimals).replace('-', '−');

/** A range to the digits that the number is shown with. */
const rangeWords = ({ low, high }: Range, decimals: number): string =>
  `${low.toFixed(decimals)} to ${high.toFixed(decimals)}`;

/** The plain word for a number that changed by more than its last digit shows; empty where it did not. */
function difference(before: DrillNumber, after: DrillNumber): string {
  if (plainNumber(before) === plainNumber(after)) return '';
  const from = before.value ?? Infinity;
  const to = after.value ?? Infinity;
  return to < from ? after.less : after.more;
}
