import type { Visitor } from '../../../core/walk/visitors.ts';
import type { Engine, EngineStart } from '../tab.ts';
import { FirefoxProcess, type Preferences } from './process.ts';
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
  const started = new Map<string, Promise<FirefoxProcess>>();
  const processFor = (preferences: Preferences): Promise<FirefoxProcess> => {
    const key = JSON.stringify(preferences);
    const known = started.get(key) ?? FirefoxProcess.start(program, preferences);
    started.set(key, known);
    return known;
  };
  const { version } = await processFor(pointer(6));
  return {
    called: `Firefox ${version}`,
    lacks: ['paper'],
    open: async (visitor, size) =>
      FirefoxTab.open((await processFor(preferencesFor(visitor))).session, size, probe),
    close: async () => {
      await Promise.all([...started.values()].map(async one => (await one).close()));
    },
  };
}
