import { readFileSync } from 'node:fs';
import { runLt, type Outcome } from './lt';

/** A fault of our own is said in the same form as any other answer: whoever reads the output reads JSON. */
function outcome(): Outcome {
  try {
    return runLt(process.argv.slice(2), (path) => readFileSync(path, 'utf8'));
  } catch (error) {
    const sentence = `A fault in Live Tune itself: ${(error as Error).message}.`;
    return { exitCode: 2, output: `${JSON.stringify({ ok: false, sentence, problems: [] }, null, 2)}\n` };
  }
}

const { exitCode, output } = outcome();
process.stdout.write(output);
process.exitCode = exitCode;
