import type { QueryInterface } from 'sequelize';

/** Who may do what from which device: the owner's password, paired devices, their sessions, and what each did. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    -- Argon2id, salt and cost in it; null until the owner has chosen a password.
    ALTER TABLE garages ADD COLUMN owner_password text;
    CREATE TABLE devices (
      id uuid PRIMARY KEY,
      garage_id uuid NOT NULL REFERENCES garages ON DELETE CASCADE,
      name text NOT NULL,
      role text NOT NULL CHECK (role IN ('owner', 'helper', 'visitor')),
      -- All that a visitor sees.
      rig_id uuid REFERENCES rigs ON DELETE CASCADE,
      set_up_key text,
      paired_at timestamptz NOT NULL DEFAULT now(),
      seen_at timestamptz NOT NULL DEFAULT now(),
      CHECK ((role = 'visitor') = (rig_id IS NOT NULL)),
      CHECK (set_up_key IS NULL OR rig_id IS NOT NULL)
    );
    CREATE INDEX devices_by_garage ON devices (garage_id);
    CREATE TABLE sessions (
      id uuid PRIMARY KEY,
      device_id uuid NOT NULL REFERENCES devices ON DELETE CASCADE,
      -- SHA-256 of what the device shows: who reads this table can show nothing.
      shown bytea NOT NULL UNIQUE,
      -- The one before: good until the device has shown the new one, and a moment longer.
      shown_before bytea UNIQUE,
      begun_at timestamptz NOT NULL DEFAULT now(),
      turned_at timestamptz NOT NULL DEFAULT now(),
      -- When the device first showed the new one.
      confirmed_at timestamptz,
      seen_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX sessions_by_device ON sessions (device_id);
    CREATE TABLE deeds (
      id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      garage_id uuid NOT NULL REFERENCES garages ON DELETE CASCADE,
      -- As it was called then: a device that was removed did what it did.
      device_name text NOT NULL,
      role text NOT NULL,
      deed text NOT NULL,
      rig_id uuid REFERENCES rigs ON DELETE SET NULL,
      times integer NOT NULL DEFAULT 1,
      first_at timestamptz NOT NULL DEFAULT now(),
      last_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX deeds_by_garage ON deeds (garage_id, id);
  `);
}
