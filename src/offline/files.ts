/** What the build tells the service worker of its release. */
export interface Release {
  /** A print of all its files: two builds that differ in one letter are two releases. */
  readonly name: string;
  /** Everything but the pages, by its address below the place where the application is served. */
  readonly files: readonly ReleaseFile[];
  /** The pages in one file: what a browser shows, and what Next asks for on the way from one to the other. */
  readonly pages: ReleaseFile;
}

export interface ReleaseFile {
  readonly address: string;
  /** `sha256-…`, as subresource integrity has it: a file of another release is refused. */
  readonly integrity: string;
}

/** One answer that the build has made. */
export interface PackedPage {
  /** Its address, with `?of=` and which of a page's answers it is: `html`, `rsc`, or the part that Next names. */
  readonly address: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string;
}

/** What a page of the application says to the service worker. */
export type ToWorker =
  | { readonly kind: 'take-over' }
  /** The page has opened the studio: what older releases need is let go where no other page is open. */
  | { readonly kind: 'opened' };

/** What the service worker says to the pages while it fetches its release. */
export type FromWorker =
  | { readonly kind: 'fetched'; readonly done: number; readonly of: number }
  | { readonly kind: 'failed'; readonly why: 'room' | 'network' };
