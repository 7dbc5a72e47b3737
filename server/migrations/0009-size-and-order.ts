import type { QueryInterface } from 'sequelize';

/**
 * Lists are read a page at a time, and order no longer hangs on the clock: what is kept on a bench counts up, rigs count
 * their touches, and a sheet says how far the observations had come. Where a rig stands is kept with it: the triggers count
 * every change of a fact that it follows from, so that no writer can forget to.
 */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE COLLATION by_name (provider = icu, locale = 'und-u-kn-true');

    CREATE SEQUENCE kept_on_bench;
    ALTER TABLE calibrations ADD COLUMN kept_order bigint;
    ALTER TABLE bench_tests ADD COLUMN kept_order bigint;
    CREATE TEMPORARY TABLE in_order ON COMMIT DROP AS
      SELECT id, row_number() OVER (ORDER BY kept_at) AS n
      FROM (SELECT id, kept_at FROM calibrations UNION ALL SELECT id, kept_at FROM bench_tests) AS kept;
    UPDATE calibrations SET kept_order = n FROM in_order WHERE in_order.id = calibrations.id;
    UPDATE bench_tests SET kept_order = n FROM in_order WHERE in_order.id = bench_tests.id;
    SELECT setval('kept_on_bench', (SELECT count(*) + 1 FROM in_order));
    ALTER TABLE calibrations ALTER COLUMN kept_order SET DEFAULT nextval('kept_on_bench'), ALTER COLUMN kept_order SET NOT NULL;
    ALTER TABLE bench_tests ALTER COLUMN kept_order SET DEFAULT nextval('kept_on_bench'), ALTER COLUMN kept_order SET NOT NULL;
    DROP INDEX calibrations_by_rig, bench_tests_by_rig;
    CREATE INDEX calibrations_by_rig ON calibrations (rig_id, kept_order);
    CREATE INDEX bench_tests_by_rig ON bench_tests (rig_id, kept_order);

    ALTER TABLE sheets ADD COLUMN observed_up_to bigint NOT NULL DEFAULT 0;
    UPDATE sheets SET observed_up_to = coalesce(
      (SELECT max(o.id) FROM observations o WHERE o.rig_id = sheets.rig_id AND o.observed_at <= sheets.kept_at), 0);
    CREATE INDEX observations_by_item ON observations (rig_id, item_key, id);
    CREATE INDEX firmware_updates ON observations (rig_id, id) WHERE basis = 'firmwareUpdate';

    CREATE SEQUENCE rig_touches;
    ALTER TABLE rigs ADD COLUMN touched bigint;
    UPDATE rigs SET touched = n FROM (SELECT id, row_number() OVER (ORDER BY updated_at) AS n FROM rigs) AS ordered
      WHERE ordered.id = rigs.id;
    SELECT setval('rig_touches', (SELECT count(*) + 1 FROM rigs));
    ALTER TABLE rigs ALTER COLUMN touched SET DEFAULT nextval('rig_touches'), ALTER COLUMN touched SET NOT NULL;
    DROP INDEX rigs_by_garage;
    CREATE INDEX rigs_by_garage ON rigs (garage_id, touched DESC);

    ALTER TABLE rigs
      ADD COLUMN facts bigint NOT NULL DEFAULT 0,
      ADD COLUMN standing jsonb,
      ADD COLUMN standing_facts bigint,
      ADD COLUMN standing_day date,
      ADD COLUMN standing_build text;

    CREATE FUNCTION count_facts_of_rig() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        UPDATE rigs SET facts = facts + 1 WHERE id IN (SELECT rig_id FROM written);
        RETURN NULL;
      END $$;
    CREATE TRIGGER facts_of_draft AFTER UPDATE ON drafts
      REFERENCING NEW TABLE AS written FOR EACH STATEMENT EXECUTE FUNCTION count_facts_of_rig();
    CREATE TRIGGER facts_of_memory AFTER UPDATE ON simulated_escs
      REFERENCING NEW TABLE AS written FOR EACH STATEMENT EXECUTE FUNCTION count_facts_of_rig();
    CREATE TRIGGER facts_of_observation AFTER INSERT ON observations
      REFERENCING NEW TABLE AS written FOR EACH STATEMENT EXECUTE FUNCTION count_facts_of_rig();
    CREATE TRIGGER facts_of_calibration AFTER INSERT ON calibrations
      REFERENCING NEW TABLE AS written FOR EACH STATEMENT EXECUTE FUNCTION count_facts_of_rig();
    CREATE TRIGGER facts_of_sheet AFTER INSERT ON sheets
      REFERENCING NEW TABLE AS written FOR EACH STATEMENT EXECUTE FUNCTION count_facts_of_rig();

    CREATE FUNCTION count_own_facts() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        NEW.facts := OLD.facts + 1;
        RETURN NEW;
      END $$;
    CREATE TRIGGER facts_of_rig BEFORE UPDATE OF document, goals, esc_profile_id, event_rules_id ON rigs
      FOR EACH ROW EXECUTE FUNCTION count_own_facts();

    CREATE FUNCTION count_facts_of_rules() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        UPDATE rigs SET facts = facts + 1 WHERE event_rules_id = NEW.id;
        RETURN NULL;
      END $$;
    CREATE TRIGGER facts_of_rules AFTER UPDATE ON event_rules FOR EACH ROW EXECUTE FUNCTION count_facts_of_rules();
  `);
}
