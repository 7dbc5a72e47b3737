/**
 * How well a fit tells what true models really are: seeded cars, crawlers and aeroplanes, half of them doing what no model of ours
 * does, from logs and from numbers by hand. `node bench/fit.mjs [log|hand] [class] [how many]`; ten to thirty seconds a model.
 */
import { createServer } from 'vite';

const [by = 'hand', only, count = '30'] = process.argv.slice(2);
const classes = only ? [only] : ['tenthBuggy', 'crawler', 'sportPlane'];
const server = await createServer({
  appType: 'custom',
  configFile: false,
  server: { middlewareMode: true, hmr: false, ws: false },
});
const { reportOf } = await server.ssrLoadModule('/core/runs/fit/recovery.fixture.ts');
for (const vehicleClass of classes) {
  const cases = Array.from({ length: Number(count) }, (_, n) => ({ vehicleClass, seed: n + 1, by }));
  const report = reportOf(
    cases,
    (/** @type {number} */ seed, /** @type {{ kind: string, why: string, numbers: unknown[] }} */ fit) =>
      console.error(
        vehicleClass,
        seed,
        fit.kind === 'refused' ? fit.why : `${fit.numbers.length} numbers told`,
      ),
  );
  const percent = (/** @type {number} */ part, /** @type {number} */ whole) =>
    `${((100 * part) / whole).toFixed(1)} %`;
  console.log(
    [
      `${vehicleClass}, by ${by}: ${report.models} models, ${report.refused} refused`,
      `of ${report.told} numbers told, ${percent(report.held, report.told)} lie in their 95 % interval`,
      `left out, ${report.nearer.toFixed(1)} times nearer in the median; ${report.worse} of ${report.leftOut} got worse`,
      ...Object.entries(report.kinds).map(
        ([kind, { before, after }]) =>
          `  ${kind}: ${percent(before, 1)} off before, ${percent(after, 1)} after`,
      ),
    ].join('\n  '),
  );
}
await server.close();
