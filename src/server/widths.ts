import { controlsStyle } from './controls.ts';
import type { PreviewSource } from './types.ts';

const widths = [320, 390, 768, 1024, 1280];
const states: readonly [value: string, label: string][] = [
  ['', 'at rest'],
  ['hover', 'hover'],
  ['focus', 'focus'],
  ['pressed', 'pressed'],
  ['submenu', 'a submenu open'],
  ['fold', 'the fold open'],
];

/** A page at several widths side by side, one of them to be dragged; what is held open stays so when it is loaded again. */
export function widthsPage({ pages, front }: PreviewSource, wanted: string | null, controls: string): string {
  const page = wanted !== null && pages.includes(wanted) ? wanted : (front ?? pages[0] ?? '');
  const address = `/${page.split('/').map(encodeURIComponent).join('/')}`;
  const option = (path: string): string =>
    `<option${path === page ? ' selected' : ''}>${escaped(path)}</option>`;
  const frame = (width: number): string =>
    `<figure><figcaption>${width} px</figcaption><iframe title="${width} px" src="${address}" width="${width}" height="720"></iframe></figure>`;
  const radio = ([value, label]: readonly [string, string]): string =>
    `<label><input type="radio" name="state" value="${value}"${value === '' ? ' checked' : ''}> ${label}</label>`;
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>Widths of ${escaped(page)}</title>
<style>
body { margin: 0; color: #22262e; background: #ecece8; font: 14px/1.5 system-ui, sans-serif; }
header { position: sticky; top: 0; z-index: 1; display: flex; flex-wrap: wrap; gap: 0.5rem 2rem; align-items: center; padding: 0.75rem 1.5rem; border-bottom: 1px solid #d4d4ce; background: #fff; }
fieldset { display: flex; flex-wrap: wrap; gap: 0.25rem 1.1rem; margin: 0; padding: 0; border: 0; }
select { padding: 0.35rem 0.5rem; font: inherit; }
${controlsStyle}
main { display: flex; gap: 1.5rem; padding: 1.5rem; overflow-x: auto; align-items: flex-start; }
figure { flex: none; margin: 0; }
figcaption { margin-bottom: 0.35rem; color: #63676f; font-variant-numeric: tabular-nums; }
iframe { display: block; border: 0; background: #fff; box-shadow: 0 0 0 1px #d4d4ce; }
.drag { width: 600px; min-width: 240px; height: 720px; overflow: hidden; resize: horizontal; padding-right: 14px; background: #d4d4ce; }
.drag iframe { width: 100%; height: 100%; }
.specimen { padding: 0 1.5rem 2rem; }
.specimen iframe { width: 100%; height: 60rem; }
h2 { margin: 0 0 0.75rem; font-size: 1rem; }
</style>
</head>
<body>
<header>
<label>Page <select id="page">${pages.map(option).join('')}</select></label>
<fieldset><legend hidden>What is held</legend>${states.map(radio).join('')}</fieldset>
</header>
<div class="beside">
${controls}
<main>
<figure><figcaption id="dragged">drag the edge</figcaption><div class="drag"><iframe title="any width" src="${address}"></iframe></div></figure>
${widths.map(frame).join('\n')}
</main>
</div>
<section class="specimen"><h2>Every entry in every state</h2><iframe title="specimen" src="/_specimen"></iframe></section>
<script src="/_kamino/widths.js"></script>${controls === '' ? '' : '<script src="/_kamino/controls.js"></script>'}
</body>
</html>
`;
}

function escaped(text: string): string {
  return text.replace(/[&<>"]/g, letter => `&#${letter.charCodeAt(0)};`);
}
