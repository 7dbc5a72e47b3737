/** Tells the server what was practised, in order; what it could not be told waits and is sent with the next. */
const waiting: { address: string; body: string }[] = [];

/** `away`: it waits; `notYours`: only the owner’s is kept; `refused`: this ESC is gone, or the server knows better. */
export type PracticeSent = 'kept' | 'away' | 'notYours' | 'refused';

let line: Promise<PracticeSent> = Promise.resolve('kept');

/** Sends it behind whatever waits before it: an older one never comes after a newer. @returns what became of the last of them */
export function sendPractice(profileKey: string, body: object): Promise<PracticeSent> {
  waiting.push({ address: `/rehearse/${profileKey}/keep`, body: JSON.stringify(body) });
  line = line.then(sendWaiting);
  return line;
}

/** No page waits longer for what is on its way, ms. */
const LONGEST_WAIT_MS = 3000;

/** For a page that shows what was practised: what is on its way to the server is there, or does not get there soon. */
export async function practiceIsSent(): Promise<void> {
  await Promise.race([line, new Promise((resolve) => setTimeout(resolve, LONGEST_WAIT_MS))]);
}

/** @param before what became of the one before, where that has taken all of them along */
async function sendWaiting(before: PracticeSent): Promise<PracticeSent> {
  let last = before;
  try {
    for (let next = waiting[0]; next; next = waiting[0]) {
      const headers = { 'Content-Type': 'application/json' };
      const response = await fetch(next.address, {
        method: 'POST',
        headers,
        body: next.body,
        keepalive: true,
      });
      if (response.status >= 500) return 'away';
      last = response.ok ? 'kept' : response.status === 403 ? 'notYours' : 'refused';
      waiting.shift();
    }
    return last;
  } catch {
    return 'away';
  }
}
