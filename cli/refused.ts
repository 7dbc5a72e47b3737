import type { Problem } from '#core/units/problem';

/** What was asked cannot be done: a sentence for whoever asked, and the problems of a file if it was one. */
export class Refused extends Error {
  readonly problems: Problem[];
  constructor(sentence: string, problems: Problem[] = []) {
    super(sentence);
    this.problems = problems;
  }
}
