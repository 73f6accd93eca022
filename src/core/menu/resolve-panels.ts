import type { Entry, Menu, Plan } from '../plan/types.ts';
import { listed, nearest } from '../text/nearest.ts';
import { spaced } from '../text/names.ts';
import { readTarget } from '../target/kinds/index.ts';
import type { ResolvedPanels } from '../target/facts.ts';
import type { Ground } from './ground.ts';
import { plainEntry } from './resolve-entries.ts';
import type { ResolvedEntry, ResolvedMenu } from './types.ts';

/** The groups of panels, each with an id; what cannot be shown is told. */
export function panelsOf({ panels, menus }: Plan, ground: Ground): ResolvedPanels[] {
  return panels.flatMap(group => {
    const { name, page, of, menu, first, height, mark } = group;
    const context = { site: ground.site, carriers: [], source: ground.source, giveId: () => '' };
    const reading = readTarget({ kind: 'page', written: page, mark }, context);
    if ('finding' in reading || reading.destination.kind !== 'page') {
      if ('finding' in reading) ground.findings.push(reading.finding);
      return [];
    }
    const { path } = reading.destination;
    const found = ground.site.parts(path, of);
    if (found.length < 2) {
      const what = found.length === 0 ? 'nothing' : 'one element';
      const remedy = 'Name all parts that are shown one at a time:  of: "#planets > section"';
      ground.tell('missing-section', mark, `\`${of}\` finds ${what} on ${path}`, remedy);
      return [];
    }
    const all = found.map(part => {
      const id = part.id ?? ground.giveId(path, part);
      return { id, label: part.text || spaced(id) };
    });
    const ids = all.map(one => one.id);
    if (first !== null && !ids.includes(first.replace(/^#/, ''))) {
      const near = nearest(first, ids);
      const remedy = near ? `Did you mean \`${near}\`?` : `There are ${listed(ids, 'and')}.`;
      ground.tell('missing-section', mark, `no panel of \`${name}\` is called \`${first}\``, remedy);
    }
    if (!menus.some(one => one.name === menu)) {
      const near = nearest(
        menu,
        menus.map(one => one.name),
      );
      const remedy = near ? `Did you mean \`${near}\`?` : 'Name a menu of this plan, or  switch: tabs';
      ground.tell('unknown-menu', mark, `no menu is called \`${menu}\``, remedy);
    }
    return [{ name, page: path, menu, panels: all, first: first?.replace(/^#/, '') ?? ids[0]!, height }];
  });
}

/** An entry for each panel of the group that a menu switches between. */
export function panelEntries({ panels, mark }: Menu, ground: Ground): Entry[] {
  const group = ground.panels.find(one => one.name === panels);
  return (group?.panels ?? []).map(({ id }) => ({
    ...plainEntry,
    label: null,
    versions: new Map(),
    abouts: new Map(),
    details: false,
    ifMissing: 'error',
    entries: [],
    target: { kind: 'panel', written: id, mark },
    mark,
  }));
}

/** A panel that the menu of its group does not lead to would be out of reach. */
export function tellUnswitched(menus: readonly ResolvedMenu[], ground: Ground): void {
  const leads = (entries: readonly ResolvedEntry[], id: string, name: string): boolean =>
    entries.some(
      ({ leadsTo, entries: below }) =>
        (leadsTo.kind === 'section' && leadsTo.panel?.group === name && leadsTo.id === id) ||
        leads(below, id, name),
    );
  for (const { name, menu, panels } of ground.panels) {
    const own = menus.filter(one => one.name === menu);
    const lost = panels.find(({ id }) => own.length > 0 && !own.some(one => leads(one.entries, id, name)));
    const mark = ground.plan.panels.find(one => one.name === name)!.mark;
    if (lost)
      ground.tell(
        'hidden-menu',
        mark,
        `\`${menu}\` has no entry for the panel \`${lost.id}\`, which would never be seen`,
        `Add  - { panel: ${lost.id} }  to it, or take  switch: tabs`,
      );
  }
}
