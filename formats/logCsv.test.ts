import { describe, expect, it } from 'vitest';
import { columnAs, columnIn, type ColumnUse } from '#core/runs/log/columns';
import type { Layout } from '#core/runs/log/layout';
import type { LogProblem, ReadLog } from '#core/runs/log/readLog';
import { encodingOf, readLogText, sniffLog } from './logCsv';

/** Reads a file as its reader would who confirms all that is asked. */
function readAll(
  text: string,
  change: (layout: Layout) => Layout = (layout) => layout,
): ReadLog & { asked: string[] } {
  const sniffed = sniffLog(text);
  if (!sniffed.ok) throw new Error(sniffed.problems[0]!.sentence);
  const { separator, layout } = sniffed.value;
  const asked = [layout.question, ...layout.columns.map(({ question }) => question)].filter(
    (one) => one !== undefined,
  );
  return { ...readLogText(text, { separator, layout: change(layout) }), asked };
}

const values = ({ log }: ReadLog, name: string): number[] =>
  [...(log.channels.find((channel) => channel.name === name)?.values ?? [])].map((value) =>
    Number(value.toPrecision(6)),
  );
const times = ({ log }: ReadLog): number[] => [...log.seconds].map((t) => Number(t.toFixed(4)));
const said = (problems: readonly LogProblem[]): string[] =>
  problems.map(({ row, column, what, done, count }) => `${row} ${column} ${count}× ${what} ${done}`);

/** A layout of which one column counts in a unit. */
const counted = (layout: Layout, name: string, unit: string): Layout => ({
  ...layout,
  columns: layout.columns.map((column) => (column.name === name ? columnIn(column, unit) : column)),
});

/** A file with a head and three rows. */
const plain = (head: string, ...rows: string[]): string => [head, ...rows].join('\n');

