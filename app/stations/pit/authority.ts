import { howShared } from '#server/share/shared';
import { data } from 'react-router';

/** The certificate of this bench's authority, as phones take it in. */
export function loader() {
  const shared = howShared();
  if (!shared) throw data(null, { status: 404 });
  return new Response(shared.certificate, {
    headers: {
      'Content-Type': 'application/x-x509-ca-cert',
      'Content-Disposition': 'attachment; filename="live-tune-bench.crt"',
    },
  });
}
