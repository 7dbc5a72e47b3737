/** Numbers from 0 to 1 that are the same on every machine. Park and Miller's generator. @param seed from 1 */
export function seededNumbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 48271) % 2147483647;
    return state / 2147483647;
  };
}

/** Numbers about zero with a standard deviation of one, from numbers from 0 to 1. Source: Box and Muller, 1958. */
export const normalNumbers = (random: () => number) => (): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