describe('odd logs, made up after real habits', () => {
  it('1: commas and points', () => {
    const read = readAll(plain('Time (s),Voltage (V),Current (A)', '0,8.2,1', '0.1,8.1,20', '0.2,8,30'));
    expect(times(read)).toEqual([0, 0.1, 0.2]);
    expect(values(read, 'Pack voltage')).toEqual([8.2, 8.1, 8]);
    expect(values(read, 'Pack current')).toEqual([1, 20, 30]);
    expect([read.asked, read.problems]).toEqual([[], []]);
  });

  it('2: semicolons and decimal commas', () => {
    const read = readAll(plain('Time [s];Voltage [V]', '0,0;8,25', '0,5;8,05', '1,0;7,95'));
    expect(times(read)).toEqual([0, 0.5, 1]);
    expect(values(read, 'Pack voltage')).toEqual([8.25, 8.05, 7.95]);
  });

  it('3: semicolons, decimal commas and points between thousands', () => {
    const read = readAll(plain('t [s];rpm;U [V]', '0,0;1.250,5;8,2', '0,5;23.400,0;8,1', '1,0;24.000,0;8,0'));
    expect(values(read, 'Motor rpm')).toEqual([1250.5, 23400, 24000]);
  });

  it('4: tabs', () => {
    const read = readAll(plain('time\trpm\ttrigger', '0\t0\t0', '0.02\t9000\t50', '0.04\t18000\t100'));
    expect(values(read, 'Motor rpm')).toEqual([0, 9000, 18000]);
    expect(values(read, 'Trigger')).toEqual([0, 50, 100]);
  });

  it('5: bars', () => {
    expect(values(readAll(plain('time|amps', '0|1', '1|2', '2|3')), 'Pack current')).toEqual([1, 2, 3]);
  });

  it('6: a byte order mark, and line ends of another system', () => {
    const read = readAll('\ufeffTime (s),Voltage (V)\r\n0,8.2\r\n1,8.1\r\n2,8.0\r\n');
    expect(values(read, 'Pack voltage')).toEqual([8.2, 8.1, 8]);
  });

  it('7: line ends of a third', () => {
    expect(readAll('Time (s),Voltage (V)\r0,8.2\r1,8.1\r2,8.0\r').rows).toBe(3);
  });

  it('8: quoted heads with units, and a separator within', () => {
    const read = readAll(
      plain('"Time, elapsed (s)","Voltage (V)"', '"0","8.2"', '"1","8.1"', '"2","8.0"'),
      (layout) => ({
        ...layout,
        timeKind: 'number',
        columns: layout.columns.map((column) => (column.place === 0 ? columnAs(column, 'time') : column)),
      }),
    );
    expect(values(read, 'Pack voltage')).toEqual([8.2, 8.1, 8]);
  });

  it('9: two rows of heads, the units in the second', () => {
    const read = readAll(plain('Time,Voltage,Motor temp', 's,mV,°F', '0,8200,68', '1,8100,86', '2,8000,104'));
    expect(values(read, 'Pack voltage')).toEqual([8.2, 8.1, 8]);
    expect(values(read, 'Motor can')).toEqual([20, 30, 40]);
    expect(read.rows).toBe(3);
  });

  it('10: what the device says of itself before the table', () => {
    const read = readAll(
      plain(
        'Logger firmware 2.1',
        'serial,00412',
        '',
        'Time (s),Voltage (V),rpm',
        '0,8.2,0',
        '1,8.1,9000',
        '2,8.0,9500',
      ),
    );
    expect(values(read, 'Motor rpm')).toEqual([0, 9000, 9500]);
  });

  it('11: a blank channel is left out, and said to be', () => {
    const read = readAll(plain('time,volts,ESC temp (C)', '0,8.2,', '1,8.1,', '2,8,'));
    expect(read.log.channels.map(({ name }) => name)).toEqual(['Pack voltage']);
    expect(said(read.problems)).toEqual(['2 ESC temp 1× It is blank all through. It is left out.']);
  });

  it('12: text among numbers is left blank, and the first of it named', () => {
    const read = readAll(plain('time,rpm', '0,100', '1,ERR', '2,ERR', '3,400'));
    expect(values(read, 'Motor rpm')).toEqual([100, NaN, NaN, 400]);
    expect(said(read.problems)).toEqual(['3 rpm 2× “ERR” is no number. It is left blank.']);
  });

  it('13: dashes and “n/a” say that nothing was measured', () => {
    const read = readAll(plain('time,rpm', '0,100', '1,--', '2,n/a', '3,NaN'));
    expect(values(read, 'Motor rpm')).toEqual([100, NaN, NaN, NaN]);
    expect(read.problems).toEqual([]);
  });

  it('14: units behind each number', () => {
    expect(
      values(readAll(plain('time,volts', '0,8.2V', '1,8.1 V', '2,8.0V', '3,7.9')), 'Pack voltage'),
    ).toEqual([8.2, 8.1, 8, 7.9]);
  });

  it('15: a clock that is set back goes on where it was', () => {
    const read = readAll(plain('time,rpm', '10,1', '11,2', '0,3', '1,4'));
    expect(times(read)).toEqual([0, 1, 1, 2]);
    expect(said(read.problems)).toEqual(['4  1× The clock was set back. The log goes on where it was.']);
  });

  it('16: rows out of their order are put in order', () => {
    const read = readAll(plain('time,rpm', '0,1', '0.2,3', '0.1,2', '0.3,4'));
    expect(times(read)).toEqual([0, 0.1, 0.2, 0.3]);
    expect(values(read, 'Motor rpm')).toEqual([1, 2, 3, 4]);
    expect(said(read.problems)).toEqual(['4  1× Rows are out of their order. They are put in order.']);
  });

  it('17: a fast channel beside a slow one', () => {
    const rows = Array.from(
      { length: 100 },
      (_, n) => `${(n / 50).toFixed(2)},${n},${n % 50 === 0 ? 20 + n / 50 : ''}`,
    );
    const read = readAll(plain('time,rpm,Motor temp (C)', ...rows));
    expect(values(read, 'Motor can').filter((value) => !Number.isNaN(value))).toEqual([20, 21]);
    expect(values(read, 'Motor rpm')).toHaveLength(100);
  });

  it('18: heads that are repeated in the middle', () => {
    const read = readAll(plain('Time (s),rpm', '0,1', '1,2', 'Time (s),rpm', '2,3'));
    expect(values(read, 'Motor rpm')).toEqual([1, 2, 3]);
    expect(said(read.problems)).toEqual(['4  1× The heads are repeated. The row is passed over.']);
  });

  it('19: a clock, past midnight', () => {
    const read = readAll(plain('Clock;rpm', '23:59:59,0;1', '23:59:59,5;2', '00:00:00,5;3'));
    expect(times(read)).toEqual([0, 0.5, 1.5]);
  });

  it('20: a date and a time', () => {
    const read = readAll(
      plain(
        'Date Time,rpm',
        '2026-05-01T10:00:00.000Z,1',
        '2026-05-01T10:00:00.100Z,2',
        '2026-05-01T10:00:00.200Z,3',
      ),
    );
    expect(times(read)).toEqual([0, 0.1, 0.2]);
  });

  it('21: milliseconds by their unit', () => {
    expect(times(readAll(plain('Time (ms),rpm', '0,1', '20,2', '40,3')))).toEqual([0, 0.02, 0.04]);
  });

  it('22: large steps of a time without a unit may be milliseconds: it is asked', () => {
    const text = plain('Time,rpm', '0,1', '20,2', '40,3');
    expect(readAll(text).asked).toEqual(['What is “Time” counted in?']);
    const as = (unit: string) => times(readAll(text, (layout) => counted(layout, 'Time', unit)));
    expect([as('ms'), as('s')]).toEqual([
      [0, 0.02, 0.04],
      [0, 20, 40],
    ]);
  });

  it('23: no time at all: the pace is asked', () => {
    const read = readAll(plain('rpm,volts', '1,8', '2,8', '3,8'), (layout) => ({ ...layout, everyS: 0.5 }));
    expect(times(read)).toEqual([0, 0.5, 1]);
    expect(read.asked).toEqual(['The file has no time. How many rows a second does it have?']);
  });

  it('24: a temperature of nothing in particular is asked for, not guessed', () => {
    const read = readAll(plain('time,Temp', '0,20', '1,30', '2,40'));
    expect(read.asked).toEqual(['What is “Temp” the temperature of?']);
    expect(read.log.channels).toMatchObject([{ kind: null, name: 'Temp' }]);
  });

  it('25: electrical turns are asked about', () => {
    expect(readAll(plain('time,eRPM', '0,20', '1,30', '2,40')).asked[0]).toContain('pole pairs');
  });

  it('26: a pulse of the radio becomes a share of the trigger once it is said where it rests', () => {
    const text = plain('time,Throttle (µs)', '0,1500', '1,2000', '2,1250');
    expect(readAll(text).asked).toEqual(['“Throttle” is a pulse. Where does it rest?']);
    const at = (unit: string) =>
      values(
        readAll(text, (layout) => counted(layout, 'Throttle', unit)),
        'Trigger',
      );
    expect(at('rests at 1500 µs')).toEqual([0, 100, -50]);
    expect(at('rests at 1000 µs')).toEqual([50, 100, 25]);
  });

  it('27: a unit that the channel does not have is no guess', () => {
    const read = readAll(plain('time,Voltage (bar)', '0,20', '1,30', '2,40'));
    expect(read.log.channels[0]!.kind).toBeNull();
    expect(read.asked[0]).toContain('is no unit of that');
  });

  it('28: rows that are cut short', () => {
    const read = readAll(plain('time,rpm,volts,amps', '0,1,8,2', '1,2', '2,3,8,4'));
    expect(values(read, 'Pack current')).toEqual([2, NaN, 4]);
    expect(said(read.problems)).toEqual(['3  1× The row is cut short. What it lacks is left blank.']);
  });

  it('29: what no sensor can read', () => {
    const read = readAll(plain('time,Motor temp (C)', '0,20', '1,6553.5', '2,30'));
    expect(values(read, 'Motor can')).toEqual([20, NaN, 30]);
    expect(said(read.problems)).toEqual(['3 Motor temp 1× 6554 °C cannot be. It is left blank.']);
  });

  it('30: a pause stays, and a line of text in between is passed over', () => {
    const read = readAll(plain('time,rpm', '0,1', '1,2', 'paused by user', '60,3'));
    expect(times(read)).toEqual([0, 1, 60]);
    expect(said(read.problems)).toEqual([
      '4  1× “paused by user” has no time. The row is passed over.',
      '5  1× The log pauses for 59\u00a0s. The pause stays.',
    ]);
  });

  it('31: numbers without heads are asked for, each of them', () => {
    const read = readAll(plain('0.0,8.2,100', '0.1,8.1,200', '0.2,8.0,300'));
    expect(read.asked).toHaveLength(4);
  });

  it('32: speeds in miles an hour, names in capitals and joined', () => {
    const read = readAll(
      plain('TIME_S,GPS_SPEED_MPH,escTempC', '0,10,30', '1,20,31', '2,30,32'),
      (layout) => layout,
    );
    expect(values(read, 'Speed')).toEqual([16.0934, 32.1869, 48.2803]);
  });

  it('33: two clocks: the first counts', () => {
    const read = readAll(plain('time,timestamp,rpm', '0,1700000000,1', '1,1700000001,2', '2,1700000002,3'));
    expect(times(read)).toEqual([0, 1, 2]);
    expect(read.log.channels).toHaveLength(1);
  });
});

