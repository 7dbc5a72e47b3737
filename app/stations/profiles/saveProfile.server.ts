import { importDocument } from '#server/importDocument';
import { readForm } from '#server/readBody';
import { currentGarage } from '#server/repositories/garages';
import { data, redirect } from 'react-router';

/** Keeps the profile that the workshop sent: the same way, and the same checks, as a file that is imported. */
export async function saveProfile(request: Request) {
  const form = await readForm(request);
  const document = form.get('document');
  const sketch = form.get('sketch');
  const garage = await currentGarage();
  const result = await importDocument(garage.id, typeof document === 'string' ? document : '');
  if (!result.ok) return data({ problems: result.problems }, { status: 400 });
  // The browser forgets the sketch where the profile it became is shown.
  const kept = typeof sketch === 'string' ? `?kept=${encodeURIComponent(sketch)}` : '';
  throw redirect(`/profiles${kept}`);
}
