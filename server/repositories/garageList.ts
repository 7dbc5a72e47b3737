/** The list of all rigs of a garage, each with where it stands: a page of it, whatever its size. */
import { QueryTypes } from 'sequelize';
import { database } from '../database';
import type { KeptStanding } from '../keptStanding';
import { namedWords, placeOf, searchedWords, type Paged, type Place } from './paging';
import { freshen, STALE, staleFor, writtenRigs } from './standings';

/** The orders that a list can have. */
const ORDERS = {
  touched: 'r.touched DESC',
  name: 'r.name COLLATE by_name, r.touched DESC',
  class: "r.standing->>'what', r.name COLLATE by_name, r.touched DESC",
  due: "(r.standing->>'urgency')::int DESC NULLS FIRST, r.touched DESC",
} as const;
export type Sort = keyof typeof ORDERS;

/** Where a rig is: on the list, put aside, or in the bin. */
const SHELVES = {
  kept: 'r.deleted_at IS NULL AND r.archived_at IS NULL',
  aside: 'r.deleted_at IS NULL AND r.archived_at IS NOT NULL',
  deleted: 'r.deleted_at IS NOT NULL',
} as const;
export type Shelf = keyof typeof SHELVES;

export interface ListedRig {
  id: string;
  name: string;
  profileName: string;
  hasPicture: boolean;
  /** Undefined where what is kept of the rig cannot be read: it takes no other with it. */
  standing: KeptStanding | undefined;
}

export interface GarageQuery {
  shelf: Shelf;
  /** Words that all stand in name, class, pack, motor or ESC. */
  typed: string;
  sort: Sort;
  /** From 1. */
  page: number;
}

export interface GaragePage extends Paged<ListedRig> {
  shelf: Shelf;
  /** How many rigs there are on each shelf, searched or not. */
  onShelves: Record<Shelf, number>;
}

const RIGS_ON_A_PAGE = 25;

/** A page of the rigs of a garage. */
export async function pageOfRigs(garageId: string, query: GarageQuery): Promise<GaragePage> {
  await freshen(await writtenRigs(garageId));
  const onShelves = await shelvesOf(garageId);
  const { rows, ...place } = await readRows(garageId, query);
  const late = await freshen(rows.filter(({ stale }) => stale).map(({ id }) => id));
  const lines = rows.map(({ id, name, profile_name, has_picture, standing }) => ({
    id,
    name,
    profileName: profile_name,
    hasPicture: has_picture,
    standing: late.has(id) ? late.get(id) : (standing ?? undefined),
  }));
  return { ...place, shelf: query.shelf, lines, onShelves };
}

async function shelvesOf(garageId: string): Promise<Record<Shelf, number>> {
  const [counted] = await database().query<Record<Shelf, number>>(
    `SELECT ${Object.entries(SHELVES)
      .map(([shelf, condition]) => `count(*) FILTER (WHERE ${condition})::int AS ${shelf}`)
      .join(', ')} FROM rigs r WHERE r.garage_id = :garageId`,
    { type: QueryTypes.SELECT, replacements: { garageId } },
  );
  return counted!;
}

interface Row {
  id: string;
  name: string;
  profile_name: string;
  has_picture: boolean;
  standing: KeptStanding | null;
  stale: boolean;
}

const TEXT = `lower(concat_ws(' ', r.name, p.name, r.standing->>'what', r.standing->>'pack', r.standing->>'motor'))`;

async function readRows(
  garageId: string,
  { shelf, typed, sort, page }: GarageQuery,
): Promise<Place & { rows: Row[] }> {
  const words = searchedWords(typed);
  const from = `FROM rigs r JOIN esc_profiles p ON p.id = r.esc_profile_id
    WHERE r.garage_id = :garageId AND ${SHELVES[shelf]}
    ${words.map((_, n) => `AND strpos(${TEXT}, :word${n}) > 0`).join(' ')}`;
  const replacements = { garageId, ...staleFor(), ...namedWords(words) };
  const [counted] = await database().query<{ found: number }>(`SELECT count(*)::int AS found ${from}`, {
    type: QueryTypes.SELECT,
    replacements,
  });
  const place = placeOf(page, counted!.found, RIGS_ON_A_PAGE);
  const rows = await database().query<Row>(
    `SELECT r.id, r.name, p.name AS profile_name, r.standing, ${STALE} AND r.deleted_at IS NULL AS stale,
       EXISTS (SELECT FROM rig_pictures g WHERE g.rig_id = r.id) AS has_picture
     ${from} ORDER BY ${ORDERS[sort]} LIMIT :limit OFFSET :offset`,
    {
      type: QueryTypes.SELECT,
      replacements: { ...replacements, limit: RIGS_ON_A_PAGE, offset: place.offset },
    },
  );
  return { ...place, rows };
}