describe('what could pass for something else', () => {
  it('34: a temperature, a current, a trigger and a speed without a unit are asked for; volts and rpm are not', () => {
    const read = readAll(
      plain(
        'time,Motor temp,Current,Throttle,Speed,Voltage,rpm',
        '0,68,500,1,9,8,1',
        '1,86,900,0,8,8,2',
        '2,86,900,0,8,8,2',
      ),
      (layout) => counted(counted(counted(layout, 'Motor temp', '°F'), 'Current', 'mA'), 'Throttle', 'share'),
    );
    expect(read.asked).toHaveLength(4);
    expect(values(read, 'Motor can')).toEqual([20, 30, 30]);
    expect(values(read, 'Pack current')).toEqual([0.5, 0.9, 0.9]);
    expect(values(read, 'Trigger')).toEqual([100, 0, 0]);
  });

  it('35: electrical turns stay asked for when somebody says that they are rpm', () => {
    const sniffed = sniffLog(plain('time,eRPM', '0,20', '1,30', '2,40'));
    const column = sniffed.ok ? sniffed.value.layout.columns[1]! : undefined;
    expect(columnAs(columnAs(column!, 'other'), 'rpm').question).toContain('pole pairs');
  });

  it('36: a point that is decimal beside decimal commas is not taken for thousands', () => {
    const read = readAll(plain('t [s];rpm;U [V]', '0,0;1.250,5;8,2', '0,5;23.400;8.1', '1,0;24.000,0;8,0'));
    expect(values(read, 'Pack voltage')).toEqual([8.2, 8.1, 8]);
    expect(values(read, 'Motor rpm')).toEqual([1250.5, 23400, 24000]);
  });

  // 1 mile is 1.609344 km (exact); 0 °C is 273.15 K and 32 °F.
  it.each([
    ['rpm (1/min)', 'Motor rpm', 9000, 9000],
    ['rpm (krpm)', 'Motor rpm', 9, 9000],
    ['rpm (rps)', 'Motor rpm', 150, 9000],
    ['Speed (km/h)', 'Speed', 36, 36],
    ['Speed (m/s)', 'Speed', 10, 36],
    ['Speed (mph)', 'Speed', 10, 16.0934],
    ['Used (Ah)', 'Used', 2.1, 2100],
    ['Motor temp (K)', 'Motor can', 293.15, 20],
    ['ESC temp (°F)', 'ESC', 32, 0],
    ['Current (mA)', 'Pack current', 500, 0.5],
    ['RX voltage (mV)', 'Receiver voltage', 6000, 6],
  ])('%s is counted as the channel counts', (head, name, written, counts) => {
    const rows = [0, 1, 2].map((t) => `${t},${written}`);
    const [value] = values(readAll(plain(`time,${head}`, ...rows)), name);
    expect(value).toBeCloseTo(counts, 3);
  });

  it('a column that is left out, or only drawn, keeps no scale of what it was taken for', () => {
    const sniffed = sniffLog(plain('time,Voltage (mV)', '0,8200', '1,8100', '2,8000'));
    const column = sniffed.ok ? sniffed.value.layout.columns[1]! : undefined;
    expect(column!.factor).toBe(0.001);
    for (const use of ['other', 'skip'] as const)
      expect(columnAs(column!, use)).toMatchObject({ use, factor: 1, question: undefined });
  });

  it('37: more columns than fit are refused', () => {
    const heads = Array.from({ length: 60 }, (_, n) => `c${n}`).join(',');
    const row = Array.from({ length: 60 }, (_, n) => n).join(',');
    const sniffed = sniffLog(plain(heads, row, row, row));
    expect(sniffed.ok ? '' : sniffed.problems[0]!.sentence).toContain('60 columns');
  });
});

