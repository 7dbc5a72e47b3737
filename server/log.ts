/** A line of JSON for each thing that happens, in the log of the web server. */
export function log(event: string, fields: Record<string, unknown>): void {
  console.log(JSON.stringify({ at: new Date().toISOString(), event, ...fields }));
}
