/** Written by hand from the ISO form, the same on server and page whatever their time zones: times are UTC. */
export function Time({ iso }: { iso: string }) {
  return <time dateTime={iso}>{`${iso.slice(0, 10)} ${iso.slice(11, 16)} UTC`}</time>;
}
