/** What came with a request, checked before anything looks at it: of the right type, whole, and text that can be kept. */
import { dataFault } from '#core/units/dataFault';
import { badText } from '#core/units/text';

/** @throws {Response} 415 where it is of another type, 400 where it is no JSON or holds what cannot be kept */
export async function readJson(request: Request): Promise<Record<string, unknown>> {
  expectType(request, ['application/json']);
  let data: unknown;
  try {
    data = JSON.parse(await request.text());
  } catch {
    throw refusal(400, 'The request is not JSON.');
  }
  const fault = dataFault(data);
  if (fault !== undefined) throw refusal(400, fault);
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    throw refusal(400, 'The request is JSON but not an object.');
  return data as Record<string, unknown>;
}

/** @throws {Response} 415 where it is of another type, 400 where it is no form or holds what cannot be kept */
export async function readForm(request: Request): Promise<FormData> {
  expectType(request, ['application/x-www-form-urlencoded', 'multipart/form-data']);
  let form: FormData;
  try {
    form = await request.formData();
  } catch {
    throw refusal(400, 'The form cannot be read.');
  }
  for (const [name, value] of form) {
    const fault = badText(name) ?? (typeof value === 'string' ? badText(value) : undefined);
    if (fault !== undefined) throw refusal(400, fault);
  }
  return form;
}

/** The text of a field without spaces round it; empty where it is missing, or a file. */
export function textOf(form: FormData, name: string): string {
  const value = form.get(name);
  return typeof value === 'string' ? value.trim() : '';
}

/** What a field says in JSON; undefined where it is none. */
export function jsonOf(form: FormData, name: string): unknown {
  try {
    return JSON.parse(textOf(form, name));
  } catch {
    return undefined;
  }
}

const refusal = (status: number, sentence: string): Response =>
  Response.json({ sentence, problems: [{ path: '', sentence }] }, { status });

function expectType(request: Request, types: readonly string[]): void {
  const sent = (request.headers.get('content-type') ?? '').split(';')[0]!.trim().toLowerCase();
  if (!types.includes(sent))
    throw refusal(415, `This takes ${types.join(' or ')}, not ${sent === '' ? 'nothing' : sent}.`);
}
