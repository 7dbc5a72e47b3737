import { describe, expect, it } from 'vitest';
import { parseTable } from './csvTable';

const cells = (text: string): string[][] => {
  const read = parseTable(text);
  if (!read.ok) throw new Error(read.problems[0]!.sentence);
  return read.value;
};

// The cases of the grammar itself: RFC 4180, section 2.
describe('a table as text (RFC 4180)', () => {
  it.each<[string, string, string[][]]>([
    [
      'rows end with CRLF',
      'a,b\r\nc,d\r\n',
      [
        ['a', 'b'],
        ['c', 'd'],
      ],
    ],
    [
      'the last row may lack its line end',
      'a,b\r\nc,d',
      [
        ['a', 'b'],
        ['c', 'd'],
      ],
    ],
    [
      'spaces belong to the cell',
      'a , b\nc,d',
      [
        ['a ', ' b'],
        ['c', 'd'],
      ],
    ],
    [
      'a cell may be quoted',
      '"a","b"\nc,d',
      [
        ['a', 'b'],
        ['c', 'd'],
      ],
    ],
    [
      'a quoted cell may hold a line end',
      '"a\nx",b\nc,d',
      [
        ['a\nx', 'b'],
        ['c', 'd'],
      ],
    ],
    [
      'a quoted cell may hold the separator',
      '"a,x",b\nc,d',
      [
        ['a,x', 'b'],
        ['c', 'd'],
      ],
    ],
    [
      'a quote inside is doubled',
      '"a""x",b\nc,d',
      [
        ['a"x', 'b'],
        ['c', 'd'],
      ],
    ],
  ])('%s', (_what, text, expected) => {
    expect(cells(text)).toEqual(expected);
  });

  it('tabs, semicolons and bars separate, too, and a decimal comma splits no number between them', () => {
    const expected = [
      ['Cutoff', '3,0', '3,2'],
      ['Timing', '0', '7,5'],
    ];
    for (const separator of ['\t', ';', '|'])
      expect(cells(expected.map((row) => row.join(separator)).join('\n'))).toEqual(expected);
  });

  it('a byte-order mark and empty rows are no cells', () => {
    expect(cells('\ufeffa;b\n\n;\nc;d')).toEqual([
      ['a', 'b'],
      ['c', 'd'],
    ]);
  });

  it('text without columns is refused in words', () => {
    const read = parseTable('just a sentence\nand another');
    expect(read.ok ? '' : read.problems[0]!.sentence).toContain('Separate cells');
  });
});
