/** The runs of the demo's rigs: files of the open format, made by `npm run season`. Each names its rig. */
const FILES = import.meta.glob<string>('./*.run.json', { query: '?raw', import: 'default', eager: true });

/** In the order in which they were driven. */
export const DEMO_RUNS: readonly string[] = Object.keys(FILES)
  .toSorted()
  .map((name) => FILES[name]!);
