import type { Engine, EngineStart } from '../tab.ts';
import { WebkitProcess } from './process.ts';
import { WebkitTab } from './tab.ts';

/**
 * A WebKit of this machine, driven by WebDriver (https://www.w3.org/TR/webdriver2/): a browser for each window, since
 * of several windows one has the focus. Its windows have a least width of their own, and its settings are its own, too.
 */
export async function startWebkit({ program, probe }: EngineStart): Promise<Engine> {
  const open = new Set<WebkitTab>();
  let waiting: WebkitProcess | null = await WebkitProcess.start(program);
  const { version } = waiting;
  return {
    called: `WebKit ${version}`,
    lacks: ['touch', 'zoomed', 'calm', 'forced-colors', 'no-script', 'paper'],
    open: async (_, [width, height]) => {
      const first = waiting;
      waiting = null;
      const tab = new WebkitTab(first ?? (await WebkitProcess.start(program)), probe);
      open.add(tab);
      await tab.resize(width, height);
      return tab;
    },
    close: async () => {
      await Promise.all([...open, waiting].map(one => one?.close()));
    },
  };
}
