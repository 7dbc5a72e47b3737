/** A test day of twelve runs, eight packs and two models: how long it takes to plan. `node bench/plan.mjs`; on a quiet machine. */
import { createServer } from 'vite';

const ROUNDS = 15;
const server = await createServer({
  appType: 'custom',
  configFile: false,
  server: { middlewareMode: true, hmr: false, ws: false },
});
const { planDay } = await server.ssrLoadModule('/core/days/planDay.ts');
const { abaQuestion, dayOf } = await server.ssrLoadModule('/core/days/days.fixture.ts');

/** @param {string} id @param {string} fits @param {boolean} isCharged */
const pack = (id, fits, isCharged) => ({
  id,
  fits: [fits],
  isCharged,
  readyAt: 540,
  firstChargeMinutes: isCharged ? 0 : 45,
  chargeMinutes: 60,
  restMinutes: 15,
});
const questions = ['q1', 'q2', 'q3', 'q4'].map((id, n) =>
  abaQuestion(id, n % 2 === 0 ? 'buggy' : 'crawler', { importance: n + 1, onePack: n === 0 }),
);
const packs = Array.from({ length: 8 }, (_, n) => pack(`p${n}`, n < 4 ? 'buggy' : 'crawler', n % 2 === 0));
for (const [name, part] of /** @type {const} */ ([
  ['a long day', { endsAt: 1020 }],
  ['a short day, in which not all fits', { endsAt: 760 }],
  ['a long day, nobody beside the chargers', { endsAt: 1020, chargersWatched: false }],
])) {
  const problem = dayOf(questions, { packs, ...part });
  /** @type {number[]} */
  const times = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    const started = performance.now();
    planDay(problem);
    times.push(performance.now() - started);
  }
  const [first] = times;
  times.sort((a, b) => a - b);
  console.log(
    `${name}: ${planDay(problem).answered.length} of 4 answered; the first time ${Math.round(first ?? 0)} ms, in the middle ${Math.round(times[7] ?? 0)}, at most ${Math.round(times.at(-1) ?? 0)} ms.`,
  );
}
await server.close();
