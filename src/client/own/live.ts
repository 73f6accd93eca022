import { inlayAttribute, idAttribute } from '../../core/markup/names.ts';
import { all } from '../shared.ts';

/**
 * Runs in each page of the preview. Where only the menus and their looks have changed, these are put in place of the old
 * ones; otherwise the page is loaded again, where it was. Shows what is wrong.
 */
interface Told {
  problems: string | null;
  isNew?: boolean;
  isPlan?: boolean;
}

const key = `kamino-scroll ${location.pathname}`;
// A browser keeps few connections to one server: the pages of a sheet of widths share that of the sheet.
const events = self === top ? new EventSource('/_kamino/events') : new BroadcastChannel('kamino');
const own = location.pathname + location.search;
const get = (): Promise<string> => fetch(own).then(answer => answer.text());
const parsed = (text: string): Document => new DOMParser().parseFromString(text, 'text/html');
let before = get();

function stay(): void {
  const kept = sessionStorage.getItem(key);
  if (kept === null) return;
  sessionStorage.removeItem(key);
  const [left, at] = JSON.parse(kept) as [number, number];
  const go = (): void => scrollTo({ left, top: at, behavior: 'instant' });
  go();
  addEventListener('load', go);
}

/** The page without what Kamino put in. */
function rest(page: Document): string {
  for (const one of page.querySelectorAll(`[${inlayAttribute}]`)) one.remove();
  for (const one of page.querySelectorAll(`[${idAttribute}]`))
    for (const name of ['id', idAttribute]) one.removeAttribute(name);
  return page.documentElement.outerHTML;
}

function again(): void {
  sessionStorage.setItem(key, JSON.stringify([scrollX, scrollY]));
  events.close();
  location.reload();
}

function swap([old, now]: [string, string]): void {
  const olds = all(`[${inlayAttribute}]`);
  const news = [...parsed(now).querySelectorAll(`[${inlayAttribute}]`)];
  if (olds.length !== news.length || rest(parsed(old)) !== rest(parsed(now))) return again();
  before = Promise.resolve(now);
  olds.forEach((one, at) => {
    const next = document.importNode(news[at]!, true);
    if (next instanceof HTMLLinkElement) {
      next.href = `${next.getAttribute('href')!}?${Date.now()}`;
      next.addEventListener('load', () => one.remove());
      one.after(next);
    } else one.replaceWith(next);
  });
  dispatchEvent(new Event('kamino-swapped'));
}

function show(text: string | null): void {
  const there = document.getElementById('kamino-problems');
  if (!text) return there?.remove();
  const box = there ?? problemBox();
  box.textContent = text;
}

function problemBox(): HTMLElement {
  const box = document.createElement('pre');
  box.id = 'kamino-problems';
  box.role = 'alert';
  Object.assign(box.style, {
    position: 'fixed',
    inset: 'auto 0 0 0',
    zIndex: '2147483647',
    margin: '0',
    padding: '1rem 1.25rem',
    maxHeight: '45vh',
    overflow: 'auto',
    color: '#fff',
    background: '#7a1d14',
    font: '13px/1.5 ui-monospace, monospace',
    whiteSpace: 'pre-wrap',
  });
  document.body.append(box);
  return box;
}

events.onmessage = (event: MessageEvent<string>) => {
  const { problems, isNew, isPlan } = JSON.parse(event.data) as Told;
  show(problems);
  if (!isNew || problems !== null) return;
  if (isPlan) void Promise.all([before, get()]).then(swap, again);
  else again();
};
stay();
