/** A garage that has grown for years, written straight into a database of its own, for whoever measures with it. */
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { QueryTypes, Sequelize } from 'sequelize';
import { eraseCluster, startCluster } from '../tools/lib/cluster.mjs';
import { firstFreePort } from '../tools/lib/ports.mjs';
import { sleep } from '../tools/lib/run.mjs';

export const GROWN = '.data/garage';
export const RIGS = 1000;
const SHEETS = 50_000;
const SHEETS_OF_ONE = 2000;
const OBSERVATIONS_OF_ONE = 50_000;

/** Makes it anew. @returns the id of the rig with the long history */
export async function grow() {
  await eraseCluster(GROWN);
  mkdirSync(GROWN, { recursive: true });
  await whileRunning(async (address) => {
    // One sheet as the application itself writes it: the others are made from it.
    const rigId = /rigs\/([0-9a-f-]{36})\/tune/.exec(await (await fetch(`${address}/`)).text())?.[1];
    await fetch(`${address}/rigs/${rigId}/load`, {
      method: 'POST',
      headers: { origin: address },
      body: new URLSearchParams({ load: crypto.randomUUID(), medium: 'oneKey' }),
    });
  });
  return await fill();
}

/**
 * Starts Live Tune on the data folder, does something, and stops it.
 * @param {(address: string) => Promise<void>} work
 * @param {string} [data]
 */
export async function whileRunning(work, data = GROWN) {
  const port = await firstFreePort(4700, 50);
  const address = `http://127.0.0.1:${port}`;
  const live = spawn('./start', ['--port', String(port)], {
    env: { ...process.env, LIVE_TUNE_DATA: data },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const gone = new Promise((resolve) => live.once('exit', resolve));
  const isWell = () =>
    fetch(`${address}/healthz`).then(
      ({ ok }) => ok,
      () => false,
    );
  while (!(await isWell())) await sleep(100);
  try {
    await work(address);
  } finally {
    live.kill('SIGTERM');
    await gone;
  }
}

/** Fills the database. @returns the id of the rig with the long history */
async function fill() {
  const cluster = await startCluster(GROWN);
  const database = new Sequelize(cluster.url, { logging: false, pool: { max: 1 } });
  await database.query(`
    CREATE TEMPORARY TABLE fleet AS
      SELECT gen_random_uuid() AS id, source.id AS from_id, n
      FROM generate_series(1, ${RIGS}) AS n
      JOIN (SELECT id, row_number() OVER (ORDER BY name) - 1 AS place, count(*) OVER () AS demos FROM rigs) AS source
        ON source.place = n % source.demos;
    INSERT INTO rigs (id, garage_id, esc_profile_id, name, document)
      SELECT fleet.id, garage_id, esc_profile_id, 'Fleet ' || n, jsonb_set(document, '{name}', to_jsonb('Fleet ' || n))
      FROM fleet JOIN rigs ON rigs.id = fleet.from_id;
    INSERT INTO drafts (rig_id, revision, document)
      SELECT fleet.id, 0, document FROM fleet JOIN drafts ON drafts.rig_id = fleet.from_id;
    INSERT INTO simulated_escs (rig_id, esc_number, memory)
      SELECT fleet.id, esc_number, memory FROM fleet JOIN simulated_escs e ON e.rig_id = fleet.from_id;
    INSERT INTO observations (rig_id, esc_number, item_key, stop_key, basis)
      SELECT fleet.id, esc_number, item_key, stop_key, basis FROM fleet JOIN observations o ON o.rig_id = fleet.from_id;
    INSERT INTO observations (rig_id, item_key, stop_key, basis)
      SELECT o.rig_id, o.item_key, o.stop_key, 'readBack'
      FROM (SELECT * FROM observations WHERE rig_id = (SELECT id FROM fleet WHERE n = 1)) AS o,
        generate_series(1, 1 + ${OBSERVATIONS_OF_ONE} / (SELECT count(*)::int FROM observations WHERE rig_id = (SELECT id FROM fleet WHERE n = 1)));
    INSERT INTO sheets (rig_id, document_key, number, origin, document, kept_at, observed_up_to)
      SELECT fleet.id, made.key, number, 'loaded',
        sheet.document || jsonb_build_object('id', made.key, 'rigName', 'Fleet ' || n, 'note', 'Round ' || number), now(), 0
      FROM fleet
      CROSS JOIN LATERAL generate_series(1, CASE WHEN n = 1 THEN ${SHEETS_OF_ONE}
        ELSE ${Math.round((SHEETS - SHEETS_OF_ONE) / (RIGS - 1))} END) AS number
      CROSS JOIN (SELECT document FROM sheets LIMIT 1) AS sheet
      CROSS JOIN LATERAL (SELECT gen_random_uuid()::text AS key WHERE number > 0) AS made;
    ANALYZE;
  `);
  const [made] = /** @type {any[]} */ (
    await database.query(
      `SELECT
    (SELECT count(*) FROM rigs) AS rigs, (SELECT count(*) FROM sheets) AS sheets,
    (SELECT count(*) FROM observations) AS observations, (SELECT id FROM fleet WHERE n = 1) AS big`,
      { type: QueryTypes.SELECT },
    )
  );
  const { rigs, sheets, observations, big } = made;
  console.log(`${rigs} rigs, ${sheets} sheets, ${observations} observations`);
  await database.close();
  await cluster.stop();
  return big;
}
