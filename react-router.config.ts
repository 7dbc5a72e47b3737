import type { Config } from '@react-router/dev/config';

export default {
  ssr: true,
  // All routes are known from the start: a phone that loses its network still finds its way.
  routeDiscovery: { mode: 'initial' },
  future: { v8_middleware: true },
} satisfies Config;
