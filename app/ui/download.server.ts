import { writeDocument, type LiveTuneDocument } from '#formats/document';

/** A document as a download with a speaking file name. */
export function download(document: LiveTuneDocument, name: string): Response {
  const kind = document.format.replace('live-tune/', '');
  const slug =
    name
      .toLowerCase()
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replaceAll(/^-|-$/g, '') || 'live-tune';
  return new Response(writeDocument(document), {
    headers: {
      'Content-Type': 'application/json; charset=utf-8',
      'Content-Disposition': `attachment; filename="${slug}.${kind}.json"`,
    },
  });
}
