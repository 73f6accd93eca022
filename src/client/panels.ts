import { parts } from '../core/markup/names.ts';
import { all, arriveAt, named } from './shared.ts';

/**
 * Panels of the page. The style sheet shows the one of the address; here the one that is shown is held while the address
 * names something else, its link and the title of the page say so, and the focus goes there.
 */
const title = document.title;

function show(isArrival: boolean): void {
  const target = named(location.hash);
  const links = all<HTMLAnchorElement>('[data-kamino-panel]');
  for (const name of new Set(links.map(one => one.dataset['kaminoPanel']))) {
    const own = links.filter(one => one.dataset['kaminoPanel'] === name);
    const panels = own.map(one => named(one.hash)!);
    const aimed = panels.find(one => one.contains(target));
    const before = panels.find(one => one.classList.contains(parts.shown));
    // A jump to elsewhere on the page leaves what is shown; an unknown name shows the first.
    const held = target ? before : undefined;
    const first = panels[own.findIndex(one => one.matches('[data-kamino-first]'))];
    const now = aimed ?? held ?? first;
    for (const [at, panel] of panels.entries()) {
      panel.classList.toggle(parts.shown, panel === now);
      own[at]!.ariaCurrent = panel === now ? 'true' : null;
      if (panel === now && aimed) document.title = `${own[at]!.textContent.trim()} | ${title}`;
    }
    if (!aimed && !held) document.title = title;
    if (!isArrival || !aimed) continue;
    if (target !== aimed) target!.scrollIntoView();
    arriveAt(target!);
  }
}

addEventListener('hashchange', () => show(true));
show(false);
