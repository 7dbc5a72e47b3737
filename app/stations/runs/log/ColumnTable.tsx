import { CHANNELS, type ChannelKind } from '#core/runs/log/channels';
import { columnAs, columnIn, type Column, type ColumnUse } from '#core/runs/log/columns';
import { Button } from '../../../ui/Button';
import { DataTable } from '../../../ui/DataTable';

interface Props {
  columns: readonly Column[];
  /** The first rows of data. */
  rows: readonly (readonly string[])[];
  onChange: (columns: Column[]) => void;
}

const USES: readonly (readonly [ColumnUse, string])[] = [
  ['time', 'Time'],
  ...(Object.keys(CHANNELS) as ChannelKind[]).map(
    (kind) => [kind, `${CHANNELS[kind].name}, ${CHANNELS[kind].unit}`] as const,
  ),
  ['other', 'Something else: draw it'],
  ['skip', 'Leave it out'],
];

/** What each column is taken for: by its head where that is certain; else asked, and confirmed here. */
export function ColumnTable({ columns, rows, onChange }: Props) {
  const change = (place: number, column: Column): void =>
    onChange(columns.map((one) => (one.place === place ? column : one)));
  return (
    <DataTable label="Columns" heads={['column', 'is', 'first values']} className="max-w-4xl">
      {columns.map((column) => (
        <tr key={column.place} className="align-top">
          <th scope="row" className="wrap-anywhere">
            {column.name}
            {column.unit && <span className="text-muted"> {column.unit}</span>}
          </th>
          <td>
            <select
              aria-label={`${column.name} is`}
              value={column.use}
              onChange={(event) => change(column.place, columnAs(column, event.target.value as ColumnUse))}
              className="min-h-11 w-full max-w-64 rounded-sm border border-muted bg-sheet px-2"
            >
              {USES.map(([use, words]) => (
                <option key={use} value={use}>
                  {words}
                </option>
              ))}
            </select>
            {column.question && (
              <div className="mt-1 border-l-4 border-caution bg-caution-wash px-2">
                <p>{column.question}</p>
                <AnswerIt column={column} onChange={(next) => change(column.place, next)} />
              </div>
            )}
          </td>
          <td className="text-sm text-muted">
            {rows
              .slice(0, 4)
              .map((row) => row[column.place] ?? '')
              .join(' · ')}
          </td>
        </tr>
      ))}
    </DataTable>
  );
}

interface AnswerProps {
  column: Column;
  onChange: (column: Column) => void;
}

/** How a question is answered: by a unit, by the motor's pole pairs, or by leaving the column as it is. */
function AnswerIt({ column, onChange }: AnswerProps) {
  if (column.units.length > 0)
    return (
      <p className="flex flex-wrap gap-x-3">
        {column.units.map((unit) => (
          <Button key={unit} look="quiet" onClick={() => onChange(columnIn(column, unit))}>
            {unit === 'share' ? '0 to 1' : unit}
          </Button>
        ))}
      </p>
    );
  if (column.use === 'rpm') return <PolePairs column={column} onChange={onChange} />;
  return (
    <Button look="quiet" onClick={() => onChange({ ...column, question: undefined })}>
      Leave it as something else
    </Button>
  );
}

/** Electrical turns are so many times the motor's own. */
function PolePairs({ column, onChange }: AnswerProps) {
  return (
    <label className="flex min-h-11 items-center gap-2">
      Pole pairs
      <select
        defaultValue=""
        onChange={(event) =>
          onChange({ ...column, factor: 1 / Number(event.target.value), question: undefined })
        }
        className="min-h-11 rounded-sm border border-muted bg-sheet px-2"
      >
        <option value="" disabled>
          choose
        </option>
        {Array.from({ length: 14 }, (_, n) => (
          <option key={n} value={n + 1}>
            {n + 1}
          </option>
        ))}
      </select>
    </label>
  );
}
