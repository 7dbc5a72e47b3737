import type { QueryInterface } from 'sequelize';

/** Runs of a rig, and what is asked of them. Both move what the route line shows. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE TABLE runs (
      id uuid PRIMARY KEY,
      rig_id uuid NOT NULL REFERENCES rigs ON DELETE CASCADE,
      document_key text NOT NULL,
      number integer NOT NULL,
      document jsonb NOT NULL,
      driven_at timestamptz NOT NULL,
      -- Kept beside the document: looking through twenty thousand of them would take a second.
      said text GENERATED ALWAYS AS (lower(number::text || ' ' || coalesce(document->>'words', '') || ' '
        || coalesce(document->>'pack', '') || ' ' || coalesce(document->>'place', ''))) STORED,
      UNIQUE (rig_id, document_key),
      UNIQUE (rig_id, number)
    );
    CREATE TABLE asked_of_runs (
      id uuid PRIMARY KEY,
      rig_id uuid NOT NULL REFERENCES rigs ON DELETE CASCADE,
      document_key text NOT NULL,
      document jsonb NOT NULL,
      closed_at timestamptz,
      kept_order bigint NOT NULL DEFAULT nextval('kept_on_bench'),
      UNIQUE (rig_id, document_key)
    );
    CREATE INDEX asked_by_order ON asked_of_runs (rig_id, kept_order);
    CREATE TRIGGER facts_of_new_run AFTER INSERT ON runs
      REFERENCING NEW TABLE AS written FOR EACH STATEMENT EXECUTE FUNCTION count_facts_of_rig();
    CREATE TRIGGER facts_of_run AFTER UPDATE ON runs
      REFERENCING NEW TABLE AS written FOR EACH STATEMENT EXECUTE FUNCTION count_facts_of_rig();
    CREATE TRIGGER facts_of_new_asked AFTER INSERT ON asked_of_runs
      REFERENCING NEW TABLE AS written FOR EACH STATEMENT EXECUTE FUNCTION count_facts_of_rig();
    CREATE TRIGGER facts_of_asked AFTER UPDATE ON asked_of_runs
      REFERENCING NEW TABLE AS written FOR EACH STATEMENT EXECUTE FUNCTION count_facts_of_rig();
  `);
}
