/** What the action of Load answers where it did not go on to the sheets. */
export interface LoadAnswer {
  /** Why something was not kept; undefined where it was. */
  sentence: string | undefined;
}
