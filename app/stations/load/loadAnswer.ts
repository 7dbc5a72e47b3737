/** What the action of Load answers where it did not go on to the sheets. */
export interface LoadAnswer {
  /** The number of the sheet that was kept. */
  kept?: number;
  /** Why something was not kept; undefined where it was. */
  sentence: string | undefined;
}
