import type { SitePath } from '../address/path.ts';
import type { HandSite } from '../hand/types.ts';
import { seekIn } from '../page/select.ts';

/** An element of a page: byte offsets. */
export interface Extent {
  start: number;
  end: number;
}

/** The first elements of all pages of a site that selectors match: each page is read once for all that are asked for together. */
export class Firsts {
  readonly #site: HandSite;
  readonly #known = new Map<string, Map<SitePath, Extent>>();

  constructor(site: HandSite) {
    this.#site = site;
  }

  /** Makes these known. */
  seek(selectors: readonly string[]): void {
    const open = [...new Set(selectors)].filter(one => !this.#known.has(one));
    if (open.length === 0) return;
    for (const one of open) this.#known.set(one, new Map());
    for (const [path, { frame }] of this.#site.pages) {
      const { raw, charset, bodyPoint } = frame;
      for (const [selector, found] of seekIn({ raw, charset, scripting: true, bodyPoint }, open)) {
        const { start, end, listEnd, cells, open: opened } = found;
        const whole = cells ?? { start, end: end < 0 ? listEnd : end };
        this.#known.get(selector)!.set(path, { start: whole.start, end: Math.max(whole.end, opened) });
      }
    }
  }

  /** On each page that has one. */
  of(selector: string): ReadonlyMap<SitePath, Extent> {
    this.seek([selector]);
    return this.#known.get(selector)!;
  }

  /** The first of these that matches on a page. */
  on(path: SitePath, selectors: readonly string[]): { selector: string; extent: Extent } | null {
    this.seek(selectors);
    for (const selector of selectors) {
      const extent = this.#known.get(selector)!.get(path);
      if (extent) return { selector, extent };
    }
    return null;
  }
}
