import { readFileSync } from 'node:fs';
import { runLt } from './lt';

const { exitCode, output } = runLt(process.argv.slice(2), (path) => readFileSync(path, 'utf8'));
process.stdout.write(output);
process.exitCode = exitCode;
