import { index, route, type RouteConfig } from '@react-router/dev/routes';

export default [
  index('stations/garage/route.tsx'),
  route('profiles/:profileKey.json', 'stations/garage/profileFile.ts'),
  route('rigs/new', 'stations/rig/newRig.tsx'),
  route('rigs/:rigId', 'stations/bench/route.tsx', [
    index('stations/bench/start.ts'),
    route('rig', 'stations/rig/route.tsx'),
    route('revision', 'stations/rig/revision.tsx'),
    route('endpoints', 'stations/endpoints/route.tsx'),
    route('tune', 'stations/tune/route.tsx'),
    route('load', 'stations/load/route.tsx'),
    route('esc', 'stations/esc/route.tsx'),
    route('sheets', 'stations/sheets/route.tsx'),
    route('sheets/:number', 'stations/sheets/sheet.tsx'),
  ]),
  route('rigs/:rigId/link', 'stations/load/link.ts'),
  route('rigs/:rigId/draft', 'stations/tune/saveDraft.ts'),
  route('rigs/:rigId/rig.json', 'stations/rig/rigFile.ts'),
  route('rigs/:rigId/bench-record', 'stations/bench/record.ts'),
  route('rigs/:rigId/sheets/:number.json', 'stations/sheets/sheetFile.ts'),
] satisfies RouteConfig;
