import { readFileSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { pathMatcher } from '../core/address/glob.ts';
import { heldStates } from '../core/draw/specimen.ts';
import { bytesOf } from '../core/text/bytes.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { renderFindings } from '../core/text/render.ts';
import { ownScriptOf } from '../files/own.ts';
import { fromUser, isHidden } from '../files/paths.ts';
import { type OpenPlan, openPlan } from '../files/plan.ts';
import type { Run } from '../files/run.ts';
import { outputsOf } from '../files/site.ts';
import type { PreviewServer } from '../server/serve.ts';
import type { PreviewSource } from '../server/types.ts';
import { openAll } from './open.ts';
import type { Opened } from './opened.ts';
import { sheetOf } from './sheet.ts';
import { Trials } from './trial.ts';

export interface PreviewOptions {
  /** A plan, or the folder of one. */
  plan?: string;
  /** The first port that is tried; 4600 by default. */
  port?: number;
  /** Open it to the network that this machine is in. */
  lan?: boolean;
  /** What each build found, and how long it took in ms. */
  onBuild?: (built: { findings: Finding[]; isGood: boolean; took: number }) => void;
}

export interface Preview {
  /** Where it is seen: on this machine, and on its network. */
  address: string;
  lanAddress: string | null;
  /** The port that was asked for is taken. */
  isOtherPort: boolean;
  close: () => Promise<void>;
}

const usualPort = 4600;

/** Serves the finished site from memory, and makes it anew whenever the plan or a page changes. Nothing is written. */
export async function preview(options: PreviewOptions = {}): Promise<Preview | { findings: Finding[] }> {
  const [{ serve }, { watchFiles }] = await Promise.all([
    import('../server/serve.ts'),
    import('../server/watch.ts'),
  ]);
  const builds = new Builds(options.plan);
  const first = await builds.next();
  options.onBuild?.(first);
  if (!builds.source) return { findings: first.findings };
  const lan = options.lan ? lanHost() : null;
  if (options.lan && lan === null) return { findings: [noNetwork()] };
  const port = options.port ?? usualPort;
  const server: PreviewServer = await serve(() => builds.source!, {
    port,
    lan,
    scripts: {
      live: ownScriptOf('live'),
      widths: ownScriptOf('widths'),
      controls: ownScriptOf('controls'),
    },
    trial: new Trials(() => builds.opened!),
  });
  const again = new Rebuilding(async () => options.onBuild?.(await builds.next()), server);
  const watcher = watchFiles(builds.root, [builds.planFile], {
    isLeft: builds.isLeft,
    onChange: paths => {
      void again.after([...paths].every(path => path === builds.planFile));
    },
  });
  await watcher.ready;
  return {
    address: `http://localhost:${server.port}/`,
    lanAddress: lan === null ? null : `http://${lan}:${server.port}/`,
    isOtherPort: server.port !== port,
    close: async () => {
      await watcher.close();
      await server.close();
    },
  };
}

/** One build at a time; what changes meanwhile is built behind it. */
class Rebuilding {
  readonly #build: () => Promise<void>;
  readonly #server: PreviewServer;
  #isBuilding = false;
  #isStale = false;
  #isPlanAlone = true;

  constructor(build: () => Promise<void>, server: PreviewServer) {
    this.#build = build;
    this.#server = server;
  }

  /** @param isPlan nothing but the plan has changed */
  async after(isPlan: boolean): Promise<void> {
    if (!isPlan) this.#isPlanAlone = false;
    this.#isStale = true;
    if (this.#isBuilding) return;
    this.#isBuilding = true;
    while (this.#isStale) {
      this.#isStale = false;
      await this.#build();
    }
    this.#isBuilding = false;
    this.#server.tell(this.#isPlanAlone);
    this.#isPlanAlone = true;
  }
}

function noNetwork(): Finding {
  const remedy = 'Leave --lan out to look at the pages here.';
  return finding('cannot-read', null, 'this machine is in no network', remedy);
}

/** The site as it was built last, as long as the plan is right. */
class Builds {
  source: PreviewSource | null = null;
  /** The plan of the last good build, and its site. */
  opened: Opened | null = null;
  root = '';
  planFile = '';
  readonly #given: string | undefined;

  constructor(given: string | undefined) {
    this.#given = given;
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
    const open = openPlan(this.#given);
    this.planFile = open.file;
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
    this.source = this.#sourceOf(run, style, open);
    this.opened = opened;
    return [...findings, ...fromUser(site.findings, site.root)];
  }

  #sourceOf(run: Run, style: string, open: OpenPlan): PreviewSource {
    const { site, source } = run;
    const { pages, front } = site.facts;
    return {
      pages: [...pages].sort(),
      front,
      base: source.plan.links.base,
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

/** The address of this machine in its network. */
function lanHost(): string | null {
  const all = Object.values(networkInterfaces()).flatMap(one => one ?? []);
  return all.find(one => one.family === 'IPv4' && !one.internal)?.address ?? null;
}
