import { setUpTable } from '#core/setUps/setUpTable';
import { findSetUp } from '#server/repositories/setUps';
import Papa from 'papaparse';
import { data } from 'react-router';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/setUpTable';

/** A set-up as a table. Cells that a spreadsheet would take for a formula are made text. */
export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  const stored = await findSetUp(rigId, params.setUpId);
  if (!stored) throw data(null, { status: 404 });
  const table = Papa.unparse(setUpTable(stored.setUp), { escapeFormulae: true });
  return new Response(`${table}\r\n`, {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': 'attachment; filename="set-up.csv"',
    },
  });
}
