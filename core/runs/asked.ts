/** What is asked of the runs of a rig. */
import type { Question } from './question';
import type { Trial } from './trial';

export type Asked = ({ kind: 'change' } & Trial) | ({ kind: 'compare' } & Question);
