import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathMatcher } from '../core/address/glob.ts';
import { heldStates } from '../core/draw/specimen.ts';
import { bytesOf } from '../core/text/bytes.ts';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { renderFindings } from '../core/text/render.ts';
import { fromUser, isHidden } from '../files/paths.ts';
import { openPlan } from '../files/plan.ts';
import type { Run } from '../files/run.ts';
import { outputsOf } from '../files/listing.ts';
import { openAll } from '../opening/open.ts';
import type { Opened } from '../opening/opened.ts';
import { sheetOf } from '../opening/sheet.ts';
import type { PreviewSource } from './types.ts';

/** The site as it was built last, as long as the plan is right. */
export class Builds {
  source: PreviewSource | null = null;
  /** The plan of the last good build, and its site. */
  opened: Opened | null = null;
  root = '';
  readonly planFile: string;

  /** @param planFile the whole path of a plan */
  constructor(planFile: string) {
    this.planFile = planFile;
  }

  /** Not what Kamino or other programs write. */
  readonly isLeft = (path: string): boolean => {
    const { output, leaveOut } = this.#folders;
    return isHidden(path) || output.some(one => path === one || path.startsWith(`${one}/`)) || leaveOut(path);
  };
  #folders: { output: string[]; leaveOut: (path: string) => boolean } = { output: [], leaveOut: () => false };

  async next(): Promise<{ findings: Finding[]; isGood: boolean; took: number }> {
    const start = performance.now();
    const findings = sortFindings(await this.#build());
    const isGood = !hasErrors(findings);
    if (this.source) this.source = { ...this.source, problems: isGood ? null : renderFindings(findings) };
    return { findings, isGood, took: performance.now() - start };
  }

  /** Keeps the last good build where this one is none. */
  async #build(): Promise<Finding[]> {
    const open = openPlan(this.planFile);
    const opened = await openAll(open);
    if ('stop' in opened) return opened.stop;
    const { plan, site } = opened;
    this.root = site.root;
    const place = { root: site.root, plan: open.file, record: site.record, output: plan.output };
    this.#folders = {
      output: outputsOf(place)
        .map(folder => folder.slice(site.root.length + 1))
        .filter(Boolean),
      leaveOut: pathMatcher(plan.leaveOut),
    };
    const { run, style, findings } = await opened.prepared();
    if (!run) return findings;
    this.source = this.#sourceOf(run, style, opened);
    this.opened = opened;
    return [...findings, ...fromUser(site.findings, site.root)];
  }

  #sourceOf(run: Run, style: string, { open, site, plan }: Opened): PreviewSource {
    const { pages, front } = site.facts;
    return {
      pages: [...pages].sort(),
      front,
      base: plan.links.base,
      problems: null,
      file: fileGiver(run, style),
      specimen: async () => {
        const { html } = await sheetOf(open);
        return html ?? '<!doctype html><title>Specimen</title><p>The plan cannot be shown.</p>';
      },
    };
  }
}

/** Gives the finished files, each made when it is asked for. States can be held by an attribute, for looking at them. */
function fileGiver(run: Run, style: string): PreviewSource['file'] {
  const held = bytesOf(heldStates(style));
  const files = new Map(run.site.files.map(({ path }) => [path.normalize('NFC'), path]));
  return path => {
    if (path === run.style) return held;
    const made = run.source.own.get(path);
    if (made !== undefined) return made;
    const own = files.get(path);
    if (own === undefined) return null;
    try {
      return run.isPage(own) ? Uint8Array.from(run.page(own).bytes) : readFileSync(join(run.site.root, own));
    } catch {
      return null;
    }
  };
}
