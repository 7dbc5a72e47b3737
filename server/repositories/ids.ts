/** Whether a text from an address could be an id at all; PostgreSQL refuses anything else with an error. */
export const isUuid = (text: string): boolean => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(text);

/** Whether it is a number that PostgreSQL's integers can hold, from 0. */
export const isCount = (value: unknown): value is number =>
  typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= 2_147_483_647;

/** Whether an address can name a document by this: an id that some format allows. */
export const isKey = (text: string): boolean => /^[A-Za-z0-9._-]{1,80}$/.test(text);
