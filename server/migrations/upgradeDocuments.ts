import { QueryTypes, type QueryInterface } from 'sequelize';

type Document = Record<string, unknown>;

/** Brings every stored document of a table to the next version of its format. */
export async function upgradeDocuments(
  { sequelize }: QueryInterface,
  table: 'esc_profiles' | 'rigs' | 'calibrations' | 'sheets',
  upgrade: (document: Document, id: string) => Document,
): Promise<void> {
  const rows = await sequelize.query<{ id: string; document: Document }>(
    `SELECT id, document FROM ${table}`,
    { type: QueryTypes.SELECT },
  );
  for (const { id, document } of rows) {
    await sequelize.query(`UPDATE ${table} SET document = :document::jsonb WHERE id = :id`, {
      replacements: { id, document: JSON.stringify(upgrade(document, id)) },
    });
  }
}
