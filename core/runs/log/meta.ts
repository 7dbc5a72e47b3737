/** What is known of a log beside its samples. */
import { lengthOf, type Log } from './channels';
import type { ColumnUse } from './columns';
import type { ChannelHead } from './packed';
import type { LogProblem } from './readLog';

export interface LogMeta {
  source: 'file' | 'link';
  /** Empty where it was no file. */
  fileName: string;
  /** The heads of its file in one line: the next file with the same heads is read the same way. */
  headKey: string;
  /** What each of its columns was taken for. */
  uses: ColumnUse[];
  /** What its reader said that each is counted in; empty where the file says it. */
  units: string[];
  problems: LogProblem[];
  samples: number;
  seconds: number;
  channels: ChannelHead[];
}

/** How a file with certain heads was read. */
export type KnownColumns = Pick<LogMeta, 'headKey' | 'uses' | 'units'>;

/** What is known of a log that came over the link: it needs no heads. */
export const metaFromLink = (log: Log): LogMeta => ({
  source: 'link',
  fileName: '',
  headKey: '',
  uses: [],
  units: [],
  problems: [],
  samples: log.seconds.length,
  seconds: lengthOf(log),
  channels: log.channels.map(({ kind, name, unit }) => ({ kind, name, unit })),
});

/** More kinds of faults than anybody reads. */
export const MOST_PROBLEMS = 100;
