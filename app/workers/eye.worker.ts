/** The eye beside the page: small pictures in, groups of flashes out. No picture is kept or leaves it. */
import { NEW_EYE, see, type SeenGroup, type Steadiness } from '#core/eye/eye';
import type { Picture } from '#core/eye/picture';

export interface SeenNow {
  steadiness: Steadiness;
  group: SeenGroup | undefined;
}

let eye = NEW_EYE;

addEventListener('message', ({ data }: MessageEvent<Picture>) => {
  const next = see(eye, data);
  eye = next.eye;
  postMessage({ steadiness: next.steadiness, group: next.group } satisfies SeenNow);
});