describe('what is no log', () => {
  it.each([
    ['a picture', '\u0000\u0001PNG'],
    ['a letter', 'Dear friend,\nthe buggy is fine.\nYours'],
    ['nothing', ''],
    ['heads alone', 'Time (s),Voltage (V)\n'],
  ])('%s is refused with a sentence', (_, text) => {
    const sniffed = sniffLog(text);
    expect(sniffed.ok ? '' : sniffed.problems[0]!.sentence).toMatch(/\.$|\?$/);
  });
});

describe('the letters of a file', () => {
  it('are told by their first bytes', () => {
    expect(encodingOf(Uint8Array.of(0xff, 0xfe, 0x54, 0))).toBe('utf-16le');
    expect(encodingOf(new TextEncoder().encode('Temp °C'))).toBe('utf-8');
    expect(encodingOf(Uint8Array.of(0x54, 0xb0, 0x43))).toBe('windows-1252');
    // A letter that was cut through at the end is none that is wrong.
    expect(encodingOf(new TextEncoder().encode('Temp °').slice(0, 6))).toBe('utf-8');
  });
});

it('a column that its reader names takes its unit along', () => {
  const sniffed = sniffLog(plain('time,Temp (F)', '0,68', '1,86', '2,104'));
  if (!sniffed.ok) throw new Error('no log');
  const { separator, layout } = sniffed.value;
  const use: ColumnUse = 'escCelsius';
  const columns = layout.columns.map((column) => (column.name === 'Temp' ? columnAs(column, use) : column));
  expect(
    values(
      readLogText(plain('time,Temp (F)', '0,68', '1,86'), { separator, layout: { ...layout, columns } }),
      'ESC',
    ),
  ).toEqual([20, 30]);
});
