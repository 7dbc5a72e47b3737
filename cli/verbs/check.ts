import type { Context } from '../context';

/** A document that could be read at all has passed every check; what is left is to say what it is. */
export function check({ main }: Pick<Context, 'main'>, fileVersion: number): object {
  return {
    format: main.format,
    version: fileVersion,
    newestVersion: main.version,
    name: main.format === 'live-tune/rig' ? main.rig.name : 'rigName' in main ? main.rigName : main.name,
  };
}
