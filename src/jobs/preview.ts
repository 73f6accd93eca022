import { type Finding, finding } from '../core/text/finding.ts';
import { ownScriptOf } from '../files/own.ts';
import { Builds } from '../server/builds.ts';
import { lanHost } from '../server/network.ts';
import { Rebuilding } from '../server/rebuilding.ts';
import type { PreviewServer } from '../server/serve.ts';
import { Trials } from '../server/trial.ts';
import { planFile } from './given.ts';

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
  const builds = new Builds(planFile(options.plan));
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

function noNetwork(): Finding {
  const remedy = 'Leave --lan out to look at the pages here.';
  return finding('cannot-read', null, 'this machine is in no network', remedy);
}
