import { sheetStart } from '../markup/own.ts';
import { escapeMarkup } from '../text/references.ts';
import type { Fault } from '../walk/faults.ts';
import { findingOf } from '../walk/faults.ts';
import type { Proof } from '../walk/proof.ts';
import type { Answer } from '../walk/questions.ts';
import type { ReachRow } from '../walk/types.ts';
import { visitorOf } from '../walk/visitors.ts';
import { walkStyle } from './walk-style.ts';

export interface WalkReport {
  title: string;
  proof: Proof;
  /** What was walked and with what, in words. */
  about: string;
  /** The address of the picture of a fault; null for none. */
  picture: (fault: Fault) => string | null;
}

/** One page to hand on: who gets where, in how many presses, and what went wrong. */
export function walkReport({ title, proof, about, picture }: WalkReport): string {
  const { said, matrix, answers, faults } = proof;
  const wrong = faults.filter(one => findingOf(one).severity !== 'note');
  return `${sheetStart}<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escapeMarkup(`${title}: who gets where`)}</title>
<style>${walkStyle}</style>
</head>
<body>
<header>
<p class="site">${escapeMarkup(title)}</p>
<h1>${escapeMarkup(said)}.</h1>
<p class="about">${escapeMarkup(about)} ${wrong.length === 0 ? 'Nothing else was found.' : `<a href="#found">${wrong.length === 1 ? 'One thing was' : `${wrong.length} things were`} found.</a>`}</p>
</header>
<main>
${answers.length > 0 ? questions(answers) : ''}
<section>
<h2>Pages and sections</h2>
<p>How many times each visitor has to press something, from the front page on: a click, a tap or Enter. Scrolling, Tab and moving the pointer are not counted.</p>
<div class="wide"><table>
<thead>${head(matrix.visitors, 'Page or section')}</thead>
${bodies(matrix.rows)}
</table></div>
</section>
<section>
<h2>Menus</h2>
<p>How many entries can be pressed, of those that were tried, and the most presses that one takes on its page.</p>
<div class="wide"><table>
<thead>${head(matrix.visitors, 'Menu')}</thead>
<tbody>${matrix.menus.map(({ menu, cells }) => `<tr><th scope="row">${escapeMarkup(menu)}</th>${cells.map(menuCell).join('')}</tr>`).join('\n')}</tbody>
</table></div>
</section>
${found(faults, picture)}
</main>
</body>
</html>
`;
}

function head(visitors: readonly string[], first: string): string {
  const cells = visitors.map(
    name => `<th scope="col"><span>${escapeMarkup(visitorOf(name)!.called)}</span></th>`,
  );
  return `<tr><th scope="col" class="first">${first}</th>${cells.join('')}</tr>`;
}

/** A part for each page. */
function bodies(rows: readonly ReachRow[]): string {
  const pages = new Map<string, ReachRow[]>();
  for (const row of rows) pages.set(row.target.page, [...(pages.get(row.target.page) ?? []), row]);
  return [...pages.values()].map(own => `<tbody>${own.map(rowOf).join('\n')}</tbody>`).join('\n');
}

function rowOf({ target, actions }: ReachRow): string {
  const { page, id, label } = target;
  const name =
    id === null
      ? `${escapeMarkup(label)} <small>${escapeMarkup(page)}</small>`
      : escapeMarkup(label) + (label === `#${id}` ? '' : ` <small>#${escapeMarkup(id)}</small>`);
  return `<tr${id === null ? ' class="page"' : ''}><th scope="row">${name}</th>${actions.map(cell).join('')}</tr>`;
}

function cell(actions: number | null): string {
  if (actions === null) return '<td class="no" title="no way there">✕</td>';
  return `<td class="n${Math.min(actions, 5)}">${actions}</td>`;
}

function menuCell({ reached, all, most }: { reached: number; all: number; most: number }): string {
  if (all === 0) return '<td>–</td>';
  const part = reached === all ? `${all}` : `${reached} of ${all}`;
  return `<td class="${reached === all ? '' : 'no'}">${part}<small>${most}</small></td>`;
}

function questions(answers: readonly Answer[]): string {
  const rows = answers.map(({ ask, allowed, ways }) => {
    const there = ways.filter(one => one !== null);
    const most = Math.max(0, ...there.map(one => one.actions));
    const way = [...there]
      .sort((one, other) => one.actions - other.actions)
      .find(one => one.labels.length > 0);
    const isMet = there.length === ways.length && most <= (allowed ?? Infinity);
    const limit = allowed === null ? '' : ` of ${allowed}`;
    return `<tr><th scope="row">${escapeMarkup(ask)}</th><td>${escapeMarkup(way?.labels.join(' › ') ?? 'on the front page')}</td><td class="${isMet ? 'yes' : 'no'}">${most}${limit} ${isMet ? '✓' : '✕'}</td></tr>`;
  });
  return `<section>
<h2>What visitors come for</h2>
<table class="asked"><thead><tr><th scope="col">Question</th><th scope="col">The shortest way</th><th scope="col">Presses at the most</th></tr></thead>
<tbody>${rows.join('\n')}</tbody></table>
</section>`;
}

function found(faults: readonly Fault[], picture: WalkReport['picture']): string {
  if (faults.length === 0) return '';
  const items = faults.map(fault => {
    const { severity, message, remedy } = findingOf(fault);
    const image = picture(fault);
    return `<li class="${severity}"><div><p class="rule">${severity} · ${fault.rule}${fault.page === '' ? '' : ` · ${escapeMarkup(fault.page)}`}</p>
<p>${escapeMarkup(message)}</p><p class="remedy">${escapeMarkup(remedy ?? '')}</p></div>${image === null ? '' : `<img src="${image}" alt="The window as it was">`}</li>`;
  });
  return `<section id="found">\n<h2>What was found</h2>\n<ul>${items.join('\n')}</ul>\n</section>`;
}
