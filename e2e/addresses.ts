import type { RouteConfigEntry } from '@react-router/dev/routes';
import routes from '../app/routes';

function below(entries: readonly RouteConfigEntry[], above: string): string[] {
  return entries.flatMap(({ path = '', children = [] }) => {
    const here = path === '' ? above : `${above}/${path}`;
    return [here === '' ? '/' : here, ...below(children, here)];
  });
}

/** Every address of the application, with its parameters still open. */
export const ADDRESSES: readonly string[] = below(routes, '');
