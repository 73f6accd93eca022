/** What runs in the pages that the server shows. */
export interface PreviewScripts {
  live: string;
  widths: string;
}

/** What the server shows: the finished site as it is now. */
export interface PreviewSource {
  /** Pages, by their paths. */
  pages: readonly string[];
  /** The page that a server gives for the folder itself. */
  front: string | null;
  /** A file of the finished site; null where there is none. */
  file: (path: string) => Uint8Array | null;
  /** What is wrong with the plan since the last good build, as people read it; null where nothing is. */
  problems: string | null;
  /** The sheet of states. */
  specimen: () => Promise<string>;
  /** The folder of the server that the site will lie in, with `/` at both ends. */
  base: string;
}
