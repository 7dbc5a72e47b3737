/** Tells the server what was practised, in order; what it could not be told waits and is sent with the next. */
const waiting: { address: string; body: string }[] = [];

/** @returns whether all of it is kept */
export async function sendPractice(profileKey: string, body: object): Promise<boolean> {
  waiting.push({ address: `/rehearse/${profileKey}/keep`, body: JSON.stringify(body) });
  try {
    while (waiting.length > 0) {
      const [{ address, body: text }] = waiting as [(typeof waiting)[0]];
      const headers = { 'Content-Type': 'application/json' };
      const response = await fetch(address, { method: 'POST', headers, body: text, keepalive: true });
      if (response.status >= 500) return false;
      waiting.shift();
    }
    return true;
  } catch {
    return false;
  }
}
