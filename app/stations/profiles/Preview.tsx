import type { EscProfile, ProfileItem } from '#core/esc/profile';
import { labelsInWords, numbersOf } from '#core/esc/numberField';
import { comparableNumber, describeValue } from '#core/settings/value';
import { momentsOf, MOMENTS } from '#core/settings/moments';
import { VOCABULARY } from '#core/settings/vocabulary';
import { Scrollable } from '../../ui/Scrollable';

/** Only pack totals need it, and those only for their order. */
const CELLS_FOR_ORDER = 4;

/** The rails as they will be, by the moment in which they are felt, and the card in the ESC's own order. */
export function Preview({ profile }: { profile: EscProfile }) {
  return (
    <>
      <h3 className="text-xl">Rails</h3>
      {profile.items.some(({ stops }) => stops.some(({ basis }) => basis === 'assumed')) && (
        <p className="text-sm text-caution">Amber ticks: the size is only assumed.</p>
      )}
      {momentsOf('wheels').map((moment) => {
        const items = profile.items.filter((item) => VOCABULARY[item.setting].moment === moment);
        return items.length === 0 ? null : (
          <div key={moment} className="mt-2">
            <p className="text-sm font-bold text-muted">{MOMENTS[moment]}</p>
            {items.map((item) => (
              <RailPreview key={item.id} item={item} />
            ))}
          </div>
        );
      })}
      <h3 className="mt-6 text-xl">Programming card</h3>
      <CardPreview profile={profile} />
    </>
  );
}

function RailPreview({ item }: { item: ProfileItem }) {
  const setting = VOCABULARY[item.setting];
  const number = (stop: ProfileItem['stops'][number]): number =>
    comparableNumber(stop.value, CELLS_FOR_ORDER) ?? 0;
  const stops = setting.choices ? item.stops : item.stops.toSorted((a, b) => number(a) - number(b));
  const at = (place: number): string => `${(place / Math.max(1, stops.length - 1)) * 100}%`;
  const factory = stops.findIndex(({ id }) => id === item.factoryStopId);
  return (
    <div className="border-t border-rule py-2">
      <p className="flex justify-between gap-2">
        <span className="font-bold">{setting.id === 'other' ? item.label : setting.name}</span>
        <span className="text-right text-sm text-muted">{stops[factory]?.label} from the factory</span>
      </p>
      <div className="relative mx-2 h-6" aria-hidden="true">
        <span className="absolute inset-x-0 top-3 h-0.5 bg-ink" />
        {stops.map((stop, place) => (
          <span
            key={stop.id}
            hidden={isPassedBy(item, stop)}
            className={`absolute top-1.5 h-3 w-0.5 -translate-x-1/2 ${stop.basis === 'assumed' ? 'bg-caution' : 'bg-ink'}`}
            style={{ left: at(place) }}
          />
        ))}
        <span
          className="absolute top-1 size-4 -translate-x-1/2 rounded-full border-2 border-ink bg-film"
          style={{ left: at(factory) }}
        />
      </div>
      <p className="flex justify-between gap-2 text-sm text-muted">
        <span>◂ {setting.lower || stops[0]?.label}</span>
        <span className="text-right">{setting.higher || stops.at(-1)?.label} ▸</span>
      </p>
    </div>
  );
}

/** Of a number every tenth stop is marked; there are too many to mark them all. */
function isPassedBy(item: ProfileItem, stop: ProfileItem['stops'][number]): boolean {
  const numbers = numbersOf(item);
  return numbers.length >= 30 && numbers.includes(stop) && numbers.indexOf(stop) % 10 !== 0;
}

function CardPreview({ profile }: { profile: EscProfile }) {
  const columns = Math.max(...profile.items.map((item) => labelsInWords(item).length));
  return (
    <Scrollable label="Programming card">
      <table className="text-sm">
        <thead className="text-muted">
          <tr>
            <th className="pr-3 text-left font-normal">item</th>
            {Array.from({ length: columns }, (_, n) => (
              <th key={n} className="px-2 font-normal">
                {n + 1}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {profile.items.map((item) => (
            <tr key={item.id} className="border-t border-rule">
              <th scope="row" className="pr-3 text-left font-normal whitespace-nowrap">
                {item.number} {item.label}
              </th>
              {item.stops
                .filter((stop) => !numbersOf(item).slice(1).includes(stop))
                .map((stop) => (
                  <td
                    key={stop.id}
                    title={describeValue(VOCABULARY[item.setting], stop.value)}
                    className={`px-2 py-0.5 text-center whitespace-nowrap ${stop.id === item.factoryStopId ? 'font-bold' : ''}`}
                  >
                    {stop.label}
                    {stop === numbersOf(item)[0] && ` … ${numbersOf(item).at(-1)!.label}`}
                    {stop.id === item.factoryStopId && '*'}
                  </td>
                ))}
            </tr>
          ))}
        </tbody>
      </table>
    </Scrollable>
  );
}
