import type { QueryInterface } from 'sequelize';

/** From here on everything that a bench shows of a rig is counted, not only what its standing follows from: see `remembering`. */
const COUNTED = {
  drafts: ['INSERT', 'DELETE'],
  simulated_escs: ['INSERT', 'DELETE'],
  observations: ['UPDATE', 'DELETE'],
  calibrations: ['UPDATE', 'DELETE'],
  bench_tests: ['INSERT', 'UPDATE', 'DELETE'],
  build_checks: ['INSERT', 'UPDATE', 'DELETE'],
  sheets: ['UPDATE', 'DELETE'],
  rig_pictures: ['INSERT', 'UPDATE', 'DELETE'],
  runs: ['DELETE'],
  asked_of_runs: ['DELETE'],
  // No part of a bench, but of the pages that a phone keeps of its rig.
  set_ups: ['INSERT', 'UPDATE', 'DELETE'],
};

export async function up(queries: QueryInterface): Promise<void> {
  const triggers = Object.entries(COUNTED).flatMap(([table, deeds]) =>
    deeds.map(
      (deed) => `CREATE TRIGGER facts_of_${deed.toLowerCase()} AFTER ${deed} ON ${table}
        REFERENCING ${deed === 'DELETE' ? 'OLD' : 'NEW'} TABLE AS written
        FOR EACH STATEMENT EXECUTE FUNCTION count_facts_of_rig();`,
    ),
  );
  await queries.sequelize.query(`
    -- Nobody reads it.
    ALTER TABLE open_loads DROP COLUMN IF EXISTS said_at;
    -- No count comes twice, also not for a rig that was taken away and restored under its id.
    CREATE SEQUENCE rig_facts;
    SELECT setval('rig_facts', (SELECT coalesce(max(facts), 0) + 1 FROM rigs));
    ALTER TABLE rigs ALTER COLUMN facts SET DEFAULT nextval('rig_facts');
    CREATE OR REPLACE FUNCTION count_facts_of_rig() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        UPDATE rigs SET facts = nextval('rig_facts') WHERE id IN (SELECT rig_id FROM written);
        RETURN NULL;
      END $$;
    CREATE OR REPLACE FUNCTION count_own_facts() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        NEW.facts := nextval('rig_facts');
        RETURN NEW;
      END $$;
    CREATE OR REPLACE FUNCTION count_facts_of_rules() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        UPDATE rigs SET facts = nextval('rig_facts') WHERE event_rules_id = NEW.id;
        RETURN NULL;
      END $$;
    ${triggers.join('\n')}
    CREATE TRIGGER more_facts_of_rig BEFORE UPDATE OF link_pass_code, archived_at ON rigs
      FOR EACH ROW EXECUTE FUNCTION count_own_facts();`);
}
