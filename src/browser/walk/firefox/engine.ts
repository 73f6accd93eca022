import type { Visitor } from '../../../core/walk/visitors.ts';
import type { Engine, EngineStart } from '../tab.ts';
import { type Preferences, type StartedFirefox, startProcess } from './process.ts';
import { FirefoxTab } from './tab.ts';

/** What a visitor's browser is told of them: in Firefox these are settings of a whole browser. */
function preferencesFor({ moves, hasScript, media }: Visitor): Preferences {
  return {
    // Without a screen there is no pointer: 1 is a coarse one, 2 one that hovers, 4 a fine one.
    ...pointer(moves === 'touch' ? 1 : 6),
    ...(hasScript ? {} : { 'javascript.enabled': false }),
    ...(media.reducedMotion ? { 'ui.prefersReducedMotion': 1 } : {}),
    ...(media.forcedColors ? { 'browser.display.document_color_use': 2 } : {}),
  };
}

const pointer = (can: number): Preferences => ({
  'ui.primaryPointerCapabilities': can,
  'ui.allPointerCapabilities': can,
  'dom.w3c_touch_events.enabled': can === 1 ? 1 : 0,
});

/** A Firefox of this machine, driven by WebDriver BiDi: one process for each set of settings that visitors need. */
export async function startFirefox({ program, probe }: EngineStart): Promise<Engine> {
  const shared = new Map<string, Promise<StartedFirefox>>();
  const alone = new Set<StartedFirefox>();
  const sharedFor = (preferences: Preferences): Promise<StartedFirefox> => {
    const key = JSON.stringify(preferences);
    const known = shared.get(key) ?? startProcess(program, preferences);
    shared.set(key, known);
    return known;
  };
  /** Of all windows of a browser one has the focus: who uses keys has a browser of their own. */
  const openAlone = async (visitor: Visitor, size: readonly [number, number]): Promise<FirefoxTab> => {
    const own = await startProcess(program, preferencesFor(visitor));
    alone.add(own);
    const tab = await FirefoxTab.open(own.process.session, size, probe);
    tab.onClose = async () => {
      alone.delete(own);
      await own.process.close();
    };
    return tab;
  };
  const { version } = await sharedFor(pointer(6));
  return {
    called: `Firefox ${version}`,
    lacks: ['paper'],
    open: async (visitor, size) =>
      visitor.moves === 'keys'
        ? openAlone(visitor, size)
        : FirefoxTab.open((await sharedFor(preferencesFor(visitor))).process.session, size, probe),
    close: async () => {
      const all = [...alone, ...(await Promise.all(shared.values()))];
      await Promise.all(all.map(one => one.process.close()));
    },
  };
}
