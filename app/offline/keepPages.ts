/** A page that a device keeps for when the bench is away. */
export interface PageToKeep {
  path: string;
  /** Another word for it, and the page is fetched again. */
  written: string;
}

/** What a page tells the service worker. */
export interface KeepPages {
  keep: PageToKeep[];
}

export const PAGES = 'pages-';
export const ASSETS = 'assets-';
/** What a kept page was when it was fetched. */
export const WRITTEN = 'x-live-tune-written';
