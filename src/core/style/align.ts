import type { ResolvedMenu } from '../menu/types.ts';
import { parts } from '../markup/names.ts';
import type { Align } from '../plan/types.ts';
import { hairline } from './arrange.ts';
import { topEntry, topList } from './parts.ts';

type Moved = Exclude<Align, 'start'>;

const justified: Readonly<Record<Moved, string>> = {
  center: 'center',
  end: 'flex-end',
  spread: 'space-between',
};

/** In a bar the list is as wide as its entries: what is beside it, such as the home, keeps its place. */
const inBar: Readonly<Record<Moved, string>> = {
  center: 'margin-inline: auto;',
  end: 'margin-inline-start: auto;',
  spread: 'flex: 1 1 auto;\n  justify-content: space-between;',
};

/** The line under tabs goes on before them too; spread, they share it. */
function ofTabs(own: string, align: Moved): string {
  const before = `${own} ${topList}::before {
  content: "";
  flex: 1 1 0;
  box-shadow: inset 0 -1px ${hairline};
}
`;
  if (align === 'center') return before;
  const noneBehind = `.${parts.menu}${own} ${topList}.${parts.list}::after {
  content: none;
}
`;
  if (align === 'end') return before + noneBehind;
  return `${noneBehind}${own} ${topEntry},${own} ${topEntry}>.${parts.link} {
  flex: 1 1 auto;
  justify-content: center;
}
`;
}

/** Where the entries of a menu stand. @param own its class */
export function aligned(own: string, { form, align }: Pick<ResolvedMenu, 'form' | 'align'>): string {
  if (align === 'start') return '';
  if (form === 'tabs') return ofTabs(own, align);
  if (form === 'bar') return `${own} ${topList} {\n  ${inBar[align]}\n}\n`;
  // In a column labels stand so in their rows.
  const rows = form === 'column' ? `.${parts.menu}${own} .${parts.link}.${parts.link}` : `${own} ${topList}`;
  return `${rows} {\n  justify-content: ${justified[align]};\n}\n`;
}
