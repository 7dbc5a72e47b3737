import type { LiveTuneDocument } from '#formats/document';
import type { Context } from '../context';

/** A document that could be read at all has passed every check; what is left is to say what it is. */
export function check({ main }: Pick<Context, 'main'>, fileVersion: number): object {
  return {
    format: main.format,
    version: fileVersion,
    newestVersion: main.version,
    name: nameOf(main),
  };
}

function nameOf(document: LiveTuneDocument): string {
  switch (document.format) {
    case 'live-tune/rig':
      return document.rig.name;
    case 'live-tune/sheet':
      return document.rigName;
    case 'live-tune/run':
      return `${document.run.rigName}, ${document.run.drivenAt}`;
    case 'live-tune/pack':
      return document.pack.label;
    case 'live-tune/day':
      return `${document.day.name}, ${document.day.date}`;
    case 'live-tune/practice':
      return `practice on ${document.profileId}`;
    case 'live-tune/set-up':
      return document.setUp.name;
    case 'live-tune/esc-profile':
      return document.name;
  }
}
