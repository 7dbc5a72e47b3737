import type { QueryInterface } from 'sequelize';

/**
 * The first tables. Everything belongs to a garage. Identity, ownership, order and time are columns;
 * versioned documents are JSONB. What is on an ESC is a list of observations that is only ever added to.
 */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE TABLE garages (
      id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
      name text NOT NULL,
      demo_loaded_at timestamptz,
      created_at timestamptz NOT NULL DEFAULT now()
    );

    CREATE TABLE esc_profiles (
      id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
      garage_id uuid NOT NULL REFERENCES garages ON DELETE CASCADE,
      profile_key text NOT NULL,
      revision integer NOT NULL CHECK (revision > 0),
      name text NOT NULL,
      document jsonb NOT NULL,
      created_at timestamptz NOT NULL DEFAULT now(),
      UNIQUE (garage_id, profile_key, revision)
    );

    CREATE TABLE rigs (
      id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
      garage_id uuid NOT NULL REFERENCES garages ON DELETE CASCADE,
      esc_profile_id uuid NOT NULL REFERENCES esc_profiles,
      name text NOT NULL,
      document jsonb NOT NULL,
      created_at timestamptz NOT NULL DEFAULT now(),
      updated_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX rigs_by_garage ON rigs (garage_id, updated_at DESC);

    CREATE TABLE drafts (
      rig_id uuid PRIMARY KEY REFERENCES rigs ON DELETE CASCADE,
      revision integer NOT NULL DEFAULT 0,
      document jsonb NOT NULL,
      updated_at timestamptz NOT NULL DEFAULT now()
    );

    CREATE TABLE simulated_escs (
      rig_id uuid PRIMARY KEY REFERENCES rigs ON DELETE CASCADE,
      memory jsonb NOT NULL,
      updated_at timestamptz NOT NULL DEFAULT now()
    );

    CREATE TABLE observations (
      id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      rig_id uuid NOT NULL REFERENCES rigs ON DELETE CASCADE,
      item_key text NOT NULL,
      stop_key text,
      basis text NOT NULL CHECK (basis IN ('readBack', 'countedBack', 'seenStored', 'userWord', 'assumedFactory')),
      observed_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX observations_by_rig ON observations (rig_id, id);

    CREATE TABLE calibrations (
      id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
      rig_id uuid NOT NULL REFERENCES rigs ON DELETE CASCADE,
      document jsonb NOT NULL,
      kept_at timestamptz NOT NULL
    );
    CREATE INDEX calibrations_by_rig ON calibrations (rig_id, kept_at DESC);

    CREATE TABLE sheets (
      id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
      rig_id uuid NOT NULL REFERENCES rigs ON DELETE CASCADE,
      document_key text NOT NULL,
      number integer NOT NULL CHECK (number > 0),
      origin text NOT NULL CHECK (origin IN ('loaded', 'imported')),
      document jsonb NOT NULL,
      kept_at timestamptz NOT NULL,
      UNIQUE (rig_id, number),
      UNIQUE (rig_id, document_key)
    );
  `);
}
