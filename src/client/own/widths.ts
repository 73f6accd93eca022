import { inlayAttribute, parts } from '../../core/markup/names.ts';
import { all } from '../shared.ts';

/** Runs in the page of widths: holds states and menus open in its frames, and keeps what is held and dragged. */
const frames = all<HTMLIFrameElement>('main iframe');
const page = document.getElementById('page') as HTMLSelectElement;
const drag = document.querySelector<HTMLElement>('.drag')!;
const specimen = document.querySelector<HTMLIFrameElement>('.specimen iframe')!;
let state = sessionStorage.getItem('kamino-state') ?? '';

function hold(frame: HTMLIFrameElement): void {
  const inside = frame.contentDocument;
  if (!inside) return;
  const menus = `nav[${inlayAttribute}]`;
  for (const one of all(`${menus} a,${menus} summary`, inside)) {
    if (['hover', 'focus', 'pressed'].includes(state)) one.dataset['state'] = state;
    else delete one.dataset['state'];
  }
  const isOpen = state === 'fold' || state === 'submenu';
  for (const one of all<HTMLDetailsElement>(`details.${parts.toggle}`, inside))
    one.open = isOpen && one.clientHeight > 0;
  for (const one of all(`.${parts.fold}`, inside)) {
    const toggle = one.closest(`.${parts.menu}`)!.querySelector(`.${parts.toggle}`)!;
    one.togglePopover(isOpen && toggle.clientHeight > 0);
  }
  for (const menu of all(`.${parts.bar}`, inside))
    for (const [at, one] of all<HTMLDetailsElement>(`.${parts.opener}`, menu).entries())
      one.open = state === 'submenu' && at === 0;
}

for (const one of all<HTMLInputElement>('input[name=state]')) {
  one.checked = one.value === state;
  one.addEventListener('change', () => {
    state = one.value;
    sessionStorage.setItem('kamino-state', state);
    frames.forEach(hold);
  });
}
page.addEventListener('change', () => {
  location.search = `?page=${encodeURIComponent(page.value)}`;
});
for (const frame of frames) {
  frame.addEventListener('load', () => {
    hold(frame);
    frame.contentWindow!.addEventListener('kamino-swapped', () => {
      hold(frame);
    });
  });
  hold(frame);
}
new ResizeObserver(() => {
  document.getElementById('dragged')!.textContent = `${drag.clientWidth - 14} px (drag the edge)`;
}).observe(drag);

const channel = new BroadcastChannel('kamino');
new EventSource('/_kamino/events').onmessage = (event: MessageEvent<string>) => {
  channel.postMessage(event.data);
  const { isNew, problems } = JSON.parse(event.data) as { isNew?: boolean; problems: string | null };
  if (isNew && problems === null) specimen.contentWindow!.location.reload();
};
const kept = sessionStorage.getItem('kamino-dragged');
if (kept !== null) drag.style.width = kept;
addEventListener('pagehide', () => {
  sessionStorage.setItem('kamino-dragged', drag.style.width);
});
