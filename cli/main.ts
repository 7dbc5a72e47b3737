import { readFileSync } from 'node:fs';
import { everything, EVERYTHING } from './everything';
import { runLt, type Outcome } from './lt';
import { Refused } from './refused';

/** A fault of our own is said in the same form as any other answer: whoever reads the output reads JSON. */
async function outcome(args: string[]): Promise<Outcome> {
  try {
    if (!EVERYTHING.some((verb) => verb === args[0]))
      return runLt(args, (path) => readFileSync(path, 'utf8'));
    return { exitCode: 0, output: json({ ok: true, verb: args[0], ...(await everything(args)) }) };
  } catch (error) {
    const isRefused = error instanceof Refused;
    const sentence = isRefused ? error.message : `A fault in Live Tune itself: ${(error as Error).message}.`;
    return { exitCode: 2, output: json({ ok: false, sentence, problems: [] }) };
  }
}

const json = (value: object): string => `${JSON.stringify(value, null, 2)}\n`;

const { exitCode, output } = await outcome(process.argv.slice(2));
process.stdout.write(output);
process.exitCode = exitCode;
